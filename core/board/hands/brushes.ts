import { type Grid, smoothstep } from "../grid.ts";
import { reckon, type Source } from "../kernels.ts";
import { clouds, noise, streaks } from "../noise.ts";
import { dips, hollows, pooled } from "./fluid.ts";
import type { Hand, WorkedBoard } from "./hand.ts";

/** No place that a hand reaches is left with less than this part of the mean. */
const LEAST = 0.12;
const MOST = 6;

const about1 = (grid: Grid, amount: number, made: Source, least = LEAST): Source =>
  reckon(grid, 1).plus(amount, made).held(least, MOST);

/** Part of the mean that a coat lies thicker for each micrometre it stands lower: it flows, and fills the marks beneath. */
const LEVELS = 0.014;
/** Deeper hollows and higher ridges than this, in micrometres, a coat only follows. */
const MOST_LEVELLED = 11;

/** Bristle marks along the stroke, thin over edges, a little full in grooves. */
const bristles = (bench: WorkedBoard, length: number, breadth: number, depth: number): Source => {
  const { relief, grid, seed } = bench;
  return (
    reckon(grid, 1)
      // a loaded brush leaves marks where it is pulled dry, and few where it was full
      .plus(0.5, noise(grid, seed + 5, 32))
      .held(0.25, 1.8)
      .times(streaks(grid, seed, length, breadth, relief.upright))
      .scaled(depth, 1)
      .plus(LEVELS, reckon(grid).plus(1, hollows(bench)).held(-MOST_LEVELLED, MOST_LEVELLED))
      .times(relief.brushed)
      .held(LEAST, MOST)
  );
};

/** Where a skimming brush or a dragged tool touches: what stands proud, and the crests of the brush marks beneath. */
const skim = (bench: WorkedBoard, length: number, breadth: number, patchy: number): Source =>
  reckon(bench.grid)
    .plus(0.75, streaks(bench.grid, bench.seed + 21, length, breadth, bench.relief.upright))
    .plus(patchy, clouds(bench.grid, bench.seed + 23, 30, 3))
    .plus(0.9, bench.relief.high)
    .plus(0.5, bench.relief.edge)
    .plus(-1.2, bench.relief.recess)
    .plus(-0.03, hollows(bench))
    .plus(-0.008, dips(bench));

/** Where whole brush strokes end: in clouds, with ends drawn out along the stroke. */
const strokeEnds = ({ relief, grid, seed }: WorkedBoard): Source =>
  reckon(grid)
    .plus(1, clouds(grid, seed + 61, 26, 4, 0.6, 1.7))
    .plus(0.5, streaks(grid, seed + 63, 30, 0.7, relief.upright));

export const brush: Hand = (bench) => ({
  weight: bristles(bench, 55, 0.55, 0.17),
  breaks: strokeEnds(bench),
  softness: 0.4,
});

export const crossHatch: Hand = ({ relief, grid, seed }) => {
  // one way or the other, dab by dab, and only seldom both at once
  const turns = clouds(grid, seed + 33, 13, 2).field();
  for (let at = 0; at < turns.length; at++) turns[at] = smoothstep(-0.35, 0.35, turns[at]!);
  const other = relief.upright.map((up) => 1 - up);
  const along = reckon(grid)
    .plus(1, turns)
    .times(streaks(grid, seed, 20, 0.55, relief.upright));
  const across = reckon(grid, 1)
    .plus(-1, turns)
    .times(streaks(grid, seed + 31, 20, 0.55, other));
  return {
    weight: reckon(grid, 1).plus(0.22, along).plus(0.22, across).times(relief.brushed).held(LEAST, MOST),
    breaks: null,
    softness: 0.5,
  };
};

/** Thin and even: foam roller, pad, spray. `grain` is the size of its orange peel in millimetres. */
const even =
  (grain: number, depth: number): Hand =>
  ({ grid, seed }) => ({ weight: about1(grid, depth, noise(grid, seed, grain)), breaks: null, softness: 0.6 });
export const roller = even(1.1, 0.12);
export const pad = even(3, 0.07);
export const spray = even(0.6, 0.06);

export const stipple: Hand = ({ grid, seed }) => {
  const dots = clouds(grid, seed, 1.6, 2, 0.8);
  return {
    weight: about1(grid, 0.3, dots),
    breaks: reckon(grid)
      .plus(1, clouds(grid, seed + 2, 18, 5, 0.7))
      .plus(0.35, dots),
    softness: 0.5,
  };
};

export const tap: Hand = ({ grid, seed }) => ({
  weight: about1(grid, 0.2, clouds(grid, seed, 3.2, 3, 0.7)),
  breaks: null,
  softness: 0.4,
});

export const sponge: Hand = ({ grid, seed }) => {
  const holes = clouds(grid, seed + 4, 5.5, 4, 0.72);
  return {
    weight: about1(grid, 0.22, holes, 0.3),
    breaks: reckon(grid)
      .plus(0.45, clouds(grid, seed, 34, 2))
      .plus(0.95, holes)
      .plus(0.22, noise(grid, seed + 6, 0.8)),
    softness: 0.28,
  };
};

