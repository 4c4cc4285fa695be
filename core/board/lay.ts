import { fromMasstone } from "../colour/film.ts";
import { innerSpectrum, opticsOf } from "../colour/material-colour.ts";
import { solved } from "../colour/reflectance.ts";
import { RELIEF_CLASSES } from "../plan/plan.ts";
import { type ByRelief, byRelief, type Effect } from "../surface/effect.ts";
import { freshFilm, type LaidOn, TRACE } from "../surface/film.ts";
import type { Laying, Meeting } from "../surface/laws/law.ts";
import { CRACK_SHARE, cracksOver, meltsInto, UNEVEN } from "../surface/laws/laying.ts";
import type { Phase } from "../surface/phase.ts";
import { reachesClass } from "../surface/places.ts";
import { type LayingId, lays } from "../surface/techniques/lay.ts";
import type { Share } from "../units/units.ts";
import { crackMask, crackSpacing, cracksNamed } from "./crackle.ts";
import { type Field, fieldOn, type Grid, gridOver } from "./grid.ts";
import type { CoatSpread, WorkedBoard } from "./hands/hand.ts";
import { handOf } from "./hands/hands.ts";
import { asField, Memory, reckon } from "./kernels.ts";
import { isMetal, kindsOf, type Layer, type Layers, opticsLaid, topAt, topsOf, turnedWhere } from "./layers.ts";
import { cloudScore, maskOf, regionOf, sampled } from "./mask.ts";
import { clouds } from "./noise.ts";
import { classesIn, type PanelRelief } from "./relief.ts";

/**
 * Factors of each relief class so that a texture comes out, class by class, at the mean the technique's profile tells.
 * Classes run into one another at their borders, so the four are solved together.
 */
export function classFactors(weight: Field, profile: ByRelief, { sampledClasses, sample }: PanelRelief): ByRelief {
  const memory = new Memory();
  const moments = memory.room(8 * 16);
  const whole = memory.room(8 * 4);
  memory.run.classMoments(
    memory.put(sampled(weight, sample)),
    memory.put(sampledClasses),
    sample.length,
    moments,
    whole,
  );
  const wholes = memory.doubles(whole, 4);
  const sums = memory.doubles(moments, 16);
  const rows = RELIEF_CLASSES.map((_, value) =>
    RELIEF_CLASSES.map(
      (_, other) => sums[4 * value + other]! / Math.max(1e-6, wholes[value]!) + (value === other ? 1e-6 : 0),
    ),
  );
  const found = solved(
    rows,
    RELIEF_CLASSES.map((name) => profile[name]),
  );
  return byRelief((name) => Math.max(0, found?.[RELIEF_CLASSES.indexOf(name)] ?? profile[name]));
}

/** Multiplies a texture by factors that change from class to class as the panel does. */
export function shaped(weight: Field, factors: ByRelief, amount: number, relief: PanelRelief): Field {
  const memory = new Memory();
  const to = memory.copied(weight);
  memory.run.shape(
    to,
    ...classesIn(memory, relief),
    weight.length,
    amount * factors.arris,
    amount * factors.field,
    amount * factors.high,
    amount * factors.recess,
  );
  return memory.floats(to, weight.length);
}

function toCover(mask: Field): Uint8Array {
  const memory = new Memory();
  const bytes = memory.room(mask.length);
  memory.run.toBytes(memory.put(mask), bytes, mask.length);
  return memory.bytes(bytes, mask.length);
}

/** One way in which what is laid meets what lies on top: the film it makes, and how thick that is by relief class. */
interface Met {
  on: LaidOn;
  amount: ByRelief;
}

/** How a laying meets each film, and the bare ground (at −1). */
interface Meets {
  ways: readonly Met[];
  /** index of the way at each film from the ground up, the ground itself first */
  wayOn: readonly number[];
}

function waysOfMeeting<E extends Effect>(effect: E, law: Laying<E>, { phase, ground }: Meeting, layers: Layers): Meets {
  const ways: Met[] = [];
  const films = [null, ...layers.map(({ film }) => film)];
  const wayOn = films.map(() => 0);
  // from the top down: of those that take it alike, the film laid last, which most of it meets, says how fast it is drawn dry
  for (let at = films.length - 1; at >= 0; at--) {
    const on = law.meets(phase.material!, films[at] ?? null, ground);
    const known = ways.findIndex((way) => way.on.soaked === on.soaked);
    if (known >= 0) wayOn[at] = known;
    else wayOn[at] = ways.push({ on, amount: byRelief((name) => law.amount(effect, name, on)) }) - 1;
  }
  return { ways, wayOn };
}

