import { type Climate, STANDARD_CLIMATE } from "../drying/climate.ts";
import type { Stage } from "../drying/gate.ts";
import type { Coat } from "../drying/law.ts";
import { opens } from "../drying/solubility.ts";
import type { Material } from "../materials/material.ts";
import { type Ground, isTimber } from "../plan/ground.ts";
import { isReliefClass, PLACES, type PlaceOnFace, RELIEF_CLASSES, type ReliefClass, type Where } from "../plan/plan.ts";
import { dryFilm } from "../quantity/spread.ts";
import type { Instant, Micrometres, Minutes, Share } from "../units/units.ts";
import type { ByRelief, Contaminant, Effect, Phase } from "./phase.ts";
import type { Technique } from "./technique.ts";
import { techniquesFor } from "./techniques.ts";

/** One film as it lies on the piece. Never changed in place. */
export interface Film {
  phaseId: string;
  stepId: string;
  material: Material;
  micrometres: Micrometres;
  laidAt: Instant;
  /** what it dries by, and in which air */
  coat: Coat;
  climate: Climate;
  keyed: boolean;
  polished: boolean;
  /** dried by warm air since it was laid */
  forced: boolean;
  /** an acid patina has been laid on it while it could still take it */
  reacted: boolean;
  /** a crackle medium that has torn the coat over it: its tack is over, it only lies bare in the cracks */
  spent: boolean;
  /** laid so that what lies on it comes away again, or laid to come away itself */
  resist: boolean;
  chips: boolean;
}

/**
 * Films from the top down, as a shared list: laying is one link, taking off is following it. Null is the bare ground.
 * Depth and total thickness are kept so that unlike stacks can be distinguished without walking them.
 */
export type Stack = {
  readonly film: Film;
  readonly below: Stack;
  readonly depth: number;
  readonly total: Micrometres;
} | null;

const laid = (film: Film, below: Stack): Stack => ({
  film,
  below,
  depth: (below?.depth ?? 0) + 1,
  total: (below?.total ?? 0) + film.micrometres,
});

/** A part of a relief class with one stack of films. */
export interface Patch {
  share: Share;
  stack: Stack;
  /** which named places of the face it lies in, one bit each */
  places: number;
}

/** The ground as preparing has left it. */
export interface GroundState {
  ground: Ground;
  contamination: readonly Contaminant[];
  keyed: boolean;
  deglossed: boolean;
  sound: boolean;
  /** taken down to bare timber */
  stripped: boolean;
}

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
}

/** Share of a face that each named place takes (from memory). */
export const PLACE_SHARE: Record<PlaceOnFace, Share> = { border: 0.2, hands: 0.12, motif: 0.15, patch: 0.1 };
const bitOf = (place: PlaceOnFace) => 1 << PLACES.indexOf(place);
const isPlace = (on: Where): on is PlaceOnFace => (PLACES as readonly string[]).includes(on);

/** The share of a face that a step's "where" takes in. */
export function shareWhere(on: Where, relief: ByRelief): Share {
  if (on === "everywhere") return 1;
  return isPlace(on) ? PLACE_SHARE[on] : relief[on];
}

export const PATCH_LIMIT = 8;
/** Below this a film is a trace: it is counted as gone. */
const TRACE: Micrometres = 0.3;
/** Patches smaller than this share are folded into a neighbour. */
const SPECK: Share = 0.004;
/** Another layer on top counts as this much difference of thickness. */
const ANOTHER_LAYER: Micrometres = 1000;
/** And lying in another named place, as this much: places stay apart as long as they can. */
const ANOTHER_PLACE: Micrometres = 10_000;

const WHOLE: readonly Patch[] = [{ share: 1, stack: null, places: 0 }];
const BARE: Surface["patches"] = { arris: WHOLE, field: WHOLE, high: WHOLE, recess: WHOLE };

/** The bare ground before the first step. */
export function bareSurface(ground: Ground, climate: Climate = STANDARD_CLIMATE): Surface {
  return {
    ground: {
      ground,
      contamination: ground.contamination,
      keyed: false,
      deglossed: false,
      sound: ground.soundness === "sound",
      stripped: false,
    },
    patches: BARE,
    places: 0,
    misted: null,
    climate,
  };
}

function sameFilm(one: Film, two: Film): boolean {
  if (one === two) return true;
  return (
    one.phaseId === two.phaseId &&
    Math.abs(one.micrometres - two.micrometres) <= TRACE &&
    one.keyed === two.keyed &&
    one.polished === two.polished &&
    one.forced === two.forced &&
    one.reacted === two.reacted &&
    one.spent === two.spent
  );
}

