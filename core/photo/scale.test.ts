import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bothWays, scaleBy, type Taped } from "./scale.ts";

const taped = (dx: number, dy: number, across: number, down: number): Taped => ({
  dx,
  dy,
  millimetres: Math.hypot(dx * across, dy * down),
});

describe("how large a face is, by tape", () => {
  it("worked by hand: a width of 300 over 3 units and a height of 800 over 4 are 100 and 200 a unit", () => {
    const found = bothWays([
      { dx: 3, dy: 0, millimetres: 300 },
      { dx: 0, dy: 4, millimetres: 800 },
    ])!;
    expect(found.across).toBeCloseTo(100, 9);
    expect(found.down).toBeCloseTo(200, 9);
  });

  it("is one scale for both ways by one length, slanting or not", () => {
    expect(scaleBy([{ dx: 3, dy: 4, millimetres: 1000 }])).toEqual({ across: 200, down: 200, by: "length" });
    expect(bothWays([{ dx: 3, dy: 4, millimetres: 1000 }])).toBeNull();
  });

  it("is the mean of lengths that run the same way, each counted by how long it is", () => {
    const lengths = [
      { dx: 1, dy: 0, millimetres: 102 },
      { dx: 9, dy: 0, millimetres: 900 },
    ];
    expect(bothWays(lengths)).toBeNull();
    const { across } = scaleBy(lengths);
    expect(across).toBeGreaterThan(100);
    expect(across).toBeLessThan(100.1);
  });

  it("finds both scales from any lengths that run in two directions", () => {
    const scale = fc.double({ min: 20, max: 900, noNaN: true });
    const reach = fc.double({ min: 0.4, max: 3, noNaN: true });
    fc.assert(
      fc.property(scale, scale, reach, reach, reach, (across, down, a, b, c) => {
        const found = bothWays([taped(a, 0, across, down), taped(0, b, across, down), taped(c, c, across, down)])!;
        expect(found.across / across).toBeCloseTo(1, 6);
        expect(found.down / down).toBeCloseTo(1, 6);
      }),
    );
  });
});