/** Share of each class that a laying reaches. */
const shareLaid = ({ ways }: Meets, { phase: { where } }: Meeting): ByRelief =>
  byRelief((name) => {
    if (!reachesClass(where, name)) return 0;
    return ways.some(({ amount }) => amount[name] >= TRACE) ? where.share : 0;
  });

/** Leaf tears and crumb skips a little even where they are laid whole. */
const TORN: Share = 0.025;

/** Where a laying finds something to hold to; null where it asks for nothing. */
function holdsWhere<E extends Effect>(
  effect: E,
  law: Laying<E>,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
): Uint8Array | null {
  const fits = [null, ...layers.map(({ film }) => film)].map((film) => law.holds(effect, film, meeting));
  if (fits.every(Boolean)) return null;
  const tops = topsOf(layers, bench.grid);
  const holds = new Uint8Array(tops.length);
  for (let at = 0; at < holds.length; at++) holds[at] = fits[tops[at]! + 1] ? 1 : 0;
  return holds;
}

/** How much wider an edge is that melts into a wet one. */
const MELTED = 2.6;

const meetsWet = ({ phase, at }: Meeting, layers: Layers): boolean =>
  layers.some(({ film }) => film.phaseId !== phase.id && meltsInto(phase.material!, film, at));

function coverOf<E extends Effect>(
  effect: E,
  law: Laying<E>,
  share: ByRelief,
  meeting: Meeting,
  laid: CoatSpread,
  layers: Layers,
  bench: WorkedBoard,
): Field | null {
  const { relief, seed } = bench;
  const region = regionOf(meeting.phase.where, bench);
  const holds = holdsWhere(effect, law, meeting, layers, bench);
  const torn = holds !== null && meeting.phase.material?.role === "leaf" ? TORN : 0;
  const whole = RELIEF_CLASSES.every((name) => share[name] >= 1) && region === null && torn === 0;
  // a class taken whole or not at all asks for no measuring
  const pinned = torn === 0 && RELIEF_CLASSES.every((name) => share[name] <= 0 || share[name] >= 1);
  const cover = whole
    ? null
    : maskOf(
        {
          score: laid.breaks ? asField(laid.breaks) : cloudScore(relief, seed + 61, 26),
          share: byRelief((name) => share[name] * (1 - torn)),
          softness: laid.softness * (meetsWet(meeting, layers) ? MELTED : 1),
          region,
          kinds: pinned ? null : kindsOf(layers, bench.grid, relief.sample),
        },
        relief,
      );
  if (holds === null) return cover;
  const held = cover ?? fieldOn(bench.grid).fill(1);
  for (let at = 0; at < held.length; at++) if (holds[at] === 0) held[at] = 0;
  return held;
}

/** Which films a coat laid now would tear over. */
function tearing({ phase, at }: Meeting, layers: Layers): boolean[] {
  return layers.map(({ film }) => cracksOver(film, phase.material!, at));
}

/**
 * A hand lays the medium here thicker and there thinner than its brush marks tell. That is broad: a coarse picture of it will
 * do, the same at every size of board.
 */
const UNEVEN_MILLIMETRES = 3.125;
const unevenGrid = ({ wide, tall }: Grid): Grid => gridOver(wide, tall, UNEVEN_MILLIMETRES);
const unevenAt = ({ width, height, millimetres }: Grid, x: number, y: number): number => {
  const column = Math.min(width - 1, Math.max(0, Math.floor(x / millimetres)));
  return Math.min(height - 1, Math.max(0, Math.floor(y / millimetres))) * width + column;
};

/** Techniques whose strokes run one way: cracks follow them (common practice). */
const STROKED: ReadonlySet<string> = new Set<LayingId>([
  "brush",
  "thin-coat",
  "dry-brush",
  "wash",
  "two-tone",
  "drag",
  "card-smear",
]);

/** Micrometres of medium that lie on one another at a place, coat over coat. */
function mediumAt(layers: Layers, at: number): number {
  let sum = 0;
  for (let index = topAt(layers, at); index >= 0; index--) {
    const { film, thickness, cover } = layers[index]!;
    const lies = thickness[at]! > 0 && (cover === null || cover[at]! > 0);
    if (lies && film.material.role !== "medium") break;
    if (lies) sum += thickness[at]!;
  }
  return sum;
}

