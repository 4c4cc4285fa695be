import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { outlineOf } from "../plan/outline.ts";
import { PLACES, RELIEF_CLASSES } from "../plan/plan.ts";
import { EVERYWHERE, PLACE_SHARE, type Region, shareOfClass } from "../surface/places.ts";
import { reliefAt } from "./board.ts";
import { classFactors, shaped } from "./lay.ts";
import { cloudScore, maskOf, regionOf } from "./mask.ts";

const relief = reliefAt("carved", 300);
const shareIn = (mask: Float32Array, name: (typeof RELIEF_CLASSES)[number]) => {
  let sum = 0;
  let whole = 0;
  for (const at of relief.sample) {
    sum += mask[at]! * relief.belongs[name][at]!;
    whole += relief.belongs[name][at]!;
  }
  return sum / whole;
};
const part = fc.double({ min: 0.05, max: 0.95, noNaN: true });

describe("a mask", () => {
  it("covers the given share of every relief class, wherever its score lies", () => {
    fc.assert(
      fc.property(
        fc.record({ arris: part, field: part, high: part, recess: part }),
        fc.constantFrom(0.1, 0.5, 1.5),
        fc.integer({ min: 1, max: 99 }),
        (any, softness, seed) => {
          // hands differ from class to class, but not without end: an arris is a line of pixels that all belong a little
          // to what lies beside it
          const share = { ...any, arris: Math.min(0.95, Math.max(any.arris, any.field), any.field + 0.4) };
          const mask = maskOf({ score: cloudScore(relief, seed, 12), share, softness }, relief);
          for (const name of RELIEF_CLASSES)
            expect(Math.abs(shareIn(mask, name) - share[name])).toBeLessThan(name === "arris" ? 0.12 : 0.06);
        },
      ),
      { numRuns: 25 },
    );
  });

  it("is everything for a whole share, and nothing for none", () => {
    const score = cloudScore(relief, 1, 12);
    const whole = maskOf({ score, share: { arris: 1, field: 1, high: 1, recess: 1 }, softness: 1 }, relief);
    expect(Math.min(...whole.slice(0, 5000))).toBe(1);
    const none = maskOf({ score, share: { arris: 0, field: 0, high: 0, recess: 0 }, softness: 1 }, relief);
    expect(Math.max(...none.slice(0, 5000))).toBe(0);
  });

  it("takes the same share of each kind of place, so that one taking does not favour what another left", () => {
    const kinds = { of: Uint8Array.from(relief.height, (_, index) => (index % 300 < 90 ? 0 : 1)), count: 2 };
    const share = { arris: 0.4, field: 0.4, high: 0.4, recess: 0.4 };
    // a score that by itself would take nearly all of it on one side
    const score = Float32Array.from(relief.height, (_, index) => (index % 300) / 300);
    const mask = maskOf({ score, share, softness: 0.05, kinds }, relief);
    for (const kind of [0, 1]) {
      let sum = 0;
      let count = 0;
      mask.forEach((value, index) => {
        if (kinds.of[index] !== kind) return;
        sum += value;
        count++;
      });
      expect(sum / count).toBeGreaterThan(0.32);
      expect(sum / count).toBeLessThan(0.48);
    }
  });

  it("of a named place takes the share of a face that the surface state gives it", () => {
    for (const place of PLACES) {
      const region = regionOf(
        { ...EVERYWHERE, on: place },
        { relief, boardSeed: 5, sizes: PLACE_SHARE, outlines: {} },
      )!;
      for (const name of ["field", "high", "recess"] as const)
        expect(Math.abs(shareIn(region, name) - PLACE_SHARE[place])).toBeLessThan(0.04);
    }
    expect(regionOf(EVERYWHERE, { relief, boardSeed: 5, sizes: PLACE_SHARE, outlines: {} })).toBeNull();
    const border = regionOf(
      { ...EVERYWHERE, on: "border" },
      { relief, boardSeed: 5, sizes: PLACE_SHARE, outlines: {} },
    )!;
    const middle = 100 * 300 + 150;
    expect(border[middle]).toBe(0);
  });

  it("of a place drawn by hand lies where it is drawn, and nowhere else", () => {
    const outlines = { motif: [outlineOf({ round: false, left: 0.05, top: 0.1, width: 0.3, height: 0.6 })] };
    const sizes = { ...PLACE_SHARE, motif: 0.3 * 0.6 };
    const region = regionOf({ ...EVERYWHERE, on: "motif" }, { relief, boardSeed: 5, sizes, outlines })!;
    const { width, height } = relief.grid;
    const at = (x: number, y: number) => region[Math.round(y * height) * width + Math.round(x * width)]!;
    expect(at(0.2, 0.4)).toBe(1);
    expect(at(0.1, 0.2)).toBe(1);
    for (const [x, y] of [
      [0.6, 0.4],
      [0.5, 0.5],
      [0.2, 0.9],
      [0.9, 0.1],
    ] as const)
      expect(at(x, y), `${x} ${y}`).toBe(0);
    expect(region.reduce((sum, value) => sum + value, 0) / region.length).toBeCloseTo(sizes.motif, 2);
  });

  it("of places joined and left out takes what the surface state takes", () => {
    const bench = { relief, boardSeed: 5, sizes: { ...PLACE_SHARE, motif: 0.3 }, outlines: {} };
    const regions: Region[] = [
      { ...EVERYWHERE, but: ["motif"] },
      { ...EVERYWHERE, on: "hands", also: ["patch"] },
      { on: "high", also: ["patch"], but: ["motif"] },
    ];
    for (const region of regions)
      for (const name of ["field", "high"] as const) {
        const drawn = shareIn(regionOf(region, bench)!, name);
        expect(Math.abs(drawn - shareOfClass(region, name, bench.sizes)), JSON.stringify(region)).toBeLessThan(0.07);
      }
  });
});

describe("the profile of a technique", () => {
  it("comes out class by class, whatever the texture", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99 }), (seed) => {
        const texture = cloudScore(relief, seed, 8).map((value) => Math.max(0.2, 1 + 0.3 * value));
        const profile = { arris: 0.6, field: 1, high: 0.85, recess: 1.3 };
        const film = shaped(texture, classFactors(texture, profile, relief), 40, relief);
        for (const name of RELIEF_CLASSES)
          expect(Math.abs(shareIn(film, name) / (40 * profile[name]) - 1)).toBeLessThan(0.03);
      }),
      { numRuns: 12 },
    );
  });
});
