import { describe, expect, it } from "vitest";
import { type Camera, marked, type PointInRoom, photoOf, pictured } from "./camera.ts";
import { faceMap } from "./face-map.ts";
import { faceRelief } from "./face-relief.ts";
import { type FaceOn, measurePhoto, millimetreMaps } from "./measure.ts";
import { laidOver, restored, spotsOf } from "./spots.ts";
import { lightOf, type Pixels, straightened } from "./straightened.ts";

// A board 600 by 400 mm with one dark line across it, 100 mm from its top, as a camera that stands askew sees it.

const [W, H] = [600, 400];
const LINE = { from: 296, to: 304 };
const BOARD: PointInRoom[] = [
  [0, H, 0],
  [W, H, 0],
  [W, 0, 0],
  [0, 0, 0],
];
const ASKEW: Camera = { stands: [1000, 650, 900], turned: 36, tilted: 22, focal: 0.9, width: 640, height: 480 };

/** A photo of the board: every pixel asks where on the board it looks. */
function photographed(camera: Camera): { photo: Pixels; face: FaceOn } {
  const marks = photoOf(
    camera,
    [marked(camera, "board", "front", BOARD)],
    [{ faceId: "board", from: pictured(camera, BOARD[0]!), to: pictured(camera, BOARD[1]!), millimetres: W }],
  );
  const measured = measurePhoto(marks);
  const size = measured.sizes[0]!;
  const map = faceMap(marks, marks.faces[0]!);
  if ("fault" in map) throw new Error(map.fault);
  const face: FaceOn = { face: map.face, size, cells: millimetreMaps(map, size) };
  const { width, height } = camera;
  const data = new Uint8ClampedArray(4 * width * height).fill(255);
  const grid = { width: W, height: H, millimetres: 1, wide: W, tall: H };
  const { at, y } = spotsOf({ width, height }, face, { grid, inside: null });
  for (let spot = 0; spot < at.length; spot++) {
    const up = H - (y[spot]! + 0.5);
    const light = up > LINE.from && up < LINE.to ? 40 : 180;
    data.fill(light, 4 * at[spot]!, 4 * at[spot]! + 3);
  }
  return { photo: { width, height, data }, face };
}

describe("a face laid flat", () => {
  const { photo, face } = photographed(ASKEW);
  const straight = straightened(lightOf(photo), face, 2);
  const { grid, detail, broad } = straight;
  const row = (values: ArrayLike<number>, from: number) =>
    Array.from({ length: grid.width - 8 }, (_, index) => values[from * grid.width + index + 4]!);
  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

  it("has the size of the face, whatever it looked like in the photo", () => {
    expect(grid.wide / W).toBeCloseTo(1, 1);
    expect(grid.tall / H).toBeCloseTo(1, 1);
  });

  it("has its straight lines straight: the dark one lies 100 mm from the top all along", () => {
    const dark = Math.round(100 / grid.millimetres);
    expect(mean(row(detail, dark))).toBeLessThan(-0.5);
    expect(mean(row(detail, dark - 8))).toBeGreaterThan(-0.2);
    expect(mean(row(detail, dark + 8))).toBeGreaterThan(-0.2);
    expect(Math.max(...row(detail, dark))).toBeLessThan(-0.2);
  });

  it("keeps what is broad apart from what is fine: together they are the light of the photo", () => {
    const far = Math.round(300 / grid.millimetres);
    const said = mean(row(broad, far)) + mean(row(detail, far));
    expect(Math.exp(said)).toBeCloseTo(((180 / 255 + 0.055) / 1.055) ** 2.4, 1);
  });

  it("finds the line as a groove where the zone is said to have some, and none where it is plain", () => {
    const shape = { round: false, opening: null };
    const grooved = faceRelief("g", straight, { relief: { arris: 0.05, field: 0.9, high: 0, recess: 0.05 } }, shape);
    const plain = faceRelief("p", straight, { relief: { arris: 0.05, field: 0.95, high: 0, recess: 0 } }, shape);
    const dark = Math.round(100 / grid.millimetres);
    expect(mean(row(grooved.recess, dark))).toBeGreaterThan(0.7);
    expect(mean(row(grooved.recess, dark + 20))).toBeLessThan(0.1);
    expect(mean(row(plain.recess, dark))).toBe(0);
  });

  it("has nothing in the opening of a frame, and edges round it", () => {
    const frame = faceRelief(
      "f",
      straight,
      { relief: { arris: 0.05, field: 0.95, high: 0, recess: 0 } },
      { round: false, opening: [150, 100, 450, 300] },
    );
    const at = (x: number, y: number) =>
      Math.floor(y / grid.millimetres) * grid.width + Math.floor(x / grid.millimetres);
    expect(frame.inside![at(300, 200)]).toBe(0);
    expect(frame.inside![at(60, 200)]).toBe(1);
    expect(frame.belongs.arris[at(149, 200)]).toBeGreaterThan(0.5);
    expect(frame.belongs.arris[at(75, 200)]).toBe(0);
  });
});

describe("the pixels of a face", () => {
  const { photo, face } = photographed(ASKEW);
  const grid = { width: 300, height: 200, millimetres: 2, wide: W, tall: H };
  const spots = spotsOf(photo, face, { grid, inside: null });

  it("are each there once, whole within it and in part along its outline", () => {
    expect(new Set(spots.at).size).toBe(spots.at.length);
    const whole = [...spots.part].filter((part) => part === 1).length;
    expect(whole / spots.at.length).toBeGreaterThan(0.95);
    expect(Math.min(...spots.part)).toBeGreaterThan(0);
  });

  it("take what is laid over them, and give back the photo when that is taken off", () => {
    const laid = photo.data.slice();
    laidOver(laid, spots, new Float32Array(3 * grid.width * grid.height).fill(1), grid);
    const middle = spots.at[Math.floor(spots.at.length / 2)]!;
    expect([...laid.slice(4 * middle, 4 * middle + 3)]).toEqual([255, 255, 255]);
    const beside = 4 * (photo.width + 1);
    expect(laid.slice(beside, beside + 4)).toEqual(photo.data.slice(beside, beside + 4));
    restored(laid, photo.data, spots);
    for (let spot = 0; spot < spots.at.length; spot += 97) {
      const pixel = 4 * spots.at[spot]!;
      if (spots.part[spot] === 1) expect(laid[pixel]).toBe(photo.data[pixel]);
    }
  });
});
