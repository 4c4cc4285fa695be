import { describe, expect, it } from "vitest";
import type { Skin } from "../board/composite.ts";
import { fieldOn, gridOver } from "../board/grid.ts";
import { linearOf, luminanceOf } from "../colour/screen.ts";
import type { Zone } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { type Shaded, shadesOf, underLight } from "./shade.ts";
import type { Straightened } from "./straightened.ts";

const GRID = gridOver(300, 200, 10);
const [ZONE] = examplePlan({ shows: "x", ground: "raw timber", steps: [["scuff"]] }).pieces[0]!.zones as [Zone];
const OWN = luminanceOf(linearOf(ZONE.ground.colour));

/** A face whose light is so many times what its ground throws back in full light, and its detail at every place. */
const face = (
  light: (at: number) => number,
  { detail = () => 0, area = 1, zone = ZONE }: { detail?: (at: number) => number; area?: number; zone?: Zone } = {},
): Shaded => {
  const broad = fieldOn(GRID).map((_, at) => Math.log(OWN * light(at)));
  const straight: Straightened = { grid: GRID, broad, detail: fieldOn(GRID).map((_, at) => detail(at)) };
  return { straight, zone, size: { area } };
};
const mean = (values: ArrayLike<number>) => Array.from(values).reduce((sum, value) => sum + value, 0) / values.length;

describe("the light of a photo on a face", () => {
  it("in full light is full light", () => {
    const [shade] = shadesOf([face(() => 1)]);
    expect(mean(shade!)).toBeCloseTo(1, 2);
  });

  it("falls off as it does in the photo", () => {
    const [shade] = shadesOf([face((at) => 1 - (0.6 * (at % GRID.width)) / GRID.width)]);
    const row = shade!.slice(0, GRID.width);
    for (let column = 1; column < row.length; column++) expect(row[column]!).toBeLessThan(row[column - 1]!);
    expect(row[0]! / row.at(-1)!).toBeCloseTo(1 / (1 - (0.6 * (GRID.width - 1)) / GRID.width), 2);
  });

  it("is less on the side that is turned away from it", () => {
    const [front, side] = shadesOf([face(() => 1), face(() => 0.5)]);
    expect(mean(side!) / mean(front!)).toBeCloseTo(0.5, 2);
  });

  it("never makes white paint lighter than the white of the photo", () => {
    for (const light of [1.2, 2, 9]) {
      const [bright] = shadesOf([face((at) => (at % 3 === 0 ? light : light / 2))]);
      expect(Math.max(...bright!)).toBeLessThanOrEqual(1.06);
    }
  });

  it("is held to what a photo can mean: a ground that is darker than its colour says is no night", () => {
    const [dark] = shadesOf([face(() => 0.01)]);
    expect(mean(dark!)).toBeGreaterThanOrEqual(0.29);
  });

  it("paints over the grain of the timber, and keeps grooves and gaps", () => {
    const [grain] = shadesOf([face(() => 1, { detail: (at) => (at % 2 ? 0.08 : -0.08) })]);
    expect(Math.max(...grain!) - Math.min(...grain!)).toBeLessThan(0.01);
    const [groove] = shadesOf([face(() => 1, { detail: (at) => (at % 10 === 0 ? -1.2 : 0) })]);
    expect(groove![0]!).toBeLessThan(0.5 * groove![1]!);
  });

  it("keeps finer shapes on carving than on a plain board", () => {
    const carved: Zone = { ...ZONE, relief: { arris: 0.2, field: 0.3, high: 0.25, recess: 0.25 } };
    const plain: Zone = { ...ZONE, relief: { arris: 0.05, field: 0.95, high: 0, recess: 0 } };
    const cut = (at: number) => (at % 10 === 0 ? -0.14 : 0);
    const depth = (zone: Zone) => {
      const [shade] = shadesOf([face(() => 1, { detail: cut, zone })]);
      return 1 - shade![0]! / shade![1]!;
    };
    expect(depth(plain)).toBeLessThan(0.005);
    expect(depth(carved)).toBeGreaterThan(0.03);
  });

  it("goes by the largest faces: a small one in the dark does not darken the piece", () => {
    const alone = mean(shadesOf([face(() => 1, { area: 4 })])[0]!);
    const [large] = shadesOf([face(() => 1, { area: 4 }), face(() => 0.2, { area: 0.05 })]);
    expect(mean(large!)).toBeGreaterThan(0.9 * alone);
  });
});

describe("a finish under that light", () => {
  const skin = (colour: number, gloss = 0): Skin => {
    const all = (value: number) => fieldOn(GRID).fill(value);
    return { red: all(colour), green: all(colour), blue: all(colour), gloss: all(gloss), metal: all(0) };
  };
  const straight = face(() => 1).straight;
  const lit = (of: Skin, height = fieldOn(GRID), light = 1) =>
    underLight(of, height, { shade: fieldOn(GRID).fill(light), straight, grid: GRID }, 1);

  it("is its own colour in full light, and half as light in half of it", () => {
    expect(mean(lit(skin(0.4)))).toBeCloseTo(0.4, 3);
    expect(mean(lit(skin(0.4), fieldOn(GRID), 0.5))).toBeCloseTo(0.2, 3);
  });

  it("is lighter where it slopes to the light at the upper left, darker where it slopes away, within bounds", () => {
    const rising = fieldOn(GRID).map((_, at) => (at % GRID.width) * 3);
    const falling = rising.map((value) => -value);
    const flat = mean(lit(skin(0.4)));
    const [up, down] = [mean(lit(skin(0.4), rising)), mean(lit(skin(0.4), falling))];
    expect(up).toBeGreaterThan(flat);
    expect(down).toBeLessThan(flat);
    expect(up / flat).toBeLessThanOrEqual(1.23);
    expect(down / flat).toBeGreaterThanOrEqual(0.77);
  });

  it("shines where it is glossy, and only there", () => {
    expect(mean(lit(skin(0.1, 0.9)))).toBeGreaterThan(mean(lit(skin(0.1, 0))));
  });
});