function sameStack(one: Stack, two: Stack): boolean {
  let a = one;
  let b = two;
  while (a !== b) {
    if (a === null || b === null) return false;
    if (a.depth !== b.depth || Math.abs(a.total - b.total) > TRACE * a.depth || !sameFilm(a.film, b.film)) return false;
    a = a.below;
    b = b.below;
  }
  return true;
}

/** The patch that a small one may be counted with: the same layer on top if there is one, and the nearest in thickness. */
function likest(patches: readonly Patch[], gone: Patch): number {
  const top = gone.stack?.film.stepId;
  const unlike = ({ stack, places }: Patch) =>
    Math.abs((stack?.total ?? 0) - (gone.stack?.total ?? 0)) +
    (stack?.film.stepId === top ? 0 : ANOTHER_LAYER) +
    (places === gone.places ? 0 : ANOTHER_PLACE);
  let best = 0;
  for (let at = 1; at < patches.length; at++) if (unlike(patches[at]!) < unlike(patches[best]!)) best = at;
  return best;
}

/** Joins patches with equal stacks, drops specks, and keeps the number within bounds by folding the smallest away. */
function tidied(patches: Patch[]): readonly Patch[] {
  const kept: Patch[] = [];
  for (const patch of patches) {
    let at = 0;
    while (at < kept.length && (kept[at]!.places !== patch.places || !sameStack(kept[at]!.stack, patch.stack))) at++;
    if (at === kept.length) kept.push(patch);
    else kept[at] = { share: kept[at]!.share + patch.share, stack: kept[at]!.stack, places: patch.places };
  }
  while (kept.length > 1) {
    let smallest = 0;
    for (let at = 1; at < kept.length; at++) if (kept[at]!.share < kept[smallest]!.share) smallest = at;
    if (kept.length <= PATCH_LIMIT && kept[smallest]!.share >= SPECK) break;
    const gone = kept.splice(smallest, 1)[0]!;
    const like = likest(kept, gone);
    const { share, stack, places } = kept[like]!;
    kept[like] = { share: share + gone.share, stack, places };
  }
  return kept;
}

/** Paper grades are rated on a film this hard: chalk-type paint. */
export const HARDNESS_OF_SOFT_PAINT = 0.35;

function abraded(stack: Stack, micrometres: Micrometres): Stack {
  let left = micrometres;
  let at = stack;
  while (at !== null && left > 0) {
    // a hard film loses less of itself to the same paper
    const effort = at.film.micrometres * (at.film.material.hardness.typical / HARDNESS_OF_SOFT_PAINT);
    if (effort > left) {
      const micrometresLeft = at.film.micrometres * (1 - left / effort);
      return micrometresLeft < TRACE ? at.below : laid({ ...at.film, micrometres: micrometresLeft }, at.below);
    }
    left -= effort;
    at = at.below;
  }
  return at;
}

/** What is left of a stack after rubbing with a solvent: films go from the top until one holds. */
export function dissolved(stack: Stack, solvent: "water" | "solvent", rubbing: number, at: Instant): Stack {
  let left = stack;
  while (left !== null && opens(left.film.material, solvent, ripeness(left.film, at), rubbing)) left = left.below;
  return left;
}

/** The stack without the top films down to and with the lowest one that fits; the same stack where none does. */
function cutBelow(stack: Stack, fits: (film: Film) => boolean): Stack {
  let cut = stack;
  for (let at = stack; at !== null; at = at.below) if (fits(at.film)) cut = at.below;
  return cut;
}

/** Under this tooth a film or a ground lets a blade lift what lies on it. */
const SLICK = 0.25;

/**
 * How many films, counted from the top, come away where flakes let go: down to the resist, or to the slick or sealed face that
 * a chipping paint lies on. `films` lie from the top down.
 */
export function chipsDownTo(films: readonly Film[], ground: GroundState): number {
  let gone = 0;
  films.forEach((film, at) => {
    const under = films[at + 1];
    const onResist = under?.resist === true || under?.material.binder === "wax";
    const absorbency = under ? under.material.absorbency.typical : ground.ground.absorbency;
    const slick = toothOn(under ?? null, ground) < SLICK;
    if (onResist || slick || (film.chips && absorbency < 0.3)) gone = at + 1;
  });
  return gone;
}

