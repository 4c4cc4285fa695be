import { RELIEF_CLASSES } from "../plan/plan.ts";
import { type ByRelief, byRelief, type Effect } from "../surface/effect.ts";
import { type Film, TRACE } from "../surface/film.ts";
import {
  type Flaking,
  type Meeting,
  type Opening,
  type Thinning,
  type Turning,
  type Wearing,
  workedOn,
} from "../surface/laws/law.ts";
import { lawOf } from "../surface/laws/laws.ts";
import { reachesClass } from "../surface/places.ts";
import { EVEN } from "../surface/technique.ts";
import type { Share } from "../units/units.ts";
import { crackMask, crackSpacing, cracksNamed } from "./crackle.ts";
import { flakeScore } from "./flakes.ts";
import type { Field } from "./grid.ts";
import { ragged } from "./hands/dabs.ts";
import { dips, hollows } from "./hands/fluid.ts";
import type { WorkedBoard } from "./hands/hand.ts";
import { Memory, reckon } from "./kernels.ts";
import { classFactors, shaped } from "./lay.ts";
import { FilmRoom, kindsOf, type Layer, type Layers, topsOf, turnedWhere } from "./layers.ts";
import { maskOf, regionOf, sampled } from "./mask.ts";
import { clouds, noise, streaks } from "./noise.ts";
import type { PanelRelief } from "./relief.ts";

/** Share of each class that a taking works on. */
const shareWorked = (worked: ByRelief, { phase: { where } }: Meeting): ByRelief =>
  byRelief((name) => (reachesClass(where, name) ? where.share * Math.min(1, workedOn(worked, name, where)) : 0));

const MOST_PRESSURE = 2.6;

/** Where a damp cloth bears: softly over what stands proud, in clouds. */
function clothScore({ relief, grid, seed }: WorkedBoard): Field {
  return reckon(grid)
    .plus(1, relief.pressure)
    .held(0, MOST_PRESSURE)
    .scaled(0.6)
    .plus(0.3, relief.edge)
    .plus(-0.7, relief.recess)
    .plus(0.3, clouds(grid, seed, 10, 5, 0.72))
    .plus(0.3, streaks(grid, seed + 3, 18, 0.9, relief.upright))
    .plus(0.3, relief.nearBorder)
    .field();
}

/**
 * Where paper or a blade bears: hard on edges, in fine lines along the stroke. Of a groove, where it comes there at all, it
 * finds the bottom: the fold of the paper draws a line along it.
 */
function paperScore(bench: WorkedBoard, coarse: number): Field {
  const { relief, grid, seed } = bench;
  return reckon(grid)
    .plus(1, relief.pressure)
    .held(0, MOST_PRESSURE)
    .scaled(0.75)
    .plus(0.4, relief.edge)
    .plus(0.34, streaks(grid, seed, 16, 0.35 * coarse, relief.upright))
    .plus(0.3, clouds(grid, seed + 3, 13, 3, 0.6))
    .plus(0.12, noise(grid, seed + 5, 0.7))
    .plus(-0.006, dips(bench))
    .plus(0.3, relief.nearBorder)
    .plus(1.6, reckon(grid).plus(1, relief.recess).times(relief.recess))
    .field();
}

/** How far paper of a coarseness feathers, in units of its score. */
const FEATHER = 0.12;
const WET_FEATHER = 0.6;
const CRISP = 0.07;
/** Paper that takes more micrometres than this is coarse. */
const COARSE = 40;

/** Where something works, cut from where it bears so that every relief class gives its share. */
function workedWhere(
  score: Field,
  softness: number,
  worked: ByRelief,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
) {
  const share = shareWorked(worked, meeting);
  const region = regionOf(meeting.phase.where, bench);
  const kinds = kindsOf(layers, bench.grid, bench.relief.sample);
  return maskOf({ score, share, softness, region, kinds }, bench.relief);
}

/** Films wear from the top down, until the effort is spent. */
function wear<E extends Effect>(
  effect: E,
  law: Wearing<E>,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
): Layers {
  const effort = law.effort(effect);
  const score = paperScore(bench, effort > COARSE ? 2 : 1);
  const mask = workedWhere(score, FEATHER, law.worked(effect), meeting, layers, bench);
  const count = mask.length;
  const memory = new Memory();
  const left = memory.room(4 * count);
  memory.run.addTimes(left, memory.put(mask), count, effort);
  const film = new FilmRoom(memory, count);
  const after = [...layers];
  for (let index = layers.length - 1; index >= 0; index--) {
    const layer = layers[index]!;
    const cover = film.load(layer);
    const goesOn = memory.run.abrade(left, film.thickness, cover, count, law.hardness(layer.film), TRACE);
    after[index] = { ...layer, thickness: memory.floats(film.thickness, count) };
    if (goesOn === 0) break;
  }
  return after;
}

