import type { Grid } from "./grid.ts";
import { type Memory, Source } from "./kernels.ts";
import { hashed } from "./random.ts";

/** A cubic B-spline through random lattice values has this much less spread than they have; noise is given spread 1. */
const TO_SPREAD_ONE = 3.6;
/** A first lattice index and four weights a pixel, as the kernel reads them. */
const TAP_BYTES = 20;

function tapsOf(count: number, millimetres: number, spacing: number, shift: number): Float32Array {
  const taps = new Float32Array((count * TAP_BYTES) / 4);
  const whole = new Int32Array(taps.buffer);
  for (let at = 0; at < count; at++) {
    const place = ((at + 0.5) * millimetres) / spacing + shift;
    const cell = Math.floor(place);
    const t = place - cell;
    const u = 1 - t;
    const to = at * 5;
    whole[to] = cell - 1;
    taps[to + 1] = (u * u * u) / 6;
    taps[to + 2] = (3 * t * t * t - 6 * t * t + 4) / 6;
    taps[to + 3] = (3 * u * u * u - 6 * u * u + 4) / 6;
    taps[to + 4] = (t * t * t) / 6;
  }
  return taps;
}

/** One octave of noise, with features about `across` by `down` millimetres and spread `amount`. */
interface Octave {
  seed: number;
  across: number;
  down: number;
  amount: number;
}

/** Octaves of smooth noise added up: cubic B-splines on random lattices, mean 0. */
class Octaves extends Source {
  readonly count: number;
  constructor(
    private readonly grid: Grid,
    private readonly octaves: readonly Octave[],
  ) {
    super();
    this.count = grid.width * grid.height;
  }

  addTo(memory: Memory, address: number, factor: number) {
    const { width, height, millimetres } = this.grid;
    const mark = memory.mark();
    const finest = Math.min(...this.octaves.map(({ across }) => across));
    const line = memory.room(4 * (Math.ceil((width * millimetres) / finest) + 8));
    const ring = memory.room(6 * 4 * width);
    const columns = memory.room(width * TAP_BYTES);
    const rows = memory.room(height * TAP_BYTES);
    for (const { seed, across, down, amount } of this.octaves) {
      // each lattice has a corner of its own, or all would have their seams at the same places
      memory.replace(columns, tapsOf(width, millimetres, across, hashed(seed, 1, 3)));
      memory.replace(rows, tapsOf(height, millimetres, down, hashed(seed, 2, 3)));
      memory.run.addNoise(address, width, height, columns, rows, line, ring, seed, factor * amount * TO_SPREAD_ONE);
    }
    memory.release(mark);
  }
}

/** Smooth noise of mean 0 and spread 1. */
export const noise = (grid: Grid, seed: number, across: number, down = across): Source =>
  new Octaves(grid, [{ seed, across, down, amount: 1 }]);

/** Not two, so that the lattices of octaves fall in step nowhere. */
const OCTAVE = 1.87;

/** Clouds: octaves of noise, each about half as large and weaker by `fade`; mean 0, spread 1. Octaves finer than a pixel are left out. */
export function clouds(grid: Grid, seed: number, size: number, octaves = 4, fade = 0.55, stretch = 1): Source {
  let power = 0;
  for (let octave = 0; octave < octaves; octave++) power += fade ** (2 * octave);
  const whole = 1 / Math.sqrt(power);
  const made: Octave[] = [];
  for (let octave = 0; octave < octaves; octave++) {
    const down = size / OCTAVE ** octave;
    if (down < grid.millimetres * 0.7 && octave > 0) break;
    made.push({ seed: seed + 101 * octave, across: down * stretch, down, amount: whole * fade ** octave });
  }
  return new Octaves(grid, made);
}

/** Noise along the stroke, which goes up and down on some places. */
class Streaks extends Source {
  readonly count: number;
  constructor(
    private readonly along: Octaves,
    private readonly down: Octaves,
    private readonly upright: Uint8Array,
  ) {
    super();
    this.count = along.count;
  }

  addTo(memory: Memory, address: number, factor: number) {
    const mark = memory.mark();
    const along = memory.room(4 * this.count);
    const down = memory.room(4 * this.count);
    this.along.addTo(memory, along, 1);
    this.down.addTo(memory, down, 1);
    memory.run.addChosen(address, along, down, memory.put(this.upright), this.count, factor);
    memory.release(mark);
  }
}

/**
 * Noise that runs along the stroke: long one way and fine the other; mean 0, spread 1. Where `upright` is 1 the stroke goes up
 * and down, as on the stiles of a frame.
 */
export function streaks(grid: Grid, seed: number, length: number, breadth: number, upright: Uint8Array): Source {
  const fine = Math.max(breadth, grid.millimetres * 0.8);
  const along = new Octaves(grid, [
    { seed, across: length, down: fine, amount: 0.8 },
    { seed: seed + 7, across: length * 0.45, down: fine * 2.6, amount: 0.6 },
  ]);
  if (!upright.includes(1)) return along;
  const down = new Octaves(grid, [
    { seed: seed + 13, across: fine, down: length, amount: 0.8 },
    { seed: seed + 19, across: fine * 2.6, down: length * 0.45, amount: 0.6 },
  ]);
  return new Streaks(along, down, upright);
}
