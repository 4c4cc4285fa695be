import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { judge } from "#core/judge/judge";
import { type ExampleStep, examplePlan } from "#core/rules/example";
import { hobnailYard } from "#demo/hobnail-yard";
import { plan as anyPlan } from "../../tests/random-crusts";
import { randomFrom, waver } from "./noise";
import { bandPath, between, layersOf, linePath, type SectionGeometry, sectionGeometry } from "./section-profile";

const SIZE = { width: 316, height: 520 };

function drawn(steps: ExampleStep[]): SectionGeometry {
  const { crust, after } = judge(examplePlan({ shows: "drawn", ground: "raw timber", species: "pine", steps }))
    .zones[0]!;
  return sectionGeometry(layersOf(after, crust.steps), SIZE);
}
const thickAt = ({ xs, strips }: SectionGeometry, stepId: string, share: number) => {
  const strip = strips.find((strip) => strip.layer.stepId === stepId)!;
  const at = Math.round((share * SIZE.width) / (xs[1]! - xs[0]!));
  return strip.lower[at]! - strip.upper[at]!;
};
const [ARRIS, FIELD, GROOVE] = [0.09, 0.3, 0.52];

describe("the section", () => {
  it("lays layers in the order of the crust, each on the one beneath, none inside out", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const { crust, after } of judge(plan).zones) {
          const order = crust.steps.map((step) => step.id);
          const { strips, ground } = sectionGeometry(layersOf(after, crust.steps), SIZE);
          let below = ground;
          let place = -1;
          for (const { layer, lower, upper } of strips) {
            expect(order.indexOf(layer.stepId)).toBeGreaterThan(place);
            place = order.indexOf(layer.stepId);
            expect(lower).toBe(below);
            for (const [at, y] of upper.entries()) expect(y).toBeLessThanOrEqual(lower[at]! + 1e-9);
            below = upper;
          }
          for (const y of below) expect(y).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("shows wear: distressed paint is thin on the arris and whole in the groove", () => {
    const whole = drawn([
      ["brush", "tint-base-walnut"],
      ["brush", "chalk-bone-white"],
    ]);
    const worn = drawn([["brush", "tint-base-walnut"], ["brush", "chalk-bone-white"], ["wet-distress"]]);
    expect(thickAt(worn, "s2", ARRIS)).toBeLessThan(0.6 * thickAt(whole, "s2", ARRIS));
    expect(thickAt(worn, "s2", GROOVE)).toBeCloseTo(thickAt(whole, "s2", GROOVE), 0);
  });

  it("shows dark wax thick in the groove and thin on the field", () => {
    const waxed = drawn([
      ["brush", "mineral-oyster"],
      ["wax", "wax-dark"],
    ]);
    expect(thickAt(waxed, "s2", GROOVE)).toBeGreaterThan(1.5 * thickAt(waxed, "s2", FIELD));
  });

  it("never lets what lies in a groove stand out of it", () => {
    for (const plan of hobnailYard())
      for (const { crust, after } of judge(plan).zones) {
        const { xs, strips } = sectionGeometry(layersOf(after, crust.steps), SIZE);
        const top = strips.at(-1)!.upper;
        const at = (share: number) => top[Math.round((share * SIZE.width) / (xs[1]! - xs[0]!))]!;
        expect(at(GROOVE), `${plan.title}, ${crust.name}`).toBeGreaterThan(at(FIELD) - 4);
      }
  });

  it("keeps eighty steps inside its frame", () => {
    const steps: ExampleStep[] = Array.from({ length: 78 }, (_, index) => [
      "brush",
      index % 2 ? "mineral-oyster" : "mineral-storm",
    ]);
    const { strips } = drawn(steps);
    expect(strips).toHaveLength(78);
    expect(Math.min(...strips.at(-1)!.upper)).toBeGreaterThan(0);
  });

  it("is the same each time, and alive: no boundary is ruled", () => {
    const sectionGeometry = drawn([
      ["brush", "mineral-storm"],
      ["brush", "mineral-oyster"],
    ]);
    expect(
      drawn([
        ["brush", "mineral-storm"],
        ["brush", "mineral-oyster"],
      ]),
    ).toEqual(sectionGeometry);
    const flat = sectionGeometry.strips[0]!.upper.slice(32, 46);
    expect(new Set(flat.map((y) => y.toFixed(2))).size).toBeGreaterThan(5);
  });

  it("draws bare ground where nothing lies", () => {
    const { strips, ground } = sectionGeometry([], SIZE);
    expect(strips).toEqual([]);
    expect(Math.max(...ground)).toBeLessThan(SIZE.height + 200);
  });
});

describe("paths", () => {
  it("run along the boundary and close around the band", () => {
    expect(linePath([0, 3, 6], [1, 2.04, 1.7])).toBe("M0 1l3 1l3-.3");
    expect(bandPath([0, 3], [10, 10], [5, 5])).toBe("M0 5l3 0l0 5l-3 0Z");
  });

  it("stay within a twentieth of a pixel, however long", () => {
    const xs = Array.from({ length: 400 }, (_, index) => index * 1.37);
    const ys = xs.map((x) => 80 + 60 * Math.sin(x / 9) * Math.cos(x / 31));
    let [x, y] = [0, 0];
    const numbers = [...linePath(xs, ys).matchAll(/-?\d*\.?\d+/g)].map(Number);
    expect(numbers).toHaveLength(2 * xs.length);
    for (const index of xs.keys()) {
      x += numbers[2 * index]!;
      y += numbers[2 * index + 1]!;
      expect(Math.abs(x - xs[index]!)).toBeLessThan(0.0501);
      expect(Math.abs(y - ys[index]!)).toBeLessThan(0.0501);
    }
  });

  it("between two boundaries lies a part of the way", () => {
    const strip = {
      layer: {
        stepId: "a",
        colour: "#000000",
        marks: "strokes" as const,
        opacity: 1,
        micrometres: { arris: 1, field: 1, high: 1, recess: 1 },
      },
      lower: [10, 20],
      upper: [0, 10],
    };
    expect(between(strip, 0.5)).toEqual([5, 15]);
  });
});

describe("noise", () => {
  it("repeats by seed, differs between seeds, and stays within its bounds", () => {
    fc.assert(
      fc.property(fc.integer(), fc.double({ min: -500, max: 500, noNaN: true }), (seed, x) => {
        const value = waver(seed, 20)(x);
        expect(value).toBe(waver(seed, 20)(x));
        expect(Math.abs(value)).toBeLessThanOrEqual(1);
        const next = randomFrom(seed)();
        expect(next).toBeGreaterThanOrEqual(0);
        expect(next).toBeLessThan(1);
      }),
    );
  });
});
