import type { Skin } from "../board/composite.ts";
import type { Field, Grid } from "../board/grid.ts";
import { linearOf, luminanceOf } from "../colour/screen.ts";
import type { Zone } from "../plan/plan.ts";
import type { Straightened } from "./straightened.ts";

// The light of the photo: how much of it falls on every face, and how a painted one looks in it.

/** A face as it is shaded: what the photo shows of it, and of which zone it is. */
export interface Shaded {
  straight: Straightened;
  zone: Zone;
  size: { area: number };
}

/** The value that so large a part of the field lies under, by a sample of it. */
function quantile(values: Field, part: number): number {
  const step = Math.max(1, Math.floor(values.length / SAMPLED));
  const some = Float32Array.from(
    { length: Math.ceil(values.length / step) },
    (_, index) => values[index * step]!,
  ).sort();
  return some[Math.min(some.length - 1, Math.floor(part * some.length))] ?? 0;
}

const SAMPLED = 5000;
const middleOf = (values: Field): number => quantile(values, 0.5);

/** How far grain, stains and old paint go from light to dark, as a natural logarithm: less than that is no shape, and is painted over. */
const GRAIN = { plain: 0.16, carved: 0.09 } as const;
const DARKEST_SHADE = -1.7;
const LIGHTEST_SHADE = 0.35;

/** What of the detail of a photo stays when the face is painted: grooves, gaps and carving, and not the grain. */
function shapeIn(detail: number, grain: number): number {
  if (detail < 0) return Math.max(DARKEST_SHADE, Math.min(0, detail + grain));
  return Math.min(LIGHTEST_SHADE, 0.6 * Math.max(0, detail - grain));
}

/** How light a photo may be for its grounds before it is taken that their colours are wrong. */
const LIGHT = { least: 0.3, most: 1.25 } as const;
/** How much lighter or darker one face may be than the photo. */
const FACE_LIGHT = { least: 0.35, most: 1.7 } as const;
/** White paint in full light comes to this: a little under the white of the photo. */
const FULL = 1.02;

const bounded = (value: number, { least, most }: { least: number; most: number }) =>
  Math.min(most, Math.max(least, value));

/** How the photo's light falls on every face, against its ground in full light. */
export function shadesOf(faces: readonly Shaded[]): Field[] {
  const middles = faces.map(
    ({ straight, zone }) => Math.exp(middleOf(straight.broad)) / luminanceOf(linearOf(zone.ground.colour)),
  );
  const weights = faces.map(({ size }) => size.area);
  const whole = weights.reduce((sum, weight) => sum + weight, 0) || 1;
  const mean = middles.reduce((sum, middle, index) => sum + Math.log(middle) * weights[index]!, 0) / whole;
  const light = bounded(Math.exp(mean), LIGHT);
  const shades = faces.map(({ straight, zone }, index) => {
    const { broad, detail } = straight;
    const middle = middleOf(broad);
    const own = light * bounded(middles[index]! / Math.exp(mean), FACE_LIGHT);
    const grain = zone.relief.recess + zone.relief.high > 0.2 ? GRAIN.carved : GRAIN.plain;
    return broad.map((value, index) => own * Math.exp(value - middle + shapeIn(detail[index]!, grain)));
  });
  const brightest = Math.max(...shades.map((shade) => quantile(shade, 0.97)), 0);
  const down = brightest > FULL ? FULL / brightest : 1;
  return shades.map((shade) => shade.map((value) => value * down));
}

/** How much a slope of the films turns light and dark, and how far at most. */
const SLOPE = 1.1;
const MOST_SLOPE = 0.22;
/** What a glossy film throws back of a bright light. */
const SHEEN = 0.16;

/** A skin under the light of the photo: linear red, green and blue, one run after the other. */
export function underLight(
  { red, green, blue, gloss }: Skin,
  height: Field,
  { shade, straight, grid }: { shade: Field; straight: Straightened; grid: Grid },
  lighter: number,
) {
  const { width } = grid;
  const count = red.length;
  const lit = new Float32Array(3 * count);
  const middle = middleOf(straight.broad);
  for (let at = 0; at < count; at++) {
    const column = at % width;
    const right = column + 1 < width ? height[at + 1]! : height[at]!;
    const below = at + width < count ? height[at + width]! : height[at]!;
    // light from the upper left, as in most rooms and on our boards
    const slope = (SLOPE * (right - height[at]! + below - height[at]!)) / grid.millimetres;
    const own = shade[at]! * lighter;
    const light = own * (1 + Math.min(MOST_SLOPE, Math.max(-MOST_SLOPE, slope)));
    const sheen = own * SHEEN * gloss[at]! * gloss[at]! * Math.min(1, Math.max(0, straight.broad[at]! - middle + 0.15));
    lit[at] = red[at]! * light + sheen;
    lit[count + at] = green[at]! * light + sheen;
    lit[2 * count + at] = blue[at]! * light + sheen;
  }
  return lit;
}
