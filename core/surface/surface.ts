import { type Climate, STANDARD_CLIMATE } from "../drying/climate.ts";
import type { Material } from "../materials/material.ts";
import type { Ground } from "../plan/ground.ts";
import { type PlaceOnFace, RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import type { Instant, Share } from "../units/units.ts";
import type { Effect } from "./effect.ts";
import { drawnTogether, type Film, freshFilm, TRACE } from "./film.ts";
import { type GroundState, groundAfter, groundAt, untouched } from "./ground-state.ts";
import {
  type Flaking,
  type Law,
  type Laying,
  type Meeting,
  type Opening,
  type Wearing,
  type Working,
  workedOn,
} from "./laws/law.ts";
import { lawOf } from "./laws/laws.ts";
import { CRACK_SHARE, cracksOver, isThirsty, soaksIn, UNEVEN } from "./laws/laying.ts";
import { mistedAfter } from "./laws/misting.ts";
import type { Phase } from "./phase.ts";
import { bitOf, isSimple, PLACE_SHARE, placesIn, type Region, reachesClass, takesClass, takesIn } from "./places.ts";
import { laidOn, PATCH_LIMIT, type Patch, type PatchLimit, type Stack, tidied, withTop } from "./stack.ts";

/** The surface as it is: the ground, and per relief class a few patches whose shares sum to 1. */
export interface Surface {
  ground: GroundState;
  patches: Record<ReliefClass, readonly Patch[]>;
  /** named places that have been split off so far, one bit each */
  places: number;
  /** when it was last misted with water; null if never */
  misted: Instant | null;
  /** the air in which it dries */
  climate: Climate;
  patchLimit: PatchLimit;
  /** the share of the face that each named place takes */
  sizes: Readonly<Record<PlaceOnFace, Share>>;
}

/** What lies on a zone, without its ground. */
export type Films = Omit<Surface, "ground">;

const WHOLE: readonly Patch[] = [{ share: 1, stack: null, places: 0 }];
const BARE: Surface["patches"] = { arris: WHOLE, field: WHOLE, high: WHOLE, recess: WHOLE };

/** The bare ground before the first step. */
export const bareSurface = (
  ground: Ground,
  climate: Climate = STANDARD_CLIMATE,
  patchLimit = PATCH_LIMIT,
  sizes = PLACE_SHARE,
): Surface => ({
  ground: untouched(ground),
  patches: BARE,
  places: 0,
  misted: null,
  climate,
  patchLimit,
  sizes,
});

/** A meeting on one relief class of one surface. */
interface Here extends Meeting {
  relief: ReliefClass;
  climate: Climate;
  patchLimit: PatchLimit;
}

/** What is left of a stack where an effect opens it: films go from the top until one holds. */
export function opened<E extends Effect>(stack: Stack, effect: E, law: Opening<E>, working: Working): Stack {
  let left = stack;
  while (left !== null && law.goes(effect, left.film, working)) left = left.below;
  return left;
}

/** Films wear from the top down; a hard film costs more of the effort. */
function worn<E extends Effect>(stack: Stack, effect: E, law: Wearing<E>): Stack {
  const effort = law.effort(effect);
  let spent = 0;
  let at = stack;
  while (at !== null && spent < effort) {
    const { film } = at;
    const needs = film.micrometres * law.hardness(film);
    if (needs > effort - spent)
      return withTop(at, { ...film, micrometres: film.micrometres * (1 - (effort - spent) / needs) });
    spent += needs;
    at = at.below;
  }
  return at;
}

/** The lowest film of a stack that lets go, with all that lies on it; null where everything holds. */
function loosest<E extends Effect>(stack: Stack, effect: E, law: Flaking<E>, meeting: Meeting): Stack {
  let found: Stack = null;
  for (let at = stack; at !== null; at = at.below)
    if (law.letsGo(effect, at.film, at.below?.film ?? null, meeting)) found = at;
  return found;
}

/** What an effect leaves of a stack where it works, and on how much more of it than usual it works. */
interface Left {
  stack: Stack;
  eager: number;
  /** the part of it where the film on top opens in cracks */
  torn: Share;
}

const turnedOver = (stack: NonNullable<Stack>, film: Film, torn: Share): Left => ({
  stack: withTop(stack, torn > 0 ? drawnTogether(film, torn) : film),
  eager: 1,
  torn,
});

const asItWas = (stack: Stack): Left => ({ stack, eager: 1, torn: 0 });

function worked(stack: Stack, effect: Effect, law: Law, here: Here): Left {
  switch (law.way) {
    case "opens":
      return asItWas(opened(stack, effect, law, here));
    case "wears":
      return asItWas(worn(stack, effect, law));
    case "flakes": {
      const loose = loosest(stack, effect, law, here);
      return loose === null ? asItWas(stack) : { stack: loose.below, eager: law.eager(effect, loose.film), torn: 0 };
    }
    case "thins": {
      if (stack === null) return asItWas(stack);
      const left = law.left(effect, stack.film, here.relief, here);
      return asItWas(left >= 1 ? stack : withTop(stack, { ...stack.film, micrometres: stack.film.micrometres * left }));
    }
    case "turns":
      if (stack === null) return asItWas(stack);
      return turnedOver(stack, law.turned(effect, stack.film), law.torn(effect, stack.film, here));
    case "strips":
      return asItWas(null);
    default:
      return asItWas(stack);
  }
}

/** Fresh films of one phase on one relief class: one for each way of meeting what lies there. */
function freshFilms<E extends Effect>(effect: E, law: Laying<E>, material: Material, here: Here) {
  const made = new Map<string, Film>();
  return (under: Film | null): Film => {
    const on = law.meets(material, under, here.ground);
    const key = `${on.drawnBy} ${on.soaked}`;
    let film = made.get(key);
    if (!film) {
      film = freshFilm(here.phase, here.at, material, law.amount(effect, here.relief, on), on, here.climate);
      made.set(key, film);
    }
    return film;
  };
}

/** A film laid thin here and thick there: half of it each. */
const unevenly = (film: Film): Film[] =>
  [1 - UNEVEN, 1 + UNEVEN].map((part) => ({ ...film, micrometres: film.micrometres * part }));

/** Lays a fresh film on every patch it reaches; over tack it tears, and the cracks stay open. */
function laid<E extends Effect>(
  patches: readonly Patch[],
  effect: E,
  law: Laying<E>,
  here: Here,
  share: (patch: Patch) => Share,
): readonly Patch[] {
  const { phase, at } = here;
  const { material } = phase;
  if (material === null) return patches;
  const filmOn = freshFilms(effect, law, material, here);
  const next: Patch[] = [];
  let broken = false;
  for (const patch of patches) {
    const { places, stack } = patch;
    const under = stack?.film ?? null;
    const film = law.holds(effect, under, here) ? filmOn(under) : null;
    const covered = film !== null && film.micrometres >= TRACE ? share(patch) : 0;
    if (film === null || covered <= 0) {
      next.push(patch);
      broken = true;
      continue;
    }
    const tears = stack !== null && cracksOver(stack.film, film.material, at);
    // a medium that has torn one coat tears no other
    const beneath = tears ? laidOn({ ...stack.film, spent: true }, stack.below) : stack;
    const cracked = tears ? CRACK_SHARE : 0;
    if (covered < 1) next.push({ share: patch.share * (1 - covered), stack, places });
    if (tears) next.push({ share: patch.share * covered * cracked, stack: beneath, places });
    const whole = tears ? drawnTogether(film, cracked) : film;
    const lies = phase.uneven ? unevenly(whole) : [whole];
    for (const part of lies)
      next.push({ share: (patch.share * covered * (1 - cracked)) / lies.length, stack: laidOn(part, beneath), places });
    broken ||= covered < 1 || cracked > 0 || phase.uneven;
  }
  // a coat over everything keeps unlike patches unlike; only what covers in part can make them alike or many
  return broken ? tidied(next, here.patchLimit) : next;
}

/** Share of a relief class that an effect works on, before the step's own share. */
function reach(effect: Effect, law: Law, relief: ReliefClass, region: Region): Share {
  if (law.way === "prepares") return 0;
  return "worked" in law ? workedOn(law.worked(effect), relief, region) : 1;
}

function afterEffect(patches: readonly Patch[], effect: Effect, here: Here): readonly Patch[] {
  const law = lawOf(effect);
  const ofClass = reach(effect, law, here.relief, here.phase.where);
  if (ofClass <= 0) return patches;
  const region = here.phase.where;
  const ofPlace = region.share;
  const within = ({ places }: Patch) => takesIn(region, here.relief, places);
  if (law.way === "lays") return laid(patches, effect, law, here, (patch) => (within(patch) ? ofPlace : 0));
  const next: Patch[] = [];
  let moved = false;
  for (const patch of patches) {
    const { stack, eager, torn } = within(patch) ? worked(patch.stack, effect, law, here) : asItWas(patch.stack);
    const part = stack === patch.stack ? 0 : ofPlace * Math.min(1, ofClass * eager);
    if (part <= 0) {
      next.push(patch);
      continue;
    }
    moved = true;
    if (part < 1) next.push({ share: patch.share * (1 - part), stack: patch.stack, places: patch.places });
    const share = patch.share * part;
    if (torn > 0) next.push({ share: share * torn, stack: patch.stack?.below ?? null, places: patch.places });
    next.push({ share: share * (1 - torn), stack, places: patch.places });
  }
  return moved ? tidied(next, here.patchLimit) : patches;
}

/** Splits a named place off the whole face, the first time that a step goes there. */
function withPlace<Any extends Films>(surface: Any, place: PlaceOnFace): Any {
  const bit = bitOf(place);
  if ((surface.places & bit) !== 0) return surface;
  const inside = surface.sizes[place];
  const split = (patches: readonly Patch[]): readonly Patch[] =>
    tidied(
      patches.flatMap(({ share, stack, places }) => [
        { share: share * inside, stack, places: places | bit },
        { share: share * (1 - inside), stack, places },
      ]),
      surface.patchLimit,
    );
  const { arris, field, high, recess } = surface.patches;
  return {
    ...surface,
    places: surface.places | bit,
    patches: { arris: split(arris), field: split(field), high: split(high), recess: split(recess) },
  };
}

/** What the last phase has left of these patches: zones of one size under one crust go the same way. */
interface LastPhase {
  phase: Phase;
  at: Instant;
  misted: Instant | null;
  climate: Climate;
  /** what it asked of the ground */
  ground: string;
  patches: Surface["patches"];
}
const lastStep = new WeakMap<Surface["patches"], LastPhase>();

/** All that a phase asks of the ground under these patches, as a word that is the same where grounds answer alike. */
function askedOfGround({ patches, ground: whole }: Surface, { effects, material, where }: Phase): string {
  const ground = groundAt(whole, where);
  let asked = "";
  for (const effect of effects) {
    const { way } = lawOf(effect);
    if (way === "flakes")
      asked += `${ground.ground.absorbency} ${ground.ground.tooth} ${ground.keyed} ${ground.deglossed};`;
    else if (way === "lays" && material && soaksIn(material)) {
      const bare = RELIEF_CLASSES.some((relief) => patches[relief].some(({ stack }) => stack === null));
      if (bare) asked += isThirsty(null, ground) ? "thirsty;" : "sealed;";
    }
  }
  return asked;
}

function patchesAfter(surface: Surface, phase: Phase, at: Instant): Surface["patches"] {
  const { misted, climate, patchLimit } = surface;
  const ground = askedOfGround(surface, phase);
  const known = lastStep.get(surface.patches);
  if (
    known &&
    known.phase === phase &&
    known.at === at &&
    known.misted === misted &&
    known.climate === climate &&
    known.ground === ground
  )
    return known.patches;
  const patches = { ...surface.patches };
  for (const relief of RELIEF_CLASSES) {
    if (!reachesClass(phase.where, relief)) continue;
    const here: Here = {
      phase,
      at,
      misted,
      relief,
      ground: groundAt(surface.ground, phase.where),
      climate,
      patchLimit,
    };
    for (const effect of phase.effects) patches[relief] = afterEffect(patches[relief], effect, here);
  }
  const same = RELIEF_CLASSES.every((relief) => patches[relief] === surface.patches[relief]);
  const after = same ? surface.patches : patches;
  lastStep.set(surface.patches, { phase, at, misted, climate, ground, patches: after });
  return after;
}

function isBare(surface: Surface, region: Region): boolean {
  return RELIEF_CLASSES.some(
    (relief) => reachesClass(region, relief) && surface.patches[relief].some((patch) => patch.stack === null),
  );
}

/**
 * The surface after a phase that begins at this instant: the same laws that the sample board draws pixel by pixel, here for the
 * four relief classes. Pure; what does not change is shared with the surface given.
 */
export function apply(surface: Surface, phase: Phase, at: Instant): Surface {
  if (phase.effects.length === 0) return surface;
  const placed = placesIn(phase.where).reduce(withPlace, surface);
  const strips = phase.does.has("strip");
  return {
    ground: strips || isBare(placed, phase.where) ? groundAfter(placed.ground, phase) : placed.ground,
    patches: patchesAfter(placed, phase, at),
    places: placed.places,
    misted: mistedAfter(placed.misted, phase, at),
    climate: placed.climate,
    sizes: placed.sizes,
    patchLimit: placed.patchLimit,
  };
}

/** The patches of a relief class where a step would go, each with its share of the class. */
export function patchesWhere(surface: Films, relief: ReliefClass, region: Region): readonly Patch[] {
  if (!reachesClass(region, relief)) return [];
  if (isSimple(region) && takesClass(region, relief)) return surface.patches[relief];
  const unsplit = placesIn(region).filter((place) => (surface.places & bitOf(place)) === 0);
  const [only] = unsplit;
  // one place that no step has gone to yet is so much of whatever lies there
  if (isSimple(region) && only !== undefined)
    return surface.patches[relief].map((patch) => ({ ...patch, share: patch.share * surface.sizes[only] }));
  const { patches } = unsplit.reduce(withPlace, surface);
  return patches[relief].filter(({ places }) => takesIn(region, relief, places));
}
