import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { PhotoFace, PhotoPoint } from "../plan/photo-marks.ts";
import { type Camera, marked, type PointInRoom, photoOf, pictured } from "./camera.ts";
import { measurePhoto } from "./measure.ts";

// A chest 1,000 wide, 850 high and 480 deep, its lower left front corner at nought, and what a camera sees of it.

const [W, H, D] = [1000, 850, 480];
const FRONT: PointInRoom[] = [
  [0, H, 0],
  [W, H, 0],
  [W, 0, 0],
  [0, 0, 0],
];
const SIDE: PointInRoom[] = [
  [W, H, 0],
  [W, H, -D],
  [W, 0, -D],
  [W, 0, 0],
];
const TOP: PointInRoom[] = [
  [0, H, -D],
  [W, H, -D],
  [W, H, 0],
  [0, H, 0],
];
const DRAWER: PointInRoom[] = [
  [60, 700, 0],
  [940, 700, 0],
  [940, 520, 0],
  [60, 520, 0],
];

/** A phone held at chest height, to the right of the piece. */
const PHONE: Camera = {
  stands: [1900, 1350, 2300],
  turned: 31,
  tilted: 17,
  focal: 0.76,
  width: 1600,
  height: 1200,
};

const known = (camera: Camera, faceId: string, from: PointInRoom, to: PointInRoom) => ({
  faceId,
  from: pictured(camera, from),
  to: pictured(camera, to),
  millimetres: Math.hypot(from[0] - to[0], from[1] - to[1], from[2] - to[2]),
});
const widthOf = (camera: Camera) => known(camera, "front", [0, H, 0], [W, H, 0]);

const part = (value: number, of: number) => Math.abs(value / of - 1);

const sizesOf = (photo: Parameters<typeof measurePhoto>[0]) => {
  const measured = measurePhoto(photo);
  return { ...measured, of: (id: string) => measured.sizes.find(({ faceId }) => faceId === id)! };
};

const chest = (camera: Camera) =>
  photoOf(
    camera,
    [
      marked(camera, "front", "front", FRONT),
      marked(camera, "side", "side", SIDE),
      marked(camera, "top", "top", TOP),
      marked(camera, "drawer", "front", DRAWER),
    ],
    [widthOf(camera)],
  );

