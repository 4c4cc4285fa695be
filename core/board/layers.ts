import { LRUCache } from "lru-cache";
import type { Optics } from "../colour/film.ts";
import { isMetallic, opticsOf, opticsOfMix } from "../colour/material-colour.ts";
import { type Film, TRACE } from "../surface/film.ts";
import type { Phase } from "../surface/phase.ts";
import { type Field, type Grid, pixelsOf } from "./grid.ts";
import { Memory } from "./kernels.ts";
import { hashed } from "./random.ts";

/** One film on the board, pixel by pixel. Never changed in place: what a step changes is a new layer. */
export interface Layer {
  /** what the film is and how old; its own `micrometres` is what was laid on the flat */
  film: Film;
  optics: Optics;
  /** whether its shine has the colour of metal */
  metallic: boolean;
  /** micrometres of dry film where it lies */
  thickness: Field;
  /** how much of the pixel it covers, 0 to 255; null where it lies everywhere. Kept apart, for half-thick paint still hides */
  cover: Uint8Array | null;
}

/** The films on a board from the ground up. */
export type Layers = readonly Layer[];

const HALF = 128;

const lies = ({ thickness, cover }: Layer, index: number): boolean =>
  thickness[index]! > TRACE && (cover === null || cover[index]! >= HALF);

/** At how many pixels a film lies. */
function lyingAt({ thickness, cover }: Layer): number {
  let lying = 0;
  for (let at = 0; at < thickness.length; at++)
    if (thickness[at]! > TRACE && (cover === null || cover[at]! >= HALF)) lying++;
  return lying;
}

/** A film turned over less than this part of itself, or over all but it, is not taken apart. */
const HARDLY = 0.004;

/** A film that becomes another at some of the pixels where it lies: taken apart in two, unless that is hardly any or nearly all. */
export function turnedWhere(layer: Layer, film: Film, count: number, where: (at: number) => boolean): Layer[] {
  const { cover } = layer;
  const part = new Uint8Array(count);
  let turned = 0;
  for (let at = 0; at < count; at++)
    if (where(at)) {
      part[at] = 1;
      turned++;
    }
  const lying = turned === 0 ? 1 : lyingAt(layer);
  if (turned <= HARDLY * lying) return [layer];
  if (turned >= (1 - HARDLY) * lying) return [{ ...layer, film }];
  const outside = new Uint8Array(count);
  const inside = new Uint8Array(count);
  for (let at = 0; at < count; at++) {
    const all = cover === null ? 255 : cover[at]!;
    if (part[at] === 0) outside[at] = all;
    else inside[at] = all;
  }
  return [
    { ...layer, cover: outside },
    { ...layer, film, cover: inside },
  ];
}

/** Index of the film that lies on top at a pixel; −1 on bare ground. */
export function topAt(layers: Layers, at: number): number {
  for (let index = layers.length - 1; index >= 0; index--) if (lies(layers[index]!, at)) return index;
  return -1;
}

/** Room in memory for one film at a time, to run over a stack with. */
export class FilmRoom {
  readonly thickness: number;
  private readonly cover: number;
  constructor(
    private readonly memory: Memory,
    count: number,
  ) {
    this.thickness = memory.space(4 * count);
    this.cover = memory.space(count);
  }

  /** Lays a film in; gives the address of its cover, 0 where it lies everywhere. */
  load({ thickness, cover }: Layer): number {
    this.memory.replace(this.thickness, thickness);
    if (cover) this.memory.replace(this.cover, cover);
    return cover ? this.cover : 0;
  }
}

let lastTops: { layers: Layers; tops: Int16Array } | null = null;

/** Index of the film that lies on top, for every pixel; −1 on bare ground. Not to be written to. */
export function topsOf(layers: Layers, grid: Grid): Int16Array {
  const count = pixelsOf(grid);
  if (lastTops?.layers === layers && lastTops.tops.length === count) return lastTops.tops;
  const memory = new Memory();
  const tops = memory.copied(new Int16Array(count).fill(-1));
  const film = new FilmRoom(memory, count);
  let open = count;
  for (let index = layers.length - 1; index >= 0 && open > 0; index--) {
    const cover = film.load(layers[index]!);
    open -= memory.run.findTops(tops, film.thickness, cover, count, index, TRACE);
  }
  lastTops = { layers, tops: memory.shorts(tops, count) };
  return lastTops.tops;
}

/** Pixels sorted by which films lie there. */
export interface Kinds {
  /** the kind of each pixel, from 0 */
  of: Uint8Array;
  count: number;
}