/** A film thicker than this holds what is rubbed above it. */
const BARRIER = 1;

/** A wet cloth opens soluble films from the top until one holds. */
function open<E extends Effect>(
  effect: E,
  law: Opening<E>,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
): Layers {
  const mask = workedWhere(clothScore(bench), WET_FEATHER, law.worked(effect), meeting, layers, bench);
  const count = mask.length;
  const memory = new Memory();
  const held = memory.room(count);
  const by = memory.put(mask);
  const film = new FilmRoom(memory, count);
  const after = [...layers];
  for (let index = layers.length - 1; index >= 0; index--) {
    const layer = layers[index]!;
    const cover = film.load(layer);
    if (!law.goes(effect, layer.film, meeting)) {
      memory.run.holdBack(held, film.thickness, cover, count, BARRIER);
      continue;
    }
    memory.run.dissolve(held, by, film.thickness, count, TRACE);
    after[index] = { ...layer, thickness: memory.floats(film.thickness, count) };
  }
  return after;
}

/** Films that let go at a place, as indexes from the lowest up, and how much more of the lowest comes away than usual. */
interface Loose {
  films: readonly number[];
  eager: number;
}

/** Sorts out what lets go at each pixel: the same stacks come up again and again, and each is looked at once. */
function looseness<E extends Effect>(effect: E, law: Flaking<E>, meeting: Meeting, layers: Layers) {
  const known = new Map<string, Loose>();
  return (at: number): Loose => {
    let key = "";
    for (let index = 0; index < layers.length; index++) {
      const { thickness, cover } = layers[index]!;
      if (thickness[at]! > TRACE && (cover === null || cover[at]! > 0))
        key += cover === null || cover[at]! >= 128 ? `${index},` : `~${index},`;
    }
    let loose = known.get(key);
    if (loose === undefined) {
      const films: number[] = [];
      let under: Film | null = null;
      for (const part of key.split(",")) {
        if (part === "") continue;
        const fringe = part.startsWith("~");
        const index = Number(fringe ? part.slice(1) : part);
        const { film } = layers[index]!;
        if (law.letsGo(effect, film, under, meeting)) films.push(index);
        if (!fringe) under = film;
      }
      loose = { films, eager: films.length === 0 ? 0 : law.eager(effect, layers[films[0]!]!.film) };
      known.set(key, loose);
    }
    return loose;
  };
}

/** Films that would let go of something that lies here: where none of them lies, nothing is looked up. */
function couldLetGo<E extends Effect>(effect: E, law: Flaking<E>, meeting: Meeting, layers: Layers): Layers {
  const beneath = [null, ...layers.map(({ film }) => film)];
  return layers.filter(({ film }, index) =>
    beneath.slice(0, index + 1).some((under) => law.letsGo(effect, film, under, meeting)),
  );
}

/** Films come away in flakes, down to the lowest that lets go. */
function flake<E extends Effect>(
  effect: E,
  law: Flaking<E>,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
): Layers {
  const loose = couldLetGo(effect, law, meeting, layers);
  if (loose.length === 0) return layers;
  const looseAt = looseness(effect, law, meeting, layers);
  const worked = law.worked(effect);
  const score = flakeScore(bench.relief, bench.seed);
  const masks = new Map<number, Field>();
  const maskFor = (eager: number): Field => {
    let mask = masks.get(eager);
    if (!mask) {
      const share = byRelief((name) => worked[name] * eager);
      mask = workedWhere(Float32Array.from(score), CRISP, share, meeting, layers, bench);
      masks.set(eager, mask);
    }
    return mask;
  };
  const covers = new Map<number, Uint8Array>();
  const coverOf = (index: number): Uint8Array => {
    let cover = covers.get(index);
    if (!cover) {
      const was = layers[index]!.cover;
      cover = was ? Uint8Array.from(was) : new Uint8Array(score.length).fill(255);
      covers.set(index, cover);
    }
    return cover;
  };
  for (let at = 0; at < score.length; at++) {
    let lies = false;
    for (const { thickness } of loose) if (thickness[at]! > TRACE) lies = true;
    if (!lies) continue;
    const { films, eager } = looseAt(at);
    if (films.length === 0) continue;
    const part = maskFor(eager)[at]!;
    if (part <= 0) continue;
    // a film goes with whatever under it lets go: with all of it, or only with its fringe
    let going = 0;
    for (let index = films[0]!; index < layers.length; index++) {
      const { thickness, cover } = layers[index]!;
      if (films.includes(index)) going = Math.max(going, cover === null ? 1 : cover[at]! / 255);
      if (thickness[at]! > 0) coverOf(index)[at] = Math.round(coverOf(index)[at]! * (1 - part * going));
    }
  }
  return layers.map((layer, index) => (covers.has(index) ? { ...layer, cover: covers.get(index)! } : layer));
}