function chipped(stack: Stack, ground: GroundState): Stack {
  const films: Film[] = [];
  for (let at = stack; at !== null; at = at.below) films.push(at.film);
  let left = stack;
  for (let gone = chipsDownTo(films, ground); gone > 0; gone--) left = left!.below;
  return left;
}

/** Share of a cracked coat that lies open (common practice and trial boards: about a seventh, whatever the size). */
export const CRACK_SHARE: Share = 0.15;

/** Whether a coat laid now onto this film tears into cracks: it has tack, and the window is open. */
export function cracksOver(film: Film, material: Material, at: Instant): boolean {
  const { tack } = film.material.windows;
  if (
    film.material.role !== "medium" ||
    film.spent ||
    !tack ||
    (material.role !== "paint" && material.role !== "paste")
  )
    return false;
  const age = dried(film, "tack", at);
  return age >= tack.opens.typical && age <= tack.shuts.typical;
}

/** How far a stage of drying has come in a film, in minutes of standard air. */
export const dried = ({ climate, coat, laidAt }: Film, stage: Stage, at: Instant): Minutes =>
  climate.dried(coat, stage, laidAt, at);

/** How old a film is as far as dissolving goes, in minutes of standard air: it is the drying in depth that closes it. */
export const ripeness = (film: Film, at: Instant): Minutes => dried(film, "set", at);

/** What a coat of this material dries by. */
export const coatOf = ({ technique }: Pick<Phase, "technique">, material: Material, drawnBy: Share): Coat => ({
  leaves: LEAVES[material.carrier],
  load: loadOf(technique, material),
  drawnBy,
  warmed: 0,
});

const LEAVES = { water: "water", alcohol: "solvent", solvent: "solvent", none: "nothing" } as const;
const THINNEST = 0.4;
const THICKEST = 2.5;

/** How thick a technique lays a material, compared with the usual one that its drying times are for. */
function loadOf(technique: Technique, material: Material): number {
  const usual = techniquesFor(material)[0]?.load ?? 0;
  return usual > 0 ? Math.min(THICKEST, Math.max(THINNEST, technique.load / usual)) : 1;
}

/** A film that has had so many minutes of warm air. */
export const warmedFilm = (film: Film, minutes: Minutes): Film => ({
  ...film,
  forced: true,
  coat: { ...film.coat, warmed: film.coat.warmed + minutes },
});

/** What a phase meets: where it goes, and when. */
interface Meeting {
  phase: Phase;
  relief: ReliefClass;
  ground: GroundState;
  at: Instant;
  climate: Climate;
}

/** The film that a phase lays when it begins at this instant, on a face that draws so much, in this air. */
export function freshFilm(
  phase: Phase,
  at: Instant,
  material: Material,
  micrometres: Micrometres,
  drawnBy: Share,
  climate: Climate,
): Film {
  return {
    phaseId: phase.id,
    stepId: phase.step.id,
    material,
    micrometres,
    laidAt: at + phase.hands,
    coat: coatOf(phase, material, drawnBy),
    climate,
    keyed: false,
    polished: false,
    forced: false,
    reacted: false,
    spent: false,
    resist: phase.intents.includes("resist"),
    chips: phase.intents.includes("chips"),
  };
}

/** Films do not know the ground, so that zones under one crust share them: what a bare ground soaks up is worked out at its seam. */
const drawnByFilm = (stack: Stack): Share => (stack === null ? 0 : stack.film.material.absorbency.typical);

/** The same coat on unlike films: it dries faster on what drinks, and is one film otherwise. */
function filmOn({ phase, at, climate }: Meeting, material: Material, micrometres: Micrometres) {
  const made = new Map<Share, Film>();
  return (stack: Stack): Film => {
    const drawnBy = drawnByFilm(stack);
    let film = made.get(drawnBy);
    if (!film) {
      film = freshFilm(phase, at, material, micrometres, drawnBy, climate);
      made.set(drawnBy, film);
    }
    return film;
  };
}

/** Whether a film is not yet touch dry. */
export const isWet = (film: Film, at: Instant) => dried(film, "touch", at) < film.material.drying.touch.typical;