/** Kinds below this share of the sample are taken together as the rest. */
const SMALLEST_KIND = 0.008;
const MOST_KINDS = 16;

// Results of the last stack are kept, by size of picture: most steps change one film, and only that is computed
// again. Sums are only ever added to in the order of the stack, so that they come out the same to the last bit either way.

const MOST_SIZES = 3;

interface Total {
  layers: Layers;
  total: Field;
}

/** The newest first: the films of a board, and what lay under the last of them, for that is changed most. */
const lastTotals = new LRUCache<number, readonly Total[]>({ max: MOST_SIZES });
const MOST_TOTALS = 3;

const isUnder = (under: Layers, layers: Layers) =>
  under.length <= layers.length && under.every((layer, index) => layer === layers[index]);

/** Micrometres of all films together. Not to be written to. */
export function totalOf(layers: Layers, grid: Grid): Field {
  const count = pixelsOf(grid);
  const known = lastTotals.get(count) ?? [];
  const [from] = known
    .filter((total) => isUnder(total.layers, layers))
    .sort((a, b) => b.layers.length - a.layers.length);
  if (from && from.layers.length === layers.length) return from.total;
  const memory = new Memory();
  const total = from ? memory.copied(from.total) : memory.room(4 * count);
  const film = new FilmRoom(memory, count);
  for (const layer of layers.slice(from?.layers.length ?? 0)) {
    const cover = film.load(layer);
    memory.run.addFilm(total, film.thickness, cover, count);
  }
  const sum = memory.floats(total, count);
  lastTotals.set(count, [{ layers, total: sum }, ...known].slice(0, MOST_TOTALS));
  return sum;
}

const lastSigns = new LRUCache<number, { layers: Layers; signs: Int32Array }>({ max: MOST_SIZES });

const bitsOf = (index: number): number => Math.floor(hashed(index, 1, 7) * 2 ** 32) | 0;

/** Which films lie at each pixel, as a number of 32 bits that is the same where the same films lie. */
function signsOf(layers: Layers, grid: Grid): Int32Array {
  const count = pixelsOf(grid);
  const from = lastSigns.get(count) ?? { layers: [], signs: new Int32Array(count) };
  const memory = new Memory();
  const signs = memory.copied(from.signs);
  const film = new FilmRoom(memory, count);
  // a sign is its own opposite: what was set is taken out by setting it again
  const set = (layer: Layer, index: number) => {
    const cover = film.load(layer);
    memory.run.sign(signs, film.thickness, cover, count, bitsOf(index), TRACE);
  };
  for (let index = 0; index < Math.max(layers.length, from.layers.length); index++) {
    const was = from.layers[index];
    const is = layers[index];
    if (was && is && was.thickness === is.thickness && was.cover === is.cover) continue;
    if (was) set(was, index);
    if (is) set(is, index);
  }
  const made = memory.ints(signs, count);
  lastSigns.set(count, { layers, signs: made });
  return made;
}

/** Sorts pixels by the films that lie there; null where they are all alike. */
export function kindsOf(layers: Layers, grid: Grid, sample: Int32Array): Kinds | null {
  if (layers.length === 0) return null;
  const all = signsOf(layers, grid);
  const counts = new Map<number, number>();
  for (const at of sample) counts.set(all[at]!, (counts.get(all[at]!) ?? 0) + 1);
  if (counts.size < 2) return null;
  const listed = [...counts]
    .filter(([, times]) => times >= SMALLEST_KIND * sample.length)
    .sort((a, b) => b[1] - a[1] || a[0] - b[0])
    .slice(0, MOST_KINDS)
    .map(([sign]) => sign);
  const count = pixelsOf(grid);
  const memory = new Memory();
  const kinds = memory.room(count);
  memory.run.group(memory.put(all), kinds, count, memory.put(Int32Array.from(listed)), listed.length);
  return { of: memory.bytes(kinds, count), count: listed.length + 1 };
}

/** How much of what a phase lays is water that it is let down with, 0 to 1. */
export const letDownBy = ({ pot }: Phase): number => Math.max(0, 1 - (pot?.strength ?? 1));

/** K and S of what a phase lays, by the tins in its pot. */
export const opticsLaid = ({ material, pot }: Phase): Optics =>
  pot === null
    ? opticsOf(material!)
    : opticsOfMix(pot.parts.map((part) => ({ material: part.material, parts: part.share })));

export const isMetal = (phase: Phase): boolean => phase.material !== null && isMetallic(phase.material);