/** How far apart the teeth of a comb stand, and how long it runs in one pull, in pixels. */
const COMB = { long: 260, apart: 2.6 };

/** What a tool leaves of a wet film, about 1: a rag more in hollows, a dabbing rag its folds, a comb its ridges, a softener all alike. */
function wipeTexture(bench: WorkedBoard, how: string): Field {
  const { relief, grid, seed } = bench;
  if (how === "comb")
    return reckon(grid, 1)
      .plus(0.9, streaks(grid, seed, COMB.long, COMB.apart, relief.upright))
      .plus(0.3, relief.recess)
      .held(0.04, 8)
      .field();
  if (how === "soften")
    return reckon(grid, 1)
      .plus(0.02, clouds(grid, seed, 60, 2))
      .held(0.08, 8)
      .field();
  const low = reckon(grid, 1).plus(0.012, hollows(bench)).held(0.76, 3);
  const dabbed = how === "rag-off";
  const peaks = reckon(grid).plus(0.009, dips(bench)).raised();
  return reckon(grid, 1)
    .plus(dabbed ? -0.42 : 0.2, dabbed ? ragged(grid, seed) : streaks(grid, seed, 60, 1.1, relief.upright))
    .plus(dabbed ? 0.08 : 0.24, clouds(grid, seed + 9, 34, 3))
    .times(low)
    .times(peaks)
    .plus(0.3, relief.recess)
    .held(0.08, 8)
    .field();
}

const ROUNDS = 4;

/** Factors of each relief class so that a texture, cut off at 1, comes out at these means: a cloth leaves no more than there was. */
function factorsBelowOne(texture: Field, means: ByRelief, relief: PanelRelief): ByRelief {
  const { sampledClasses, sample } = relief;
  const values = sampled(texture, sample);
  const count = values.length;
  const wholes = RELIEF_CLASSES.map((_, name) => {
    let whole = 0;
    for (let at = name * count; at < (name + 1) * count; at++) whole += sampledClasses[at]!;
    return whole;
  });
  let aim = means;
  for (let round = 0; ; round++) {
    const factors = classFactors(texture, aim, relief);
    if (round === ROUNDS) return factors;
    const { arris, field, high, recess } = factors;
    const sums = [0, 0, 0, 0];
    for (let at = 0; at < count; at++) {
      const [onArris, onField] = [sampledClasses[at]!, sampledClasses[count + at]!];
      const [onHigh, inRecess] = [sampledClasses[2 * count + at]!, sampledClasses[3 * count + at]!];
      const left = Math.min(1, (arris * onArris + field * onField + high * onHigh + recess * inRecess) * values[at]!);
      sums[0]! += onArris * left;
      sums[1]! += onField * left;
      sums[2]! += onHigh * left;
      sums[3]! += inRecess * left;
    }
    const was = aim;
    aim = byRelief((name) => {
      const index = RELIEF_CLASSES.indexOf(name);
      return wholes[index]! > 0 && sums[index]! > 0
        ? (was[name] * means[name] * wholes[index]!) / sums[index]!
        : was[name];
    });
  }
}

const isWhole = (share: ByRelief) => RELIEF_CLASSES.every((name) => share[name] >= 1);

/** Where a step that works everywhere alike is at work, 0 to 1 a pixel; null for the whole face. */
function partWhere(meeting: Meeting, layers: Layers, bench: WorkedBoard, softness: number): Field | null {
  const { grid, seed } = bench;
  if (regionOf(meeting.phase.where, bench) === null && isWhole(shareWorked(EVEN, meeting))) return null;
  return workedWhere(clouds(grid, seed + 70, 30, 4).field(), softness, EVEN, meeting, layers, bench);
}

