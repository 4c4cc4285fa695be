import { type Marks, marksOf } from "#core/board/hands/marks";
import { bodyColour, isTranslucent } from "#core/colour/material-colour";
import type { Material } from "#core/materials/material";
import type { ReliefClass, Step } from "#core/plan/plan";
import { RELIEF_CLASSES } from "#core/plan/plan";
import { TRACE } from "#core/surface/film";
import type { Surface } from "#core/surface/surface";
import { seedOf, waver } from "./noise";

// The section through the crust: an arris, a field, a groove, a bead and a field again, with every film on it as thick as the
// surface says, to a stretched scale.

export interface SectionSize {
  width: number;
  height: number;
}

export interface Layer {
  stepId: string;
  colour: string;
  /** the marks of the tool that laid it */
  marks: Marks;
  opacity: number;
  /** mean dry film by relief class, µm, with worn places counted as zero */
  micrometres: Record<ReliefClass, number>;
}

/** How translucent a strip of the section is drawn: films that let light through are drawn a little open. */
const opennessOf = (material: Material): number =>
  isTranslucent(material) ? (material.role === "clear" ? 0.75 : 0.93) : 1;

export interface Strip {
  layer: Layer;
  lower: number[];
  upper: number[];
}

export interface SectionGeometry {
  xs: number[];
  ground: number[];
  strips: Strip[];
  landmarks: { name: string; x: number }[];
}

const STEP = 3;
const bell = (x: number, centre: number, half: number) =>
  Math.abs(x - centre) >= half ? 0 : Math.cos(((x - centre) / half) * (Math.PI / 2)) ** 2;

/** Where along the drawing each relief class is, 0 to 1; the four add up to 1 everywhere. */
function classesAt(x: number, width: number): Record<ReliefClass, number> {
  const arris = bell(x, 0.075 * width, 0.105 * width);
  const recess = bell(x, 0.52 * width, 0.085 * width);
  const high = bell(x, 0.72 * width, 0.09 * width);
  return { arris, recess, high, field: Math.max(0, 1 - arris - recess - high) };
}

/** How far the timber falls away at the arris, within the foot of the drawing. */
const DROP = 98;
const GROOVE = 40;
const DEEPEST_GROOVE = 78;
/** So much of the groove stays visible, however much lies in it. */
const LEFT_OPEN = 9;
const BEAD = 34;

/** Height of the timber's surface over the field, in pixels, for a groove of this depth. */
function timberAt(x: number, width: number, groove: number): number {
  const intoArris = Math.max(0, 1 - x / (0.14 * width));
  return (
    -DROP * intoArris ** 2.4 - groove * bell(x, 0.52 * width, 0.105 * width) + BEAD * bell(x, 0.72 * width, 0.1 * width)
  );
}

const THINNEST = 2.4;
const THICKEST_SCALE = 6.4;

/**
 * Stretched scale: thin films stay visible, thick ones do not crowd them out. Part of a height is the same at any
 * scale.
 */
const fixedHeight = (micrometres: number) => Math.min(1, Math.max(0, micrometres) / TRACE / 4) * THINNEST;
const scaledHeight = (micrometres: number) => Math.max(0, micrometres) ** 0.62;

/** The films of a surface as layers, by step, from the ground up. */
export function layersOf(surface: Surface, steps: readonly Pick<Step, "id" | "how">[]): Layer[] {
  const hows = new Map(steps.map(({ id, how }) => [id, how]));
  const layers = new Map<string, Layer>();
  for (const relief of RELIEF_CLASSES)
    for (const patch of surface.patches[relief])
      for (let at = patch.stack; at !== null; at = at.below) {
        const { stepId, material, micrometres } = at.film;
        let layer = layers.get(stepId);
        if (!layer) {
          layer = {
            stepId,
            colour: bodyColour(material),
            marks: marksOf(hows.get(stepId) ?? "brush", material),
            opacity: opennessOf(material),
            micrometres: { arris: 0, field: 0, high: 0, recess: 0 },
          };
          layers.set(stepId, layer);
        }
        layer.micrometres[relief] += patch.share * micrometres;
      }
  return steps.flatMap(({ id }) => layers.get(id) ?? []);
}

function thicknessAt(layer: Layer, classes: Record<ReliefClass, number>): number {
  let micrometres = 0;
  for (const relief of RELIEF_CLASSES) micrometres += classes[relief] * layer.micrometres[relief];
  return micrometres;
}