describe("measures off a photo", () => {
  it("gives width, height and depth of a chest from one length by tape", () => {
    const { of, faults, focal } = sizesOf(chest(PHONE));
    expect(faults).toEqual([]);
    expect(focal).toBeCloseTo(0.76, 2);
    expect(of("front").width).toBeCloseTo(W, 0);
    expect(of("front").height).toBeCloseTo(H, 0);
    expect(of("side").width).toBeCloseTo(D, 0);
    expect(of("side").height).toBeCloseTo(H, 0);
    expect(of("top").height).toBeCloseTo(D, 0);
    expect(of("drawer").width).toBeCloseTo(880, 0);
    expect(of("drawer").height).toBeCloseTo(180, 0);
    expect([of("front").by, of("side").by, of("drawer").by]).toEqual(["length", "shared corner", "same plane"]);
  });

  it("takes a length wherever it lies on a face, slanting too", () => {
    const photo = { ...chest(PHONE), known: [known(PHONE, "drawer", [100, 540, 0], [800, 690, 0])] };
    expect(part(sizesOf(photo).of("front").area, (W * H) / 1e6)).toBeLessThan(0.002);
  });

  it("gets areas within 2 % from anywhere both faces are well seen and fill the photo, with corners marked to half a pixel", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 42, max: 62 }),
        fc.integer({ min: 1700, max: 2200 }),
        fc.integer({ min: 1100, max: 1700 }),
        fc.double({ min: 0.65, max: 1.6, noNaN: true }),
        (round, away, eye, focal) => {
          const turn = (round * Math.PI) / 180;
          const distance = away * (focal / 0.76);
          const camera: Camera = {
            ...PHONE,
            focal,
            turned: round,
            tilted: (Math.atan2(eye - H / 2, distance) * 180) / Math.PI,
            stands: [W / 2 + distance * Math.sin(turn), eye, distance * Math.cos(turn)],
          };
          const whole = chest(camera);
          const toHalf = ([x, y]: PhotoPoint): PhotoPoint => [
            Math.round(2 * x * camera.width) / camera.width / 2,
            Math.round(2 * y * camera.height) / camera.height / 2,
          ];
          const photo = {
            ...whole,
            faces: whole.faces
              .filter(({ id }) => id !== "top")
              .map((face): PhotoFace => ({ ...face, points: face.points.map(toHalf) })),
            known: whole.known.map((one) => ({ ...one, from: toHalf(one.from), to: toHalf(one.to) })),
          };
          const { of } = sizesOf(photo);
          expect(part(of("front").area, (W * H) / 1e6)).toBeLessThan(0.02);
          expect(part(of("drawer").area, 0.88 * 0.18)).toBeLessThan(0.02);
          expect(part(of("side").area, (D * H) / 1e6)).toBeLessThan(0.02);
        },
      ),
    );
  });

  it("straight on, proportions are those of the picture, whatever the lens", () => {
    const camera: Camera = { ...PHONE, stands: [500, 425, 2600], turned: 0, tilted: 0, focal: 2.4 };
    const { of } = sizesOf(photoOf(camera, [marked(camera, "front", "front", FRONT)], [widthOf(camera)]));
    expect(of("front").height).toBeCloseTo(H, 0);
    expect(of("front").doubt.height).toBeLessThan(4);
  });

  it("says how far off it may be where one face alone cannot say from how far it was taken", () => {
    // level and from the side: uprights stay parallel, so that a narrow face near and a wide one askew look the same
    const camera: Camera = { ...PHONE, stands: [2300, 425, 1800], turned: 45, tilted: 0, focal: 1.5 };
    const alone = photoOf(
      camera,
      [marked(camera, "front", "front", FRONT)],
      [known(camera, "front", [0, 0, 0], [0, H, 0])],
    );
    const { of } = sizesOf(alone);
    const error = Math.abs(of("front").width - W);
    expect(error).toBeGreaterThan(20);
    expect(of("front").doubt.width).toBeGreaterThan(error / 3);
    // with the side marked as well, or a second length, it can
    const two = { ...alone, faces: [...alone.faces, marked(camera, "side", "side", SIDE)] };
    expect(sizesOf(two).of("front").width).toBeCloseTo(W, 0);
    const taped = sizesOf({ ...alone, known: [...alone.known, widthOf(camera)] });
    expect(taped.of("front").width).toBeCloseTo(W, 0);
    expect(taped.focal).toBeCloseTo(1.5, 1);
  });

  it("measures a bowed front along its bow, from a grid of points", () => {
    // an arc of 60° with a radius of 1,000: 1,047 along it, 1,000 across
    const bow = (part: number): [number, number] => {
      const angle = ((part - 0.5) * Math.PI) / 3;
      return [500 + 1000 * Math.sin(angle), 1000 * Math.cos(angle) - 1000];
    };
    const camera: Camera = { ...PHONE, stands: [900, 1500, 2600], turned: 9, tilted: 22 };
    const across = 8;
    const points = [700, 0].flatMap((y) =>
      Array.from({ length: across + 1 }, (_, index) => {
        const [x, z] = bow(index / across);
        return pictured(camera, [x, y, z]);
      }),
    );
    const face: PhotoFace = { id: "bow", name: "Bow", looks: "front", across, down: 1, points };
    const photo = photoOf(
      camera,
      [face],
      [{ faceId: "bow", from: points[0]!, to: points[across + 1]!, millimetres: 700 }],
    );
    const { of } = sizesOf(photo);
    expect(of("bow").columns).toHaveLength(across);
    expect(part(of("bow").width, (1000 * Math.PI) / 3)).toBeLessThan(0.02);
    expect(part(of("bow").area, (0.7 * 1000 * Math.PI) / 3000)).toBeLessThan(0.02);
  });

  it("reads the members of a frame from its opening", () => {
    const frame = marked(PHONE, "front", "front", FRONT, {
      opening: [
        [110, H - 110, 0],
        [W - 110, H - 110, 0],
        [W - 110, 110, 0],
        [110, 110, 0],
      ].map((corner) => pictured(PHONE, corner as unknown as PointInRoom)),
    });
    const { of } = sizesOf(photoOf(PHONE, [frame, marked(PHONE, "side", "side", SIDE)], [widthOf(PHONE)]));
    expect(of("front").member).toBeCloseTo(110, 0);
    expect(of("front").area).toBeCloseTo((W * H - (W - 220) * (H - 220)) / 1e6, 3);
  });

  it("turned upside down in its numbers, a longer length makes everything longer alike", () => {
    const photo = chest(PHONE);
    const twice = { ...photo, known: photo.known.map((one) => ({ ...one, millimetres: 2 * one.millimetres })) };
    const [one, two] = [sizesOf(photo), sizesOf(twice)];
    for (const { faceId, width, height } of one.sizes) {
      expect(two.of(faceId).width).toBeCloseTo(2 * width, 6);
      expect(two.of(faceId).height).toBeCloseTo(2 * height, 6);
    }
  });
});

describe("what cannot be measured says so in a sentence", () => {
  it("corners that cross", () => {
    const photo = chest(PHONE);
    const [a, b, c, d] = photo.faces[0]!.points;
    const crossed = { ...photo, faces: [{ ...photo.faces[0]!, points: [b!, a!, c!, d!] }, ...photo.faces.slice(1)] };
    const { faults, sizes } = measurePhoto(crossed);
    expect(faults[0]).toEqual({
      faceId: "front",
      says: "front: Its corners cross: two of its edges run through each other. Drag the corners back into their order.",
    });
    expect(sizes).toEqual([]);
  });

  it("no length at all, and a length beside its face", () => {
    const photo = chest(PHONE);
    const none = measurePhoto({ ...photo, known: [] });
    expect(none.sizes).toEqual([]);
    expect(none.faults).toHaveLength(4);
    expect(none.faults[0]!.says).toMatch(/^front: nothing says how large it is/);
    const beside = measurePhoto({ ...photo, known: [{ ...photo.known[0]!, to: [0.02, 0.02] }] });
    expect(beside.faults[0]!.says).toMatch(/beside the face/);
  });

  it("an opening larger than its frame", () => {
    const photo = chest(PHONE);
    const opening = [
      [0.01, 0.01],
      [0.99, 0.01],
      [0.99, 0.99],
      [0.01, 0.99],
    ] as PhotoPoint[];
    const { faults } = measurePhoto({ ...photo, faces: [{ ...photo.faces[0]!, opening }] });
    expect(faults[0]!.says).toMatch(/opening reaches beyond the frame/);
  });
});
