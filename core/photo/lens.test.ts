import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Camera, marked, type PointInRoom } from "./camera.ts";
import { type FaceMap, faceMap } from "./face-map.ts";
import { FOCAL, lens } from "./lens.ts";
import { spread } from "./spread.ts";

const FRONT: PointInRoom[] = [
  [0, 850, 0],
  [1000, 850, 0],
  [1000, 0, 0],
  [0, 0, 0],
];
const SIDE: PointInRoom[] = [
  [1000, 850, 0],
  [1000, 850, -480],
  [1000, 0, -480],
  [1000, 0, 0],
];
const ASKEW: Camera = { stands: [1900, 1350, 2300], turned: 31, tilted: 17, focal: 0.76, width: 1600, height: 1200 };

const mapOf = (camera: Camera, id: string, looks: "front" | "side", places: PointInRoom[]): FaceMap => {
  const map = faceMap(camera, marked(camera, id, looks, places));
  if ("fault" in map) throw new Error(map.fault);
  return map;
};
const facesBy = (camera: Camera) => [mapOf(camera, "front", "front", FRONT), mapOf(camera, "side", "side", SIDE)];
const focalOf = (faces: readonly FaceMap[], usual: number = FOCAL.usual) =>
  1 / Math.sqrt(lens(faces, new Map(), usual));

describe("the lens, from the right angles of a piece", () => {
  it("is the one it was photographed with, for any lens from wide to long", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.55, max: 1.6, noNaN: true }), (focal) => {
        // from further away with a longer lens, so that the piece still fills the photo
        const stands = ASKEW.stands.map((at, axis) =>
          axis === 1 ? at : (at * focal) / 0.76,
        ) as unknown as PointInRoom;
        expect(focalOf(facesBy({ ...ASKEW, stands, focal })) / focal).toBeCloseTo(1, 1);
      }),
      { numRuns: 40 },
    );
  });

  it("is the usual one where a face is seen straight on, for its right angles say nothing then", () => {
    const straight: Camera = { ...ASKEW, stands: [500, 425, 2400], turned: 0, tilted: 0 };
    const front = [mapOf(straight, "front", "front", FRONT)];
    expect(focalOf(front)).toBeCloseTo(FOCAL.usual, 3);
    expect(focalOf(front, 1.2)).toBeCloseTo(1.2, 3);
  });

  it("never leaves what lenses there are", () => {
    for (const usual of [0.01, 100]) {
      const focal = focalOf([], usual);
      expect(focal).toBeGreaterThanOrEqual(FOCAL.shortest - 1e-9);
      expect(focal).toBeLessThanOrEqual(FOCAL.longest + 1e-9);
    }
  });

  it("gives a face its proportions: 1,000 to 850 in front, 480 to 850 at the side", () => {
    const faces = facesBy(ASKEW);
    const q = lens(faces, new Map(), FOCAL.usual);
    const ratioOf = (map: FaceMap) => {
      const { columns, rows } = spread(map, q);
      return columns[0]! / rows[0]!;
    };
    expect(ratioOf(faces[0]!)).toBeCloseTo(1000 / 850, 2);
    expect(ratioOf(faces[1]!)).toBeCloseTo(480 / 850, 2);
  });
});