/** The stack an effect leaves where it works; the same one where it does nothing. */
function worked(stack: Stack, effect: Effect, meeting: Meeting): Stack {
  const { phase, relief, ground, at } = meeting;
  switch (effect.does) {
    case "dissolve":
      return dissolved(stack, effect.solvent, effect.rubbing, at);
    case "abrade":
      return abraded(stack, effect.micrometres);
    case "thin": {
      if (stack === null || !opens(stack.film.material, "water", ripeness(stack.film, at), phase.technique.rubbing))
        return stack;
      return thinned(stack, effect.leaves[relief]);
    }
    case "lift":
      return stack?.film.material.binder === effect.binder ? thinned(stack, effect.leaves[relief]) : stack;
    case "chip":
      return chipped(stack, ground);
    case "scrape":
      return cutBelow(stack, (film) => film.material.role === "crumb");
    case "force dry":
      return stack === null || stack.film.forced ? stack : laid(warmedFilm(stack.film, effect.minutes), stack.below);
    case "react":
      return stack?.film.material.reacts && !stack.film.reacted
        ? laid({ ...stack.film, reacted: true }, stack.below)
        : stack;
    case "key":
      return stack === null || stack.film.keyed ? stack : laid({ ...stack.film, keyed: true }, stack.below);
    case "polish":
      return stack?.film.material.binder === "wax" && !stack.film.polished
        ? laid({ ...stack.film, polished: true }, stack.below)
        : stack;
    case "strip":
      return null;
    default:
      return stack;
  }
}

function thinned(stack: NonNullable<Stack>, leaves: Share): Stack {
  const micrometres = stack.film.micrometres * leaves;
  return micrometres < TRACE ? stack.below : laid({ ...stack.film, micrometres }, stack.below);
}

/** Lays a fresh film on every patch it reaches; over tack it tears, and the cracks stay open. */
function deposited(
  patches: readonly Patch[],
  filmOn: (stack: Stack) => Film,
  share: (patch: Patch) => Share,
  holds: (patch: Patch) => boolean,
  at: Instant,
): readonly Patch[] {
  const next: Patch[] = [];
  let broken = false;
  for (const patch of patches) {
    const covered = holds(patch) ? share(patch) : 0;
    if (covered <= 0) {
      next.push(patch);
      broken = true;
      continue;
    }
    const { places, stack } = patch;
    const film = filmOn(stack);
    const cracked = stack !== null && cracksOver(stack.film, film.material, at) ? CRACK_SHARE : 0;
    if (covered < 1) next.push({ share: patch.share * (1 - covered), stack, places });
    if (stack !== null && cracked > 0)
      next.push({
        share: patch.share * covered * cracked,
        stack: laid({ ...stack.film, spent: true }, stack.below),
        places,
      });
    next.push({ share: patch.share * covered * (1 - cracked), stack: laid(film, stack), places });
    broken ||= covered < 1 || cracked > 0;
  }
  // a coat over everything keeps unlike patches unlike; only what covers in part can make them alike or many
  return broken ? tidied(next) : next;
}

const EVERYWHERE = 1;
/** Share of a relief class that an effect works on, before the step's own share. */
function reach(effect: Effect, relief: ReliefClass): Share {
  switch (effect.does) {
    case "dissolve":
    case "abrade":
    case "chip":
      return effect.worked[relief];
    case "deposit":
      return effect.micrometres * effect.profile[relief] >= TRACE ? EVERYWHERE : 0;
    case "clean":
    case "mist":
    case "degloss":
    case "knock back":
      return 0;
    default:
      return EVERYWHERE;
  }
}

function afterEffect(patches: readonly Patch[], effect: Effect, meeting: Meeting): readonly Patch[] {
  const { phase, relief, at } = meeting;
  const ofClass = reach(effect, relief);
  if (ofClass <= 0) return patches;
  const { on } = phase.where;
  const bit = isPlace(on) ? bitOf(on) : 0;
  const share = ({ places }: Patch) => ((places & bit) === bit ? phase.where.share * ofClass : 0);
  if (effect.does === "deposit" || effect.does === "stick") {
    if (phase.material === null) return patches;
    const micrometres = effect.does === "deposit" ? effect.micrometres * effect.profile[relief] : effect.micrometres;
    const holds =
      effect.does === "deposit"
        ? () => true
        : ({ stack }: Patch) =>
            stack !== null && (effect.to === "size" ? stack.film.material.role === "size" : isWet(stack.film, at));
    return deposited(patches, filmOn(meeting, phase.material, micrometres), share, holds, at);
  }
  const next: Patch[] = [];
  let moved = false;
  for (const patch of patches) {
    const part = share(patch);
    const stack = part > 0 ? worked(patch.stack, effect, meeting) : patch.stack;
    if (stack === patch.stack) {
      next.push(patch);
      continue;
    }
    moved = true;
    if (part < 1) next.push({ share: patch.share * (1 - part), stack: patch.stack, places: patch.places });
    next.push({ share: part < 1 ? patch.share * part : patch.share, stack, places: patch.places });
  }
  return moved ? tidied(next) : patches;
}

