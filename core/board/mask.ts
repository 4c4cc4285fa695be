import { distanceToEdge, type Outlines } from "../plan/outline.ts";
import { type PlaceOnFace, RELIEF_CLASSES } from "../plan/plan.ts";
import { type ByRelief, byRelief } from "../surface/effect.ts";
import { isPlace, isSimple, joined, type Region, takesClass } from "../surface/places.ts";
import { type Field, fieldOn, smoothstep } from "./grid.ts";
import type { WorkedBoard } from "./hands/hand.ts";
import { Memory, reckon } from "./kernels.ts";
import type { Kinds } from "./layers.ts";
import { clouds, noise } from "./noise.ts";
import { classesIn, type PanelRelief } from "./relief.ts";

// Where something works is drawn by a score; how much of each relief class it covers comes from the effect. A mask is the score
// cut at thresholds that give each class its share, so that the picture and the surface agree.

export interface Cut {
  score: Field;
  /** share of each relief class, 0 to 1, within the region */
  share: ByRelief;
  /** width of the edge, in units of the score */
  softness: number;
  /** 0 to 1 a pixel: outside it nothing is taken in */
  region?: Field | null;
  /** which films lie at each pixel: each kind of place gives its own share, as the patches of the surface do */
  kinds?: Kinds | null;
}

/** Times a threshold is halved in on: first on a part of the sample, whose pixels are spread as evenly as the whole. */
const ROUGH_CUTS = 8;
const FINE_CUTS = 7;
const ROUGH_PART = 0.25;
/** How far around a rough threshold the fine one is looked for, as a part of all there is. */
const LOOK_AROUND = 0.12;

/** A sample of a field, in the order of the sample. */
export function sampled(field: ArrayLike<number>, sample: Int32Array): Float32Array {
  const values = new Float32Array(sample.length);
  for (let at = 0; at < sample.length; at++) values[at] = field[sample[at]!]!;
  return values;
}

/** Thresholds by group and class, halved in on until every class has its share. */
function thresholds(cut: Cut, { sampledClasses, sample }: PanelRelief): Float32Array {
  const { score, share, softness, region, kinds } = cut;
  const values = sampled(score, sample);
  let least = Number.POSITIVE_INFINITY;
  let most = Number.NEGATIVE_INFINITY;
  for (const value of values) {
    if (value < least) least = value;
    if (value > most) most = value;
  }
  least -= softness;
  most += softness;
  const targets = RELIEF_CLASSES.map((name) => share[name]);
  const count = 4 * (kinds?.count ?? 1);
  const low = new Float64Array(count).fill(least);
  const high = new Float64Array(count).fill(most);
  for (let cell = 0; cell < count; cell++) {
    const target = targets[cell % 4]!;
    if (target <= 0) low[cell] = most;
    if (target >= 1) high[cell] = least;
  }
  const cuts = new Float32Array(count);
  const middle = () => {
    for (let cell = 0; cell < count; cell++) cuts[cell] = (low[cell]! + high[cell]!) / 2;
  };
  middle();
  if (low.every((value, cell) => value === high[cell])) return cuts;
  const memory = new Memory();
  const scores = memory.put(values);
  const classes = memory.put(sampledClasses);
  const inside = region ? memory.put(sampled(region, sample)) : 0;
  const groups = kinds ? memory.put(Uint8Array.from(sample, (at) => kinds.of[at]!)) : 0;
  const cutAt = memory.copied(cuts);
  const weight = memory.room(8 * count);
  const taken = memory.room(8 * count);
  const none = new Float64Array(count);
  const halve = (pixels: number, times: number) => {
    for (let step = 0; step < times; step++) {
      middle();
      memory.replace(cutAt, cuts);
      memory.replace(weight, none);
      memory.replace(taken, none);
      memory.run.measureCut(scores, classes, inside, groups, pixels, sample.length, cutAt, softness, weight, taken);
      const weights = memory.doubles(weight, count);
      const parts = memory.doubles(taken, count);
      for (let cell = 0; cell < count; cell++) {
        if (low[cell] === high[cell]) continue;
        if (parts[cell]! > targets[cell % 4]! * weights[cell]!) low[cell] = cuts[cell]!;
        else high[cell] = cuts[cell]!;
      }
    }
  };
  halve(Math.ceil(ROUGH_PART * sample.length), ROUGH_CUTS);
  const around = LOOK_AROUND * (most - least);
  for (let cell = 0; cell < count; cell++)
    if (low[cell] !== high[cell]) {
      low[cell] = low[cell]! - around;
      high[cell] = high[cell]! + around;
    }
  halve(sample.length, FINE_CUTS);
  middle();
  return cuts;
}

/** Cuts a score into a mask, 0 to 1 a pixel, that takes its share of every relief class. */
export function maskOf(cut: Cut, relief: PanelRelief): Field {
  const { score, share, softness, region, kinds } = cut;
  const { grid } = relief;
  if (!region && RELIEF_CLASSES.every((name) => share[name] >= 1)) return fieldOn(grid).fill(1);
  if (RELIEF_CLASSES.every((name) => share[name] <= 0)) return fieldOn(grid);
  const cuts = thresholds(cut, relief);
  const memory = new Memory();
  const mask = memory.copied(score);
  memory.run.cutMask(
    mask,
    ...classesIn(memory, relief),
    memory.putOrNone(region),
    memory.putOrNone(kinds?.of),
    score.length,
    memory.put(cuts),
    softness,
  );
  return memory.floats(mask, score.length);
}

