import { LRUCache } from "lru-cache";
import { away, type Field, fieldOn, type Grid } from "./grid.ts";
import { Memory } from "./kernels.ts";
import { randomFrom } from "./random.ts";

/** One crack as it runs, in millimetres: points x, y, x, y …, and half its opening at its widest. */
export interface Crack {
  points: Float32Array;
  halfWidth: number;
  generation: number;
}

export interface CrackleOptions {
  /** distance between cracks when the last have grown, in millimetres */
  spacing: number;
  /** size of the face, in millimetres */
  wide: number;
  tall: number;
  /** how thick the medium lies at a place against its mean, about 1: cracks are coarser where it lies thick */
  thick?: (x: number, y: number) => number;
  /** whether strokes run up and down here: cracks follow the stroke */
  upright: (x: number, y: number) => boolean;
  /** whether the coat was stroked on: rolled, sponged or sprayed, it tears in no direction of its own */
  stroked?: boolean;
  seed: number;
}

/** Dry crackle medium to crack spacing: millimetres a micrometre (from trial boards). */
const SPACING_A_MICROMETRE = 0.1;
const USUAL_TOP_COAT = 30;

/**
 * Spacing of cracks in millimetres from the dry films of medium and top coat in micrometres. It grows in proportion to the
 * medium (Groisman and Kaplan 1994, "An experimental study of cracking induced by desiccation", Europhys. Lett. 25: spacing
 * of drying cracks is linear in the thickness of the layer), and a little with the paint over it (common practice).
 */
export const crackSpacing = (medium: number, topCoat: number): number =>
  Math.min(16, Math.max(1.4, SPACING_A_MICROMETRE * medium * Math.max(0.3, topCoat / USUAL_TOP_COAT) ** 0.3));

/** How far from the nearest crack a later one may start, in spacings, by generation. The first runs along the stroke. */
const STARTS_BEYOND = [1.45, 1.15, 0.82, 0.62, 0.5];
const WIDTHS = [1, 0.78, 0.62, 0.48, 0.36];
const OPENING = 0.15;
/** Tries a square of one spacing, by generation. */
const TRIES = [0.6, 2.4, 3, 4, 5];

/** Grid on which growing cracks feel for one another. Nothing else may use kernels while they grow. */
class Near {
  readonly cell: number;
  readonly columns: number;
  readonly rows: number;
  readonly taken: Int32Array;
  private readonly radius: number;
  private readonly memory = new Memory();
  /** where in memory the distances lie, and those of a square of cells from its middle one */
  private readonly distances: number;
  private readonly around: number;
  private readonly distance: Field;
  constructor(wide: number, tall: number, spacing: number, reach: number) {
    this.cell = spacing * 0.18;
    this.columns = Math.ceil(wide / this.cell);
    this.rows = Math.ceil(tall / this.cell);
    const cells = this.columns * this.rows;
    this.taken = new Int32Array(cells).fill(-1);
    this.radius = Math.ceil(reach / this.cell);
    const across = 2 * this.radius + 1;
    const square = Float32Array.from(
      { length: across * across },
      (_, index) => this.cell * away((index % across) - this.radius, Math.floor(index / across) - this.radius),
    );
    this.around = this.memory.copied(square);
    this.distances = this.memory.space(4 * cells);
    this.distance = this.memory.live(this.distances, cells).fill(reach);
  }
  index(x: number, y: number): number {
    const column = Math.floor(x / this.cell);
    const row = Math.floor(y / this.cell);
    return column < 0 || row < 0 || column >= this.columns || row >= this.rows ? -1 : row * this.columns + column;
  }
  at(x: number, y: number): number {
    const index = this.index(x, y);
    return index < 0 ? 0 : this.distance[index]!;
  }
  /** The way to the nearest crack: down the slope of the distance. */
  towards(x: number, y: number): [number, number] {
    const step = this.cell * 1.5;
    const dx = this.at(x - step, y) - this.at(x + step, y);
    const dy = this.at(x, y - step) - this.at(x, y + step);
    const length = away(dx, dy) || 1;
    return [dx / length, dy / length];
  }
  occupy(x: number, y: number, crack: number) {
    const index = this.index(x, y);
    if (index >= 0) this.taken[index] = crack;
  }
  /** Tells the places around that there is a crack here. */
  spread(x: number, y: number) {
    const { columns, rows, cell, radius, around, distances } = this;
    this.memory.run.spread(distances, columns, rows, around, radius, Math.floor(x / cell), Math.floor(y / cell));
  }
}