/** Bare timber under a stripped finish, from memory. */
const STRIPPED = { kind: "raw timber", absorbency: 0.7, tooth: 0.85, soundness: "sound" } as const;

/** The ground as a phase leaves it, where it reaches it. */
export function groundAfter(state: GroundState, phase: Phase): GroundState {
  let next = state;
  for (const effect of phase.effects)
    switch (effect.does) {
      case "clean":
        next = { ...next, contamination: next.contamination.filter((one) => !effect.removes.includes(one)) };
        break;
      case "key":
        next = { ...next, keyed: true };
        break;
      case "degloss":
        next = { ...next, deglossed: true };
        break;
      case "knock back":
        next = { ...next, sound: true };
        break;
      case "strip":
        next = {
          ...next,
          ground: isTimber(next.ground.kind) || next.ground.species ? { ...next.ground, ...STRIPPED } : next.ground,
          contamination: [],
          sound: true,
          stripped: true,
        };
        break;
    }
  return next;
}

/** Tells a named place apart on the whole face, the first time that a step goes there. */
function withPlace(surface: Surface, place: PlaceOnFace): Surface {
  const bit = bitOf(place);
  if ((surface.places & bit) !== 0) return surface;
  const inside = PLACE_SHARE[place];
  const split = (patches: readonly Patch[]): readonly Patch[] =>
    tidied(
      patches.flatMap(({ share, stack, places }) => [
        { share: share * inside, stack, places: places | bit },
        { share: share * (1 - inside), stack, places },
      ]),
    );
  const { arris, field, high, recess } = surface.patches;
  return {
    ...surface,
    places: surface.places | bit,
    patches: { arris: split(arris), field: split(field), high: split(high), recess: split(recess) },
  };
}

/** What the last phase laid on these patches has left: zones of one size under one crust go the same way. */
interface Step {
  phase: Phase;
  at: Instant;
  climate: Climate;
  patches: Surface["patches"];
}
const lastStep = new WeakMap<Surface["patches"], Step>();

function patchesAfter(surface: Surface, phase: Phase, at: Instant): Surface["patches"] {
  const known = lastStep.get(surface.patches);
  // flakes hang on the ground too, and that is each zone's own
  const ofTheGround = phase.does.has("chip");
  if (known && known.phase === phase && known.at === at && known.climate === surface.climate && !ofTheGround)
    return known.patches;
  const { on } = phase.where;
  const patches = { ...surface.patches };
  for (const relief of RELIEF_CLASSES) {
    if (isReliefClass(on) && on !== relief) continue;
    const meeting: Meeting = { phase, relief, ground: surface.ground, at, climate: surface.climate };
    for (const effect of phase.effects) patches[relief] = afterEffect(patches[relief], effect, meeting);
  }
  const same = RELIEF_CLASSES.every((relief) => patches[relief] === surface.patches[relief]);
  const after = same ? surface.patches : patches;
  if (!ofTheGround) lastStep.set(surface.patches, { phase, at, climate: surface.climate, patches: after });
  return after;
}

function isBare(surface: Surface, on: Where): boolean {
  return RELIEF_CLASSES.some(
    (relief) => (!isReliefClass(on) || on === relief) && surface.patches[relief].some((patch) => patch.stack === null),
  );
}

/**
 * The surface after a phase that begins at this instant: the same effects that the sample board draws pixel by pixel,
 * here for the four relief classes. Pure; what does not change is shared with the surface given.
 */
export function apply(surface: Surface, phase: Phase, at: Instant): Surface {
  if (phase.effects.length === 0) return surface;
  const { on } = phase.where;
  const placed = isPlace(on) ? withPlace(surface, on) : surface;
  const strips = phase.does.has("strip");
  return {
    ground: strips || isBare(placed, on) ? groundAfter(placed.ground, phase) : placed.ground,
    patches: patchesAfter(placed, phase, at),
    places: placed.places,
    misted: phase.does.has("mist") ? at + phase.hands : placed.misted,
    climate: placed.climate,
  };
}

/** Mean dry film of a fresh coat of this material by this technique, before relief. */
export function coatThickness(material: Material, load: number): Micrometres {
  return dryFilm(material) * load;
}