/** The film on top is taken down to a part of itself, where it can be. */
function thin<E extends Effect>(
  effect: E,
  law: Thinning<E>,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
): Layers {
  const leaves = layers.map(({ film }) => byRelief((name) => law.left(effect, film, name, meeting)));
  if (leaves.every(isWhole)) return layers;
  const { relief, grid } = bench;
  const tops = topsOf(layers, grid);
  const texture = wipeTexture(bench, meeting.phase.technique.id);
  const mask = partWhere(meeting, layers, bench, 0.5);
  const made = new Map<string, Field>();
  const leftOf = (of: ByRelief): Field => {
    const key = RELIEF_CLASSES.map((name) => of[name]).join();
    let left = made.get(key);
    if (!left) {
      left = shaped(texture, factorsBelowOne(texture, of, relief), 1, relief);
      made.set(key, left);
    }
    return left;
  };
  return layers.map((layer, index) => {
    if (isWhole(leaves[index]!)) return layer;
    const left = leftOf(leaves[index]!);
    const thickness = Float32Array.from(layer.thickness);
    let touched = false;
    for (let at = 0; at < thickness.length; at++) {
      if (tops[at] !== index) continue;
      touched = true;
      const part = mask === null ? 1 : mask[at]!;
      const rest = thickness[at]! * (1 - part * (1 - Math.min(1, left[at]!)));
      thickness[at] = rest < TRACE ? 0 : rest;
    }
    return touched ? { ...layer, thickness } : layer;
  });
}

/** A film that opens in a net of cracks where it may: they run in no direction, closer where it lies thin. */
function crazed(
  layer: Layer,
  share: Share,
  mayCrack: (at: number) => boolean,
  { relief, grid, seed }: WorkedBoard,
): Layer {
  let thickness = 0;
  let count = 0;
  for (const at of relief.sample)
    if (mayCrack(at)) {
      thickness += layer.thickness[at]!;
      count++;
    }
  if (count === 0) return layer;
  const spacing = Math.round(10 * crackSpacing(thickness / count, thickness / count)) / 10;
  const cracks = cracksNamed(`${spacing} ${seed} ${relief.name} crazed`, () => ({
    spacing,
    wide: grid.wide,
    tall: grid.tall,
    stroked: false,
    upright: () => false,
    seed: seed + 5,
  }));
  const open = crackMask(cracks, grid, relief.sample, share, mayCrack);
  const cover = new Uint8Array(open.length);
  const drawn = Float32Array.from(layer.thickness);
  for (let at = 0; at < cover.length; at++) {
    cover[at] = Math.round((1 - open[at]!) * (layer.cover === null ? 255 : layer.cover[at]!));
    // none of it is lost: it draws together beside the cracks
    if (mayCrack(at)) drawn[at]! /= 1 - share;
  }
  return { ...layer, thickness: drawn, cover };
}

/** The films on top, where something changes about them: dried, keyed, polished, turned. What is not on top stays as it was. */
function turn<E extends Effect>(
  effect: E,
  law: Turning<E>,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
): Layers {
  const films = layers.map(({ film }) => law.turned(effect, film));
  if (films.every((film, index) => film === layers[index]!.film)) return layers;
  const { grid } = bench;
  const tops = topsOf(layers, grid);
  const mask = partWhere(meeting, layers, bench, CRISP);
  return layers.flatMap((layer, index): Layer[] => {
    const film = films[index]!;
    if (film === layer.film) return [layer];
    const here = (at: number) => tops[at] === index && (mask === null || mask[at]! >= 0.5);
    const torn = law.torn(effect, layer.film, meeting);
    return turnedWhere(torn > 0 ? crazed(layer, torn, here, bench) : layer, film, tops.length, here);
  });
}

/** Everything comes off where the step works. */
function strip(meeting: Meeting, layers: Layers, bench: WorkedBoard): Layers {
  const where = partWhere(meeting, layers, bench, CRISP);
  if (where === null) return [];
  return layers.map((layer) => ({
    ...layer,
    cover: Uint8Array.from(where, (part, index) =>
      Math.round((1 - part) * (layer.cover === null ? 255 : layer.cover[index]!)),
    ),
  }));
}

/** What an effect takes off or changes, by its law. Everything that it leaves alone is the same layer, bit for bit. */
export function take(effect: Effect, meeting: Meeting, layers: Layers, bench: WorkedBoard): Layers {
  if (layers.length === 0) return layers;
  const law = lawOf(effect);
  switch (law.way) {
    case "wears":
      return wear(effect, law, meeting, layers, bench);
    case "opens":
      return open(effect, law, meeting, layers, bench);
    case "flakes":
      return flake(effect, law, meeting, layers, bench);
    case "thins":
      return thin(effect, law, meeting, layers, bench);
    case "turns":
      return turn(effect, law, meeting, layers, bench);
    case "strips":
      return strip(meeting, layers, bench);
    default:
      return layers;
  }
}
