import { isDeepStrictEqual } from "node:util";
import { describe, expect, it } from "vitest";
import { type Crack, crackDistance, crackMask, crackSpacing, growCracks } from "./crackle.ts";
import { type Grid, gridOf, PANEL_HEIGHT, PANEL_WIDTH } from "./grid.ts";

const grid = gridOf(900);
const along = () => false;

/** Mean distance between cracks on straight lines across the panel, in millimetres: counted on where a crack is at all. */
function chord(cracks: readonly Crack[], way: "across" | "down", on: Grid = grid): number {
  const { ratio } = crackDistance(cracks, on);
  const width = way === "across" ? on.width : on.height;
  const lines = way === "across" ? on.height : on.width;
  let crossings = 0;
  for (let line = 0; line < lines; line += 7) {
    let inside = false;
    for (let place = 0; place < width; place++) {
      const at = way === "across" ? line * on.width + place : place * on.width + line;
      const cracked = ratio[at]! <= 1;
      if (cracked && !inside) crossings++;
      inside = cracked;
    }
  }
  const walked = Math.ceil(lines / 7) * (way === "across" ? PANEL_WIDTH : PANEL_HEIGHT);
  return walked / crossings;
}
const PANEL = { wide: PANEL_WIDTH, tall: PANEL_HEIGHT };
const cracksOf = (spacing: number, seed = 1) => growCracks({ ...PANEL, spacing, upright: along, seed });

describe("crackle", () => {
  it("spacing is linear in the medium (Groisman and Kaplan 1994), and grows a little with the paint over it", () => {
    expect(crackSpacing(110, 30) / crackSpacing(50, 30)).toBeCloseTo(2.2, 6);
    expect(crackSpacing(60, 60)).toBeGreaterThan(crackSpacing(60, 30));
    expect(crackSpacing(60, 60)).toBeLessThan(1.5 * crackSpacing(60, 30));
  });

  it("grows cracks at the spacing asked for, over a wide range", () => {
    for (const spacing of [4, 6, 8, 11]) {
      const cracks = cracksOf(spacing);
      const mean = Math.sqrt(chord(cracks, "across") * chord(cracks, "down"));
      expect(mean / spacing).toBeGreaterThan(0.8);
      expect(mean / spacing).toBeLessThan(1.35);
    }
  });

  it("doubles the distance between cracks when the medium is about twice as thick", () => {
    const mean = (medium: number) => {
      const cracks = cracksOf(crackSpacing(medium, 30), 4);
      return Math.sqrt(chord(cracks, "across") * chord(cracks, "down"));
    };
    const ratio = mean(110) / mean(50);
    expect(ratio).toBeGreaterThan(1.8);
    expect(ratio).toBeLessThan(2.5);
  });

  it("follows the stroke: cracks lie closer across it than along it, and turn with it", () => {
    const cracks = cracksOf(6);
    expect(chord(cracks, "across") / chord(cracks, "down")).toBeGreaterThan(1.15);
    const upright = growCracks({ ...PANEL, spacing: 6, upright: () => true, seed: 1 });
    expect(chord(upright, "down") / chord(upright, "across")).toBeGreaterThan(1.05);
  });

  it("is no mesh of equal cells: cracks are of unlike width, the long first ones widest", () => {
    const cracks = cracksOf(6);
    const mean = (of: readonly Crack[], what: (crack: Crack) => number) =>
      of.reduce((sum, crack) => sum + what(crack), 0) / of.length;
    const first = cracks.filter(({ generation }) => generation === 0);
    const last = cracks.filter(({ generation }) => generation === 4);
    expect(first.length).toBeGreaterThan(4);
    expect(last.length).toBeGreaterThan(20);
    expect(mean(first, (crack) => crack.halfWidth)).toBeGreaterThan(2 * mean(last, (crack) => crack.halfWidth));
    expect(mean(first, (crack) => crack.points.length)).toBeGreaterThan(
      1.5 * mean(last, (crack) => crack.points.length),
    );
  });

  it("opens the share that is asked for, at every spacing, and only where it may", () => {
    const sample = Int32Array.from({ length: 20_000 }, (_, index) => (index * 12_007) % (grid.width * grid.height));
    for (const spacing of [3.5, 7]) {
      const mask = crackMask(cracksOf(spacing), grid, sample, 0.15, (at) => at % grid.width > 300);
      let sum = 0;
      let count = 0;
      let forbidden = 0;
      mask.forEach((open, index) => {
        if (index % grid.width <= 300) forbidden += open;
        else {
          sum += open;
          count++;
        }
      });
      expect(forbidden).toBe(0);
      expect(sum / count).toBeGreaterThan(0.135);
      expect(sum / count).toBeLessThan(0.165);
    }
  });

  it("is the same by its seed", () => {
    const [one, same, other] = [cracksOf(7, 2), cracksOf(7, 2), cracksOf(7, 3)];
    expect(isDeepStrictEqual(same, one)).toBe(true);
    expect(isDeepStrictEqual(other, one)).toBe(false);
    expect(one.every(({ points }) => points.every((value) => Number.isFinite(value)))).toBe(true);
  });
});