/**
 * Cracks as they grow: long ones along the stroke first, then shorter ones between that start where there is room and run
 * until they meet an older one at about a right angle. The same seed gives the same cracks.
 */
export function growCracks(options: CrackleOptions): Crack[] {
  const { wide, tall, spacing } = options;
  const patches = Math.ceil(Math.sqrt((wide * tall) / (spacing * spacing) / MOST_SQUARES));
  const patch = grownOn({ ...options, wide: wide / patches, tall: tall / patches });
  if (patches === 1) return patch;
  // a face so large for its cracks takes the same ones again and again, each time turned over
  const cracks: Crack[] = [];
  for (let down = 0; down < patches; down++)
    for (let across = 0; across < patches; across++)
      for (const { points, ...crack } of patch)
        cracks.push({
          ...crack,
          points: points.map((value, index) =>
            index % 2 === 0 ? turnedOver(value, across, wide / patches) : turnedOver(value, down, tall / patches),
          ),
        });
  return cracks;
}

/** Squares of one spacing that cracks are grown on at most. */
const MOST_SQUARES = 40_000;

/** Where a place of a patch comes to lie in its so many-th copy, every other one turned over. */
const turnedOver = (value: number, copy: number, size: number): number =>
  copy * size + (copy % 2 === 0 ? value : size - value);

function grownOn({ wide, tall, spacing, upright, seed, stroked = true, thick = () => 1 }: CrackleOptions): Crack[] {
  const random = randomFrom(seed);
  const normal = () => random() + random() + random() - 1.5;
  const near = new Near(wide, tall, spacing, spacing * 1.9);
  const cracks: Crack[] = [];
  const squares = (wide * tall) / (spacing * spacing);
  const step = spacing * 0.13;

  const run = (x0: number, y0: number, heading: number, first: boolean, longest: number): number[] => {
    const points: number[] = [];
    let x = x0;
    let y = y0;
    let turn = heading;
    const mine = cracks.length;
    for (let walked = 0; walked < longest; walked += step) {
      if (first && !stroked) turn += 0.16 * normal();
      else if (first) {
        const stroke = upright(x, y) ? Math.PI / 2 : 0;
        // back to the stroke, slowly: a crack wanders but keeps its way
        let off = (stroke - turn) % Math.PI;
        if (off > Math.PI / 2) off -= Math.PI;
        if (off < -Math.PI / 2) off += Math.PI;
        turn += 0.1 * off + 0.13 * normal();
      } else {
        const [dx, dy] = near.towards(x, y);
        const pull = near.at(x, y) < spacing * 0.9 ? 0.16 : 0.02;
        const wanted = Math.atan2(dy, dx);
        let off = wanted - turn;
        while (off > Math.PI) off -= 2 * Math.PI;
        while (off < -Math.PI) off += 2 * Math.PI;
        if (Math.abs(off) < 1.9) turn += pull * off;
        turn += 0.14 * normal();
      }
      if (random() < 0.05) turn += (random() < 0.5 ? -1 : 1) * (0.4 + 0.45 * random());
      x += step * Math.cos(turn);
      y += step * Math.sin(turn);
      points.push(x, y);
      const index = near.index(x, y);
      if (index < 0) break;
      const owner = near.taken[index]!;
      if (owner >= 0 && owner !== mine && walked > step) break;
    }
    return points;
  };

  for (let generation = 0; generation < STARTS_BEYOND.length; generation++) {
    const beyond = STARTS_BEYOND[generation]! * spacing;
    const tries = Math.ceil(TRIES[generation]! * squares);
    for (let attempt = 0; attempt < tries; attempt++) {
      const x = random() * wide;
      const y = random() * tall;
      const local = Math.min(1.7, Math.max(0.55, thick(x, y)));
      if (near.at(x, y) < Math.min(beyond * local, spacing * 1.85)) continue;
      const first = generation === 0;
      const [dx, dy] = near.towards(x, y);
      const stroke = stroked ? (upright(x, y) ? Math.PI / 2 : 0) : 2 * Math.PI * random();
      const open = near.at(x, y) >= spacing * 1.85;
      const heading = first || open ? stroke + 0.25 * normal() : Math.atan2(dy, dx) + 0.5 * normal();
      const longest = first
        ? spacing * (stroked ? 5 + 12 * random() : 2 + 3 * random())
        : spacing * (2.2 + 1.6 * random());
      const ahead = run(x, y, heading, first, longest);
      const back = run(x, y, heading + Math.PI, first, longest);
      const points: number[] = [];
      for (let at = back.length - 2; at >= 0; at -= 2) points.push(back[at]!, back[at + 1]!);
      points.push(x, y, ...ahead);
      if (points.length < 8) continue;
      for (let at = 0; at < points.length; at += 2) {
        near.occupy(points[at]!, points[at + 1]!, cracks.length);
        if (at % 6 === 0) near.spread(points[at]!, points[at + 1]!);
      }
      const unlike = 0.75 + 0.5 * random();
      cracks.push({
        points: Float32Array.from(points),
        halfWidth: (OPENING * spacing * local * WIDTHS[generation]! * unlike) / 2,
        generation,
      });
    }
  }
  return cracks;
}