/** A tool that is drawn over and touches in part: its marks, where it touches, and how crisp its edge is. */
const drawnOver =
  (
    marks: [length: number, breadth: number, depth: number],
    touch: [length: number, breadth: number, patchy: number],
    softness: number,
  ): Hand =>
  (bench) => ({ weight: bristles(bench, ...marks), breaks: skim(bench, ...touch), softness });

export const dryBrush = drawnOver([30, 0.5, 0.3], [34, 0.5, 0.42], 0.55);
export const cardSmear = drawnOver([60, 2.4, 0.25], [46, 1.5, 0.85], 0.16);
export const drag = drawnOver([90, 0.9, 0.3], [110, 1.1, 0.6], 0.22);

/** A glaze stays open under the dry brush: its marks melt. */
export const dryBrushedGlaze: Hand = (bench) => ({ ...dryBrush(bench), softness: 1.5 });

export const finger: Hand = (bench) => {
  const { relief, grid, seed } = bench;
  const touch = clouds(grid, seed, 12, 4, 0.6);
  return {
    weight: about1(grid, 0.2, touch, 0.3),
    breaks: reckon(grid)
      .plus(0.45, touch)
      .plus(1.5, relief.high)
      .plus(0.6, relief.edge)
      .plus(-1, relief.recess)
      .plus(-0.02, dips(bench)),
    softness: 0.6,
  };
};

/** Let down with water: it settles where it can, dries with soft tide marks, and shows the stroke faintly. */
export const wash: Hand = (bench) => {
  const { relief, grid, seed } = bench;
  const cloud = clouds(grid, seed, 30, 5, 0.62);
  const stroke = streaks(grid, seed + 9, 46, 1.2, relief.upright);
  const weight = reckon(grid).plus(0.3, cloud).plus(0.14, stroke).raised();
  return {
    weight: pooled(weight, bench, 0.8),
    breaks: reckon(grid).plus(1, cloud).plus(0.12, stroke),
    softness: 1.6,
  };
};

export const glaze: Hand = (bench) => {
  const { relief, grid, seed } = bench;
  const cloud = clouds(grid, seed + 9, 46, 3);
  const weight = reckon(grid)
    .plus(0.22, streaks(grid, seed, 70, 0.6, relief.upright))
    .plus(0.12, cloud)
    .raised();
  return { weight: pooled(weight, bench, 0.7), breaks: cloud, softness: 1 };
};

/** Wax worked in and wiped: a film on the flats, a body of it in grooves, brush marks and cracks. */
export const wax: Hand = (bench) => {
  const { relief, grid, seed } = bench;
  const cloud = clouds(grid, seed + 9, 30, 4);
  const weight = reckon(grid)
    .plus(0.12, streaks(grid, seed, 80, 1.6, relief.upright))
    .plus(0.24, cloud)
    .raised();
  return { weight: pooled(weight, bench, 0.95), breaks: cloud, softness: 1.1 };
};

export const blend: Hand = ({ relief, grid, seed }) => {
  const stroke = streaks(grid, seed + 9, 36, 1.4, relief.upright);
  return {
    weight: about1(grid, 0.1, stroke, 0.4),
    breaks: reckon(grid)
      .plus(1, clouds(grid, seed, 52, 5, 0.55, 1.3))
      .plus(0.07, stroke),
    softness: 3.4,
  };
};

/** A colour on each half of the brush, turned as it goes: clouds that run into one another, with a little of the stroke. */
export const twoTone: Hand = (bench) => {
  const { relief, grid, seed } = bench;
  return {
    apart: true,
    weight: bristles(bench, 70, 0.6, 0.22),
    breaks: reckon(grid)
      .plus(0.9, clouds(grid, seed + 2, 30, 4, 0.6, 1.5))
      .plus(0.4, clouds(grid, seed + 6, 70, 2))
      .plus(0.16, streaks(grid, seed + 8, 60, 0.8, relief.upright)),
    softness: 2.4,
  };
};

export const sealPatches: Hand = (bench) => ({
  ...even(2, 0.08)(bench),
  breaks: clouds(bench.grid, bench.seed + 40, 24, 4, 0.6),
  softness: 0.2,
});

/** A salt that bites metal: in drops and runs, strong here and hardly there, of many sizes. */
export const patina: Hand = (bench) => {
  const { grid, seed } = bench;
  const bites = clouds(grid, seed, 22, 7, 0.72);
  const pits = clouds(grid, seed + 5, 2.2, 3, 0.8);
  const weight = reckon(grid).plus(0.55, bites).plus(0.3, pits).held(-2, 1.1).raised();
  return {
    weight: pooled(weight, bench, 0.4),
    breaks: reckon(grid).plus(1, bites).plus(0.45, pits),
    softness: 0.9,
  };
};