/** Where the named places of a face lie on a panel: a score that is highest in their middle. */
function placeScore(place: PlaceOnFace, { grid, border, motif }: PanelRelief, seed: number): Field {
  const wander = clouds(grid, seed + 77, 26, 3).field();
  const score = fieldOn(grid);
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const at = row * grid.width + column;
      const x = (column + 0.5) * grid.millimetres;
      const y = (row + 0.5) * grid.millimetres;
      // by hand no border is straight, and on a sharp edge pixels would all be as near to it
      if (place === "border") score[at] = -border[at]! / 10 + 0.06 * wander[at]!;
      else if (place === "motif") score[at] = -motif[at]! / 10;
      else if (place === "hands")
        score[at] =
          -Math.min(
            Math.hypot(x - grid.wide * 0.97, (y - grid.tall * 0.5) / 1.9),
            Math.hypot(x - grid.wide / 2, (y - grid.tall / 2) / 1.1) + 16,
          ) /
            24 +
          0.35 * wander[at]!;
      else score[at] = -Math.hypot((x - grid.wide * 0.31) / 1.5, y - grid.tall * 0.64) / 24 + 0.5 * wander[at]!;
    }
  return score;
}

/** Pixels of a row from one reckoning of the distance to an outline to the next; between them it is nearly straight. */
const REACH = 4;

/** A place drawn by hand: a score that falls from its middle outwards, in millimetres of the panel. */
function drawnScore(outlines: Outlines, { grid }: PanelRelief): Field {
  const score = fieldOn(grid);
  const across = Math.ceil(grid.width / REACH) + 1;
  const down = Math.ceil(grid.height / REACH) + 1;
  const coarse = new Float32Array(across * down);
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++)
      coarse[row * across + column] = -distanceToEdge(
        outlines,
        [(column * REACH) / grid.width, (row * REACH) / grid.height],
        grid.wide,
        grid.tall,
      );
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const [x, y] = [(column + 0.5) / REACH, (row + 0.5) / REACH];
      const [left, top] = [Math.floor(x), Math.floor(y)];
      const at = top * across + left;
      const upper = coarse[at]! + (coarse[at + 1]! - coarse[at]!) * (x - left);
      const lower = coarse[at + across]! + (coarse[at + across + 1]! - coarse[at + across]!) * (x - left);
      score[row * grid.width + column] = upper + (lower - upper) * (y - top);
    }
  return score;
}

type Places = Pick<WorkedBoard, "relief" | "boardSeed" | "sizes" | "outlines">;

/** How soft a place's edge is: hands leave off by and by, a line is a line. */
const EDGE: Record<PlaceOnFace, number> = { border: 0.04, hands: 0.25, motif: 0.04, patch: 0.25 };
/** In millimetres of the panel. */
const DRAWN_EDGE = 1.2;

/** A named place, 0 to 1 a pixel. All steps of a board mean the same place. */
function placeOf(place: PlaceOnFace, { relief, boardSeed, sizes, outlines }: Places): Field {
  const drawn = outlines[place];
  // what is drawn lies where it is drawn, whatever share of an edge or a groove that is
  if (drawn) return drawnScore(drawn, relief).map((score) => smoothstep(-DRAWN_EDGE, DRAWN_EDGE, score));
  const share = byRelief(() => sizes[place]);
  return maskOf({ score: placeScore(place, relief, boardSeed), share, softness: EDGE[place] }, relief);
}

/**
 * Where a step's "where" goes, 0 to 1 a pixel: its places joined, without what is left out; null where it is everywhere, or
 * relief classes that their shares tell.
 */
export function regionOf(region: Region, bench: Places): Field | null {
  const places = joined(region).filter(isPlace);
  if (places.length === 0 && region.but.length === 0) return null;
  if (isSimple(region)) return placeOf(places[0]!, bench);
  const { belongs } = bench.relief;
  const whole = joined(region).includes("everywhere");
  const classes = RELIEF_CLASSES.filter((name) => takesClass(region, name));
  const inside = places.map((place) => placeOf(place, bench));
  const outside = region.but.map((place) => placeOf(place, bench));
  const count = belongs.field.length;
  const found = belongs.field.slice().fill(0);
  for (let at = 0; at < count; at++) {
    let lies = whole ? 1 : classes.reduce((sum, name) => sum + belongs[name][at]!, 0);
    for (const mask of inside) lies = Math.max(lies, mask[at]!);
    for (const mask of outside) lies *= 1 - mask[at]!;
    found[at] = Math.min(1, lies);
  }
  return found;
}

/** A score without any pattern of its own: fine and coarse clouds. */
export const cloudScore = ({ grid }: PanelRelief, seed: number, size: number): Field =>
  reckon(grid)
    .plus(1, clouds(grid, seed, size, 4))
    .plus(0.18, noise(grid, seed + 5, 0.9))
    .field();