/** A coat that may have opened in cracks: where it lies, and how thick. */
interface Cracked {
  cover: Field | null;
  thickness: readonly Field[];
}

/** Opens the coat along grown cracks where it lies on a medium at its tack; what lay in them draws together beside them. */
function cracked(meeting: Meeting, { cover, thickness }: Cracked, layers: Layers, bench: WorkedBoard): Cracked {
  const tears = tearing(meeting, layers);
  if (!tears.includes(true)) return { cover, thickness };
  const { relief, grid, seed } = bench;
  const tops = topsOf(layers, grid);
  const mayCrack = (at: number) => tops[at]! >= 0 && tears[tops[at]!]!;
  let medium = 0;
  let paint = 0;
  let count = 0;
  for (const at of relief.sample)
    if (mayCrack(at)) {
      medium += mediumAt(layers, at);
      paint += thickness[0]![at]!;
      count++;
    }
  if (count === 0) return { cover, thickness };
  const { upright } = relief;
  const pixelAt = (x: number, y: number) =>
    Math.min(grid.height - 1, Math.max(0, Math.floor(y / grid.millimetres))) * grid.width +
    Math.min(grid.width - 1, Math.max(0, Math.floor(x / grid.millimetres)));
  // rounded, so that a rough picture measures the same as a fine one
  const spacing = Math.round(10 * crackSpacing(medium / count, paint / count)) / 10;
  const stroked = STROKED.has(meeting.phase.technique.id);
  const cracks = cracksNamed(`${spacing} ${seed} ${relief.name} ${stroked}`, () => {
    const coarse = unevenGrid(grid);
    const uneven = clouds(coarse, seed + 9, 55, 3, 0.6).field();
    return {
      spacing,
      wide: grid.wide,
      tall: grid.tall,
      stroked,
      upright: (x, y) => upright[pixelAt(x, y)] === 1,
      thick: (x, y) => 1 + 0.3 * uneven[unevenAt(coarse, x, y)]!,
      seed: seed + 5,
    };
  });
  const open = crackMask(cracks, grid, relief.sample, CRACK_SHARE, mayCrack);
  for (let at = 0; at < open.length; at++) open[at] = (1 - open[at]!) * (cover ? cover[at]! : 1);
  const drawn = thickness.map((field) =>
    field.map((lies, index) => (mayCrack(index) ? lies / (1 - CRACK_SHARE) : lies)),
  );
  return { cover: open, thickness: drawn };
}

/** A medium that has torn a coat tears no other: what the coat has reached of it is spent. */
function spent(meeting: Meeting, reached: Field | null, layers: Layers, { grid }: WorkedBoard): Layers {
  const tears = tearing(meeting, layers);
  if (!tears.includes(true)) return layers;
  const tops = topsOf(layers, grid);
  return layers.flatMap((layer, index) =>
    tears[index]
      ? turnedWhere(
          layer,
          { ...layer.film, spent: true },
          tops.length,
          (at) => tops[at] === index && (reached === null || reached[at]! >= 0.5),
        )
      : [layer],
  );
}

/** A way that takes less than this of the face is not told apart. */
const HARDLY = 0.004;

/** A cover of its own for each way of meeting that there is room for; the one cover for all where there is only one way. */
function coversByWay({ ways, wayOn }: Meets, cover: Uint8Array | null, layers: Layers, { grid }: WorkedBoard) {
  if (ways.length === 1) return [{ way: ways[0]!, cover }];
  const tops = topsOf(layers, grid);
  const onTop = new Float64Array(wayOn.length);
  for (let at = 0; at < tops.length; at++) onTop[tops[at]! + 1]!++;
  const lying = ways.map((_, way) => wayOn.reduce((sum, its, top) => sum + (its === way ? onTop[top]! : 0), 0));
  const most = lying.indexOf(Math.max(...lying));
  const told = ways.map((_, way) => way === most || lying[way]! >= HARDLY * tops.length);
  if (told.filter(Boolean).length === 1) return [{ way: ways[most]!, cover }];
  const owns = ways.map((_, way) => (told[way] ? new Uint8Array(tops.length) : null));
  const ownOn = wayOn.map((way) => owns[way] ?? owns[most]!);
  for (let at = 0; at < tops.length; at++) ownOn[tops[at]! + 1]![at] = cover === null ? 255 : cover[at]!;
  return ways.flatMap((way, index) => (owns[index] ? [{ way, cover: owns[index] }] : []));
}

