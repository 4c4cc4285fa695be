import { opens } from "../drying/solubility.ts";
import { isReliefClass, RELIEF_CLASSES } from "../plan/plan.ts";
import { type ByRelief, byRelief, type Effect } from "../surface/phase.ts";
import { chipsDownTo, type GroundState, HARDNESS_OF_SOFT_PAINT, ripeness, warmedFilm } from "../surface/surface.ts";
import { EVEN } from "../surface/technique.ts";
import { flakeScore } from "./flakes.ts";
import { type Field, fieldOn } from "./grid.ts";
import { ragged } from "./hands/dabs.ts";
import { hollows } from "./hands/fluid.ts";
import type { Bench } from "./hands/hand.ts";
import { Memory, reckon } from "./kernels.ts";
import { type Coat, classFactors, shaped } from "./lay.ts";
import { FilmRoom, kindsOf, type Layer, type Layers, TRACE, topsOf } from "./layers.ts";
import { maskOf, regionOf } from "./mask.ts";
import { clouds, noise, streaks } from "./noise.ts";

type Working = Extract<Effect, { does: "dissolve" | "abrade" | "chip" }>;

/** Share of each class that a taking works on. */
const shareWorked = (worked: ByRelief, { phase: { where } }: Coat): ByRelief =>
  byRelief((name) => (isReliefClass(where.on) && where.on !== name ? 0 : where.share * worked[name]));

const MOST_PRESSURE = 2.6;