/** Boundaries of every layer, left to right, in pixels from the top of the drawing. */
export function sectionGeometry(layers: readonly Layer[], size: SectionSize): SectionGeometry {
  const { width, height } = size;
  const xs: number[] = [];
  for (let x = 0; x <= width; x += STEP) xs.push(x);
  const classes = xs.map((x) => classesAt(x, width));
  const datum = height - 104;
  const room = datum - BEAD - 14;
  const thickness = layers.map((layer) => classes.map((here) => thicknessAt(layer, here)));
  const fixed = xs.map((_, index) => thickness.reduce((sum, along) => sum + fixedHeight(along[index]!), 0));
  const scaled = xs.map((_, index) => thickness.reduce((sum, along) => sum + scaledHeight(along[index]!), 0));
  const heightsAt = (scale: number) => fixed.map((height, index) => height + scale * scaled[index]!);
  let scale = THICKEST_SCALE;
  for (let tries = 0; tries < 30 && Math.max(0, ...heightsAt(scale)) > room; tries++) scale *= 0.88;

  // glaze and wax lie thick in the groove, so it is drawn deep enough for them, and what would still stand out is
  // levelled
  const drawn = heightsAt(scale);
  const nearest = (share: number) => drawn[Math.round((share * width) / STEP)] ?? 0;
  const level = nearest(0.3);
  const groove = Math.min(DEEPEST_GROOVE, Math.max(GROOVE, nearest(0.52) - level + 16));
  const pressed = xs.map((x, index) => {
    const most = level + Math.max(0, -timberAt(x, width, groove)) - LEFT_OPEN * classes[index]!.recess;
    return classes[index]!.recess > 0 && drawn[index]! > most ? most / drawn[index]! : 1;
  });
  const grain = waver(7, 34);
  // nothing is drawn past the foot of the drawing, so that no layer covers what is below it
  const ground = xs.map((x) => Math.min(height, datum - timberAt(x, width, groove) + grain(x) * 0.8));
  let below = ground;
  const strips = layers.map((layer, index): Strip => {
    const slow = waver(seedOf(layer.stepId), 26);
    const quick = waver(seedOf(layer.stepId) + 91, 7);
    const upper = xs.map((x, position) => {
      const here = thickness[index]![position]!;
      const thick = (fixedHeight(here) + scale * scaledHeight(here)) * pressed[position]!;
      const alive = Math.min(1, thick / 6) * (slow(x) * (1.2 + 0.05 * index) + quick(x) * 0.6);
      return below[position]! - Math.max(0, thick + alive);
    });
    const strip = { layer, lower: below, upper };
    below = upper;
    return strip;
  });
  return {
    xs,
    ground,
    strips,
    landmarks: [
      { name: "arris", x: 0.085 * width },
      { name: "field", x: 0.3 * width },
      { name: "groove", x: 0.52 * width },
      { name: "bead", x: 0.72 * width },
    ],
  };
}

const tenths = (value: number) => Math.round(value * 10);

/** A number of tenths as a path writes it: without what can be left out. */
const sayTenths = (value: number) => `${value < 0 ? "-" : ""}${Math.abs(value) / 10}`.replace(/^(-?)0\./, "$1.");

/** Points one after another, each from the one before: half as long as by their places, and a page holds many. */
function path(points: Iterable<readonly [x: number, y: number]>): string {
  let said = "";
  let before: [number, number] = [0, 0];
  for (const [x, y] of points) {
    const now: [number, number] = [tenths(x), tenths(y)];
    const [dx, dy] = [now[0] - before[0], now[1] - before[1]];
    said += `${said === "" ? "M" : "l"}${sayTenths(dx)}${dy < 0 ? "" : " "}${sayTenths(dy)}`;
    before = now;
  }
  return said;
}

const pointsOf = (xs: readonly number[], ys: readonly number[]) =>
  xs.map((x, index): [number, number] => [x, ys[index]!]);

/** A line through boundary points. */
export const linePath = (xs: readonly number[], ys: readonly number[]) => path(pointsOf(xs, ys));

/** The closed outline between two boundaries. */
export const bandPath = (xs: readonly number[], lower: readonly number[], upper: readonly number[]): string =>
  `${path([...pointsOf(xs, upper), ...pointsOf(xs, lower).reverse()])}Z`;

/** A boundary part of the way up a strip. */
export const between = (strip: Strip, part: number): number[] =>
  strip.lower.map((low, index) => low + (strip.upper[index]! - low) * part);
