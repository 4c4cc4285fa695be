import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { frontLayout } from "./front-layout";

const SIZE = { width: 750, height: 420 };
const side = fc.integer({ min: 1, max: 3000 });
const place = fc.record({
  x: fc.integer({ min: -800, max: 2000 }),
  y: fc.integer({ min: 0, max: 2000 }),
  width: side,
  height: side,
});

describe("the front of a piece on a drawing", () => {
  it("is to scale, inside the margin, with the floor beneath", () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 8 }), (places) => {
        const { scale, floor, boxOf } = frontLayout(places, SIZE, 60);
        for (const place of places) {
          const box = boxOf(place);
          expect(box.width).toBeCloseTo(place.width * scale, 6);
          expect(box.x).toBeGreaterThanOrEqual(60 - 1e-6);
          expect(box.x + box.width).toBeLessThanOrEqual(SIZE.width - 60 + 1e-6);
          expect(box.y).toBeGreaterThanOrEqual(60 - 1e-6);
          expect(box.y + box.height).toBeLessThanOrEqual(floor + 1e-6);
        }
      }),
    );
  });

  it("says of every point what is there: the corners of a box are those of its place", () => {
    fc.assert(
      fc.property(place, place, (one, other) => {
        const { boxOf, millimetresAt } = frontLayout([one, other], SIZE, 60);
        const box = boxOf(one);
        const [left, top] = millimetresAt(box.x, box.y);
        expect(left).toBeCloseTo(one.x, 4);
        expect(top).toBeCloseTo(one.y + one.height, 4);
        const [right, bottom] = millimetresAt(box.x + box.width, box.y + box.height);
        expect(right).toBeCloseTo(one.x + one.width, 4);
        expect(bottom).toBeCloseTo(one.y, 4);
      }),
    );
  });

  it("of an empty piece leaves room for a cabinet to be drawn in", () => {
    const { left, right, top } = frontLayout([], SIZE, 60);
    expect([left, right]).toEqual([0, 1600]);
    expect(top).toBe(800);
  });
});