/** Where a damp cloth bears: softly over what stands proud, in clouds. */
function clothScore({ relief, grid, seed }: Bench): Field {
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

/** Where paper or a blade bears: hard on edges, in fine lines along the stroke. */
function paperScore({ relief, grid, seed }: Bench, coarse: number): Field {
  return reckon(grid)
    .plus(1, relief.pressure)
    .held(0, MOST_PRESSURE)
    .scaled(0.75)
    .plus(0.4, relief.edge)
    .plus(0.34, streaks(grid, seed, 16, 0.35 * coarse, relief.upright))
    .plus(0.3, clouds(grid, seed + 3, 13, 3, 0.6))
    .plus(0.12, noise(grid, seed + 5, 0.7))
    .plus(0.3, relief.nearBorder)
    .field();
}

/** How far paper of a coarseness feathers, in units of its score. */
const FEATHER = 0.12;
const WET_FEATHER = 0.6;
const CRISP = 0.07;

function workMask(effect: Working, coat: Coat, layers: Layers, bench: Bench): Field {
  const worked = shareWorked(effect.worked, coat);
  const region = regionOf(coat.phase.where.on, bench);
  const kinds = kindsOf(layers, bench.grid, bench.relief.sample);
  const cut = (score: Field, softness: number) =>
    maskOf({ score, share: worked, softness, region, kinds }, bench.relief);
  if (effect.does === "chip") return cut(flakeScore(bench.relief, bench.seed), CRISP);
  if (effect.does === "dissolve") return cut(clothScore(bench), WET_FEATHER);
  return cut(paperScore(bench, effect.micrometres > 40 ? 2 : 1), FEATHER);
}

/** Paper takes so much effort; hard films lose less of themselves to it. From the top down, until the effort is spent. */
function abrade(effect: Extract<Effect, { does: "abrade" }>, mask: Field, layers: Layers): Layers {
  const count = mask.length;
  const memory = new Memory();
  const left = memory.room(4 * count);
  memory.run.addTimes(left, memory.put(mask), count, effect.micrometres);
  const film = new FilmRoom(memory, count);
  const after = [...layers];
  for (let index = layers.length - 1; index >= 0; index--) {
    const layer = layers[index]!;
    const cover = film.load(layer);
    const hard = layer.film.material.hardness.typical / HARDNESS_OF_SOFT_PAINT;
    const goesOn = memory.run.abrade(left, film.thickness, cover, count, hard, TRACE);
    after[index] = { ...layer, thickness: memory.floats(film.thickness, count) };
    if (goesOn === 0) break;
  }
  return after;
}

/** A film thicker than this holds what is rubbed above it. */
const BARRIER = 1;

/** A wet cloth opens soluble films from the top until one holds. */
function dissolve(
  effect: Extract<Effect, { does: "dissolve" }>,
  mask: Field,
  layers: Layers,
  { at: now }: Coat,
): Layers {
  const count = mask.length;
  const memory = new Memory();
  const held = memory.room(count);
  const by = memory.put(mask);
  const film = new FilmRoom(memory, count);
  const after = [...layers];
  for (let index = layers.length - 1; index >= 0; index--) {
    const layer = layers[index]!;
    const cover = film.load(layer);
    if (!opens(layer.film.material, effect.solvent, ripeness(layer.film, now), effect.rubbing)) {
      memory.run.holdBack(held, film.thickness, cover, count, BARRIER);
      continue;
    }
    memory.run.dissolve(held, by, film.thickness, count, TRACE);
    after[index] = { ...layer, thickness: memory.floats(film.thickness, count) };
  }
  return after;
}

/** Films from the top down to and with `lowest` come away where the mask says so. */
function flakeOff(mask: Field, layers: Layers, lowestAt: (at: number) => number): Layers {
  const covers = layers.map((layer) => layer.cover);
  const own = new Set<number>();
  for (let at = 0; at < mask.length; at++) {
    if (mask[at]! <= 0) continue;
    const lowest = lowestAt(at);
    for (let index = layers.length - 1; index >= lowest; index--) {
      if (layers[index]!.thickness[at]! <= 0) continue;
      if (!own.has(index)) {
        covers[index] = covers[index] ? Uint8Array.from(covers[index]!) : new Uint8Array(mask.length).fill(255);
        own.add(index);
      }
      const cover = covers[index]!;
      cover[at] = Math.round(cover[at]! * (1 - mask[at]!));
    }
  }
  return layers.map((layer, index) => (own.has(index) ? { ...layer, cover: covers[index]! } : layer));
}

function chip(mask: Field, layers: Layers, ground: GroundState): Layers {
  // the same stacks come up at pixel after pixel: each is looked at once
  const known = new Map<string, number>();
  return flakeOff(mask, layers, (at) => {
    const here: number[] = [];
    for (let index = layers.length - 1; index >= 0; index--) {
      const { thickness, cover } = layers[index]!;
      if (thickness[at]! > TRACE && (cover === null || cover[at]! >= 128)) here.push(index);
    }
    const key = here.join();
    let lowest = known.get(key);
    if (lowest === undefined) {
      const gone = chipsDownTo(
        here.map((index) => layers[index]!.film),
        ground,
      );
      lowest = gone === 0 ? layers.length : here[gone - 1]!;
      known.set(key, lowest);
    }
    return lowest;
  });
}

function scrape(layers: Layers): Layers {
  const lowest = layers.findIndex(({ film }) => film.material.role === "crumb");
  if (lowest < 0) return layers;
  const { thickness, cover } = layers[lowest]!;
  const mask = fieldOn({ width: thickness.length, height: 1, millimetres: 1 });
  for (let at = 0; at < mask.length; at++) mask[at] = thickness[at]! > TRACE ? (cover ? cover[at]! / 255 : 1) : 0;
  return flakeOff(mask, layers, () => lowest);
}

/** What a rag leaves, about 1: more in hollows, less where it pressed; a dabbing rag leaves its folds. */
function wipeTexture(bench: Bench, how: string): Field {
  const { relief, grid, seed } = bench;
  const low = reckon(grid, 1).plus(0.012, hollows(bench)).held(0.76, 3);
  const dabbed = how === "rag-off";
  return reckon(grid, 1)
    .plus(dabbed ? -0.42 : 0.2, dabbed ? ragged(grid, seed) : streaks(grid, seed, 60, 1.1, relief.upright))
    .plus(dabbed ? 0.08 : 0.24, clouds(grid, seed + 9, 34, 3))
    .times(low)
    .plus(0.3, relief.recess)
    .held(0.08, 8)
    .field();
}

/** The film on top is taken down to a part of itself, where it can be. */
function thin(leaves: ByRelief, coat: Coat, layers: Layers, bench: Bench, takes: (layer: Layer) => boolean): Layers {
  const able = layers.map(takes);
  if (!able.includes(true)) return layers;
  const { relief, grid, seed } = bench;
  const tops = topsOf(layers, grid);
  const texture = wipeTexture(bench, coat.phase.technique.id);
  const left = shaped(texture, classFactors(texture, leaves, relief), 1, relief);
  const { share } = coat.phase.where;
  const region = regionOf(coat.phase.where.on, bench);
  const worked = shareWorked(EVEN, coat);
  const whole = region === null && RELIEF_CLASSES.every((name) => worked[name] >= 1);
  const mask =
    whole && share >= 1
      ? null
      : maskOf(
          {
            score: clouds(grid, seed + 70, 30, 4).field(),
            share: worked,
            softness: 0.5,
            region,
            kinds: kindsOf(layers, grid, relief.sample),
          },
          relief,
        );
  return layers.map((layer, index) => {
    if (!able[index]) return layer;
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

/** The top films, where they fit, with something about them changed: dried, keyed, polished, turned. */
function turned(
  layers: Layers,
  fits: (layer: Layer) => boolean,
  change: (film: Layer["film"]) => Layer["film"],
): Layers {
  const last = layers.length - 1;
  return layers.map((layer, index) => (index === last && fits(layer) ? { ...layer, film: change(layer.film) } : layer));
}

/** What an effect takes off or changes. Everything that it leaves alone is the same layer, bit for bit. */
export function take(effect: Effect, coat: Coat, layers: Layers, bench: Bench, ground: GroundState): Layers {
  if (layers.length === 0) return layers;
  switch (effect.does) {
    case "abrade":
      return abrade(effect, workMask(effect, coat, layers, bench), layers);
    case "dissolve":
      return dissolve(effect, workMask(effect, coat, layers, bench), layers, coat);
    case "chip":
      return chip(workMask(effect, coat, layers, bench), layers, ground);
    case "scrape":
      return scrape(layers);
    case "thin":
      return thin(effect.leaves, coat, layers, bench, ({ film }) =>
        opens(film.material, "water", ripeness(film, coat.at), coat.phase.technique.rubbing),
      );
    case "lift":
      return thin(effect.leaves, coat, layers, bench, ({ film }) => film.material.binder === effect.binder);
    case "strip":
      return [];
    case "force dry":
      return turned(
        layers,
        () => true,
        (film) => warmedFilm(film, effect.minutes),
      );
    case "key":
      return turned(
        layers,
        () => true,
        (film) => ({ ...film, keyed: true }),
      );
    case "react":
      return turned(
        layers,
        ({ film }) => film.material.reacts,
        (film) => ({ ...film, reacted: true }),
      );
    case "polish":
      return turned(
        layers,
        ({ film }) => film.material.binder === "wax",
        (film) => ({ ...film, polished: true }),
      );
    default:
      return layers;
  }
}
