import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { toScreen } from "../colour/screen.ts";
import type { Skin } from "./composite.ts";
import { gridOf, pixelsOf } from "./grid.ts";
import { type Lighting, USUAL_LIGHTING } from "./light-place.ts";
import { lit, shownHeight } from "./lighting.ts";
import type { PanelRelief } from "./relief.ts";

const grid = gridOf(150);
const COUNT = pixelsOf(grid);
const MIDDLE = Math.floor(grid.height / 2) * grid.width + Math.floor(grid.width / 2);

const field = (value: number) => new Float32Array(COUNT).fill(value);
// lighting asks a relief for its grid and its grooves alone
const flat = { grid, recess: field(0), height: field(0) } as PanelRelief;

const skinOf = (more: Partial<Record<keyof Skin, number>> = {}): Skin => ({
  red: field(more.red ?? 0.4),
  green: field(more.green ?? 0.3),
  blue: field(more.blue ?? 0.2),
  gloss: field(more.gloss ?? 0),
  metal: field(more.metal ?? 0),
});
const light = (skin: Skin, height = field(0), lighting: Lighting = USUAL_LIGHTING, relief = flat) =>
  lit(skin, height, relief, lighting);
const at = (pixels: Uint8ClampedArray, place: number) => [
  pixels[4 * place]!,
  pixels[4 * place + 1]!,
  pixels[4 * place + 2]!,
];
/** A ridge that runs up and down the middle. */
const ridge = Float32Array.from(
  { length: COUNT },
  (_, place) => 3 * Math.exp(-(((place % grid.width) - 75) ** 2) / 60),
);

describe("light on a board", () => {
  it("leaves a flat matt face in its own colour", () => {
    const [red, green, blue] = at(light(skinOf()), MIDDLE);
    expect(Math.abs(red! - 255 * toScreen(0.4))).toBeLessThan(2);
    expect(Math.abs(green! - 255 * toScreen(0.3))).toBeLessThan(2);
    expect(Math.abs(blue! - 255 * toScreen(0.2))).toBeLessThan(2);
  });

  it("is brighter on the side that faces it, and turns with it", () => {
    const row = Math.floor(grid.height / 2) * grid.width;
    const sides = (azimuth: number) => {
      const pixels = light(skinOf(), ridge, { azimuth, elevation: 30 });
      return { left: pixels[4 * (row + 69)]!, right: pixels[4 * (row + 81)]! };
    };
    expect(sides(180).left).toBeGreaterThan(sides(180).right + 20);
    expect(sides(0).right).toBeGreaterThan(sides(0).left + 20);
  });

  it("throws longer contrasts the lower it stands", () => {
    const spread = (elevation: number) => {
      const pixels = light(skinOf(), ridge, { azimuth: 180, elevation });
      const reds = Array.from({ length: grid.width }, (_, column) => pixels[4 * (50 * grid.width + column)]!);
      return Math.max(...reds) - Math.min(...reds);
    };
    expect(spread(18)).toBeGreaterThan(spread(38));
    expect(spread(38)).toBeGreaterThan(spread(70));
  });

  it("falls into grooves less", () => {
    const grooved = { ...flat, recess: field(1) } as PanelRelief;
    expect(at(light(skinOf(), field(0), USUAL_LIGHTING, grooved), MIDDLE)[0]!).toBeLessThan(
      at(light(skinOf()), MIDDLE)[0]! - 20,
    );
  });

  it("gleams white on gloss and in its own colour on metal", () => {
    const low = { azimuth: 180, elevation: 76 };
    const matt = at(light(skinOf({ red: 0.1, green: 0.05, blue: 0.02 }), field(0), low), MIDDLE);
    const gloss = at(light(skinOf({ red: 0.1, green: 0.05, blue: 0.02, gloss: 0.6 }), field(0), low), MIDDLE);
    expect(gloss[2]!).toBeGreaterThan(matt[2]!);
    const metal = at(light(skinOf({ red: 0.4, green: 0.25, blue: 0.05, gloss: 0.6, metal: 1 }), field(0), low), MIDDLE);
    const paint = at(light(skinOf({ red: 0.4, green: 0.25, blue: 0.05, gloss: 0.6 }), field(0), low), MIDDLE);
    expect(metal[0]! / Math.max(1, metal[2]!)).toBeGreaterThan(paint[0]! / Math.max(1, paint[2]!));
  });

  it("is sound at every pixel, to the corners, whatever the light and the shape", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 10, max: 80 }),
        fc.integer({ min: 40, max: 130 }),
        (azimuth, elevation, width) => {
          const small = gridOf(width);
          const count = pixelsOf(small);
          const fill = (value: number) => new Float32Array(count).fill(value);
          const skin: Skin = { red: fill(0.5), green: fill(0.5), blue: fill(0.5), gloss: fill(0.2), metal: fill(0) };
          const relief = { grid: small, recess: fill(0), height: fill(0) } as PanelRelief;
          const pixels = lit(skin, fill(1), relief, { azimuth, elevation });
          for (let place = 0; place < count; place++) {
            if (pixels[4 * place + 3] !== 255) return false;
            // an even face is lit evenly: a corner as the middle, within the lamp's own fall-off
            if (pixels[4 * place]! <= 120) return false;
          }
          return true;
        },
      ),
      { numRuns: 20 },
    );
  });

  it("shows films steeper than they are, and the panel as it is", () => {
    const films = field(100);
    const height = shownHeight({ ...flat, height: field(2) } as PanelRelief, films, field(0));
    expect(height[MIDDLE]).toBeCloseTo(2 + 0.35, 5);
  });
});