/** Millimetres from where it lies thin to where it lies thick. */
const UNEVEN_SIZE = 42;

/** A weight that wanders as a hand lays it that means to be uneven. */
function thinAndThick(weight: Field, { grid, seed }: WorkedBoard): Field {
  const wander = clouds(grid, seed + 31, UNEVEN_SIZE, 3).field();
  let sum = 0;
  for (const value of wander) sum += value * value;
  const by = UNEVEN / Math.max(1e-6, Math.sqrt(sum / wander.length));
  return weight.map((value, index) => value * Math.max(LEAST_WEIGHT, 1 + by * wander[index]!));
}

/** However thin it is laid, some of it is there. */
const LEAST_WEIGHT = 0.1;

/** Lays what a phase lays over the films so far, by its law. */
export function lay<E extends Effect>(
  effect: E,
  law: Laying<E>,
  meeting: Meeting,
  layers: Layers,
  bench: WorkedBoard,
): Layers {
  const { phase, at } = meeting;
  const { material, technique } = phase;
  if (material === null || !lays(technique)) return layers;
  const { relief } = bench;
  const meets = waysOfMeeting(effect, law, meeting, layers);
  const laid = handOf(technique.id, material)(bench);
  const weight = phase.uneven ? thinAndThick(asField(laid.weight), bench) : asField(laid.weight);
  const thicknessOf = ({ on, amount }: Met) => {
    const uneven = law.unevenness(on);
    // the power of a weight about 1, near enough, and many times faster
    const marks =
      uneven === 1
        ? weight
        : reckon(bench.grid, 1 - uneven)
            .plus(uneven, weight)
            .field();
    return shaped(marks, classFactors(marks, amount, relief), 1, relief);
  };
  const broken = coverOf(effect, law, shareLaid(meets, meeting), meeting, laid, layers, bench);
  const whole = { cover: broken, thickness: meets.ways.map(thicknessOf) };
  const { cover: open, thickness } = cracked(meeting, whole, layers, bench);
  const under = spent(meeting, broken, layers, bench);
  const fresh = coversByWay(meets, open === null ? null : toCover(open), layers, bench).map(
    ({ way, cover }): Layer => ({
      film: freshFilm(phase, at, material, way.amount.field, way.on, bench.climate),
      optics: opticsLaid(phase),
      metallic: isMetal(phase),
      thickness: thickness[meets.ways.indexOf(way)]!,
      cover,
    }),
  );
  return [
    ...under,
    ...fresh.flatMap((layer) => [
      layer,
      ...secondColour(laid, layer, phase, bench),
      ...printed(laid, layer, phase, bench),
    ]),
  ];
}

/** The part of one film that lies where a mask says, and where the film itself does. */
function coverWithin(mask: Field, film: Layer): Uint8Array {
  const cover = toCover(mask);
  if (film.cover) for (let at = 0; at < cover.length; at++) cover[at] = (cover[at]! * film.cover[at]!) / 255;
  return cover;
}

/** The second colour of a brush that carries two, beside the first and not mixed into it. */
function secondColour(
  { apart, breaks, softness }: CoatSpread,
  first: Layer,
  phase: Phase,
  { relief }: WorkedBoard,
): Layer[] {
  if (!apart || !phase.beside || !breaks) return [];
  const share = byRelief(() => phase.beside!.share);
  const where = maskOf({ score: asField(breaks), share, softness }, relief);
  return [{ ...first, optics: opticsOf(phase.beside.material), cover: coverWithin(where, first) }];
}

const PRINT_HIDES = 0.75;

/** What is printed on a sheet, as films of its own that lie where the sheet does. */
function printed({ prints = [] }: CoatSpread, sheet: Layer, phase: Phase, { grid }: WorkedBoard): Layer[] {
  const { gloss } = phase.material!;
  return prints.map(({ where, colour }) => ({
    film: sheet.film,
    optics: fromMasstone(innerSpectrum(colour, gloss.typical), PRINT_HIDES, 1),
    metallic: false,
    thickness: fieldOn(grid).fill(1),
    cover: coverWithin(where, sheet),
  }));
}
