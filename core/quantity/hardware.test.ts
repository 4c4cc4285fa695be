import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { doubtOfHoles, holesFrom, oldHole, placesOn, SCREW_LENGTHS, screwFor } from "./hardware.ts";
import { diameterOf, doubtOf, quartersOf } from "./round.ts";

describe("holes of a handle", () => {
  it("91 mm between the inner edges and 101 between the outer are 96 mm between centres, and 5 mm holes", () => {
    expect(holesFrom(91, 101)).toEqual({ centres: 96, diameter: 5 });
  });

  it.each<[number, number]>([
    [101, 91],
    [0, 20],
    [50, 50],
    [Number.NaN, 20],
  ])("%d and %d are no measures", (inner, outer) => {
    expect(holesFrom(inner, outer)).toBeNull();
  });

  it("whatever the holes, both measures come back from them", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 12, noNaN: true }),
        (centres, hole) => {
          const found = holesFrom(centres - hole, centres + hole)!;
          expect(found.centres).toBeCloseTo(centres, 6);
          expect(found.diameter).toBeCloseTo(hole, 6);
        },
      ),
    );
  });

  it("are doubted when they cannot be those of a handle", () => {
    expect(doubtOfHoles({ centres: 96, diameter: 5 })).toBeNull();
    expect(doubtOfHoles({ centres: 96, diameter: 30 })).toMatch(/30 mm wide/);
    expect(doubtOfHoles({ centres: 900, diameter: 5 })).toMatch(/600 mm/);
  });

  it("lie in the middle of a front, or so far from its top", () => {
    expect(placesOn({ width: 400, height: 120 }, { centres: 96, count: 2 })).toEqual([
      { x: 152, y: 60 },
      { x: 248, y: 60 },
    ]);
    expect(placesOn({ width: 400, height: 120 }, { centres: 96, count: 1, fromTop: 30 })).toEqual([{ x: 200, y: 90 }]);
  });

  it("an old hole is used, plugged first, hidden or plugged, the further the new one is from it", () => {
    const its = { hole: 5, plate: 30 };
    expect([0, 4, 11, 20].map((apart) => oldHole(apart, its))).toEqual([
      "use",
      "plug before drilling",
      "hidden",
      "plug",
    ]);
  });
});

describe("the screw of a handle", () => {
  it("through 19 mm into a thread of 12 mm is 25 mm long", () => {
    expect(screwFor(19, 12)).toEqual({ length: 25, least: 25, most: 30 });
  });

  it("holds, and never reaches the bottom of its thread", () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 45 }), fc.integer({ min: 4, max: 25 }), (panel, thread) => {
        const { length, least, most } = screwFor(panel, thread);
        expect(length === null).toBe(!SCREW_LENGTHS.some((screwLength) => screwLength >= least && screwLength <= most));
        if (length === null) return;
        expect(length).toBeLessThan(panel + thread);
        expect(length).toBeGreaterThan(panel);
      }),
    );
  });
});

describe("round things", () => {
  it("163 mm round is 52 mm across", () => {
    expect(diameterOf(163.36)).toBeCloseTo(52, 1);
  });

  it("a knob of 40 mm is parted every 31.4 mm round its edge, and holds a square of 28.3 mm", () => {
    const { quarter, square } = quartersOf(40);
    expect(quarter).toBeCloseTo(31.416, 3);
    expect(square).toBeCloseTo(28.284, 3);
  });

  it("are doubted when nobody turns them so, and told apart from what was measured round", () => {
    expect(doubtOf("leg", 60)).toBeNull();
    expect(doubtOf("leg", 314)).toMatch(/If the tape went round it, it is 100 mm across/);
    expect(doubtOf("knob", 900)).toMatch(/Measure it again/);
    expect(doubtOf("disc", 4)).toMatch(/Measure it again/);
  });
});