/** The patches of a relief class where a step would go, each with its share of the class. */
export function patchesWhere(surface: Surface, relief: ReliefClass, on: Where): readonly Patch[] {
  if (on === "everywhere" || on === relief) return surface.patches[relief];
  if (!isPlace(on)) return [];
  const bit = bitOf(on);
  if ((surface.places & bit) !== 0) return surface.patches[relief].filter((patch) => (patch.places & bit) !== 0);
  return surface.patches[relief].map((patch) => ({ ...patch, share: patch.share * PLACE_SHARE[on] }));
}

/** How well the next coat keys to this film, or to the ground (null). Scuffing helps a slick thing little, a sound film much. */
function toothOn(film: Film | null, ground: GroundState): number {
  const tooth = film === null ? ground.ground.tooth : film.material.tooth.typical;
  const keyed = film === null ? ground.keyed : film.keyed;
  if (keyed) return Math.min(1, tooth + (tooth < 0.2 ? 0.2 : 0.4));
  return film === null && ground.deglossed ? Math.min(1, tooth + 0.12) : tooth;
}

/** How well the next coat keys to what lies on top of this stack. */
export const toothOf = (stack: Stack, ground: GroundState): number => toothOn(stack?.film ?? null, ground);

/** How thirsty what lies on top is, 0 to 1. */
export function absorbencyOf(stack: Stack, ground: GroundState): number {
  return stack === null ? ground.ground.absorbency : stack.film.material.absorbency.typical;
}

const UNPOLISHED = 0.06;

/** Sheen of a film as it now is, 0 to 1: wax shines when it has been buffed, and what was keyed is dull. */
export function filmGloss({ material, polished, keyed }: Film): Share {
  const gloss = material.gloss.typical;
  if (material.role === "wax" && !polished) return Math.min(gloss, UNPOLISHED);
  return keyed && !polished ? 0.4 * gloss : gloss;
}

/** How much of what lies beneath a film hides, 0 to 1: a film of n normal coats lets (1 − contrast ratio)^n through. */
export function hiding(film: Film): Share {
  const coats = film.micrometres / dryFilm(film.material);
  return 1 - (1 - film.material.contrastRatio.typical) ** coats;
}

/** Share of the whole zone by key, over all relief classes and patches. */
export function shareBy(
  surface: Surface,
  relief: ByRelief,
  keyOf: (patch: Patch, relief: ReliefClass) => string | null,
): Map<string, Share> {
  const shares = new Map<string, Share>();
  for (const name of RELIEF_CLASSES)
    for (const patch of surface.patches[name]) {
      const key = keyOf(patch, name);
      if (key !== null) shares.set(key, (shares.get(key) ?? 0) + relief[name] * patch.share);
    }
  return shares;
}

/** What lies on top, as share of the zone by step id ("ground" where it is bare). */
export const covers = (surface: Surface, relief: ByRelief): Map<string, Share> =>
  shareBy(surface, relief, (patch) => patch.stack?.film.stepId ?? "ground");

/** What the eye sees, through translucent layers, as share of the zone by step id ("ground" for the ground). */
export function shows(surface: Surface, relief: ByRelief): Map<string, Share> {
  const shares = new Map<string, Share>();
  const add = (key: string, share: Share) => {
    if (share > 0) shares.set(key, (shares.get(key) ?? 0) + share);
  };
  for (const name of RELIEF_CLASSES)
    for (const patch of surface.patches[name]) {
      let light = relief[name] * patch.share;
      let at = patch.stack;
      while (at !== null && light > 1e-6) {
        const seen = light * hiding(at.film);
        add(at.film.stepId, seen);
        light -= seen;
        at = at.below;
      }
      if (light > 1e-6) add("ground", light);
    }
  return shares;
}

/** Every different film that lies on top somewhere, with the share of the zone it covers; the bare ground as null. */
export function tops(surface: Surface, relief: ByRelief): { stack: Stack; share: Share }[] {
  const seen = new Map<string, { stack: Stack; share: Share }>();
  for (const name of RELIEF_CLASSES)
    for (const patch of surface.patches[name]) {
      const share = relief[name] * patch.share;
      if (share <= 0) continue;
      const key = patch.stack?.film.phaseId ?? "ground";
      const known = seen.get(key);
      if (known) known.share += share;
      else seen.set(key, { stack: patch.stack, share });
    }
  return [...seen.values()];
}