const grown = new LRUCache<string, Crack[]>({ max: 8 });

/** The same, kept by name: a rough picture and a fine one, and boards that differ only above, have the same cracks. */
export function cracksNamed(name: string, options: () => CrackleOptions): readonly Crack[] {
  const cracks = grown.get(name) ?? growCracks(options());
  grown.set(name, cracks);
  return cracks;
}

/** How wide each piece of a crack is on either side of its middle: narrow at both ends, as a tear runs out. */
function halfWidthsOf({ points, halfWidth }: Crack): Float32Array {
  const widths = new Float32Array(points.length / 2 - 1);
  for (let piece = 0; piece < widths.length; piece++) {
    const part = (piece + 0.5) / widths.length;
    const fromEnd = Math.min(0.5, 2.5 * Math.min(part, 1 - part));
    widths[piece] = halfWidth * (0.45 + 0.55 * Math.sin(Math.PI * fromEnd));
  }
  return widths;
}

/** How many half widths each place lies from the middle of the nearest crack; large where none is near. */
export function crackDistance(cracks: readonly Crack[], grid: Grid): { ratio: Field; halfWidth: Field } {
  const memory = new Memory();
  const count = grid.width * grid.height;
  const ratio = memory.space(4 * count);
  const halfWidth = memory.space(4 * count);
  memory.run.fill(ratio, count, 1e6);
  memory.run.fill(halfWidth, count, 1);
  for (const crack of cracks) {
    const mark = memory.mark();
    const widths = halfWidthsOf(crack);
    const [points, along] = [memory.copied(crack.points), memory.copied(widths)];
    memory.run.nearCrack(ratio, halfWidth, grid.width, grid.height, grid.millimetres, points, along, widths.length);
    memory.release(mark);
  }
  return { ratio: memory.floats(ratio, count), halfWidth: memory.floats(halfWidth, count) };
}

/**
 * How open each place is, 0 to 1 with soft edges a pixel wide: all cracks widened alike until they take this share of the
 * places that may crack.
 */
export function crackMask(
  cracks: readonly Crack[],
  grid: Grid,
  sample: Int32Array,
  share: number,
  mayCrack: (at: number) => boolean,
): Field {
  const { ratio, halfWidth } = crackDistance(cracks, grid);
  const open = (at: number, widened: number) => {
    const edge = ((widened - ratio[at]!) * halfWidth[at]!) / grid.millimetres + 0.5;
    return edge <= 0 ? 0 : Math.min(edge, 1);
  };
  const places = sample.filter((at) => mayCrack(at));
  let low = 0.2;
  let high = 3;
  for (let step = 0; step < 18; step++) {
    const middle = (low + high) / 2;
    let sum = 0;
    for (const at of places) sum += open(at, middle);
    if (sum > share * places.length) high = middle;
    else low = middle;
  }
  const mask = fieldOn(grid);
  for (let at = 0; at < mask.length; at++) if (mayCrack(at)) mask[at] = open(at, (low + high) / 2);
  return mask;
}
