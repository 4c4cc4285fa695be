import { opens } from "../drying/solubility.ts";
import type { Material } from "../materials/material.ts";
import type { Ground } from "../plan/ground.ts";
import { RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import { dryFilm } from "../quantity/spread.ts";
import type { Instant, Micrometres, Share } from "../units/units.ts";
import type { ByRelief, Effect, Phase } from "./phase.ts";

/** One film as it lies on the piece. Never changed in place. */
export interface Film {
  phaseId: string;
  stepId: string;
  material: Material;
  micrometres: Micrometres;
  laidAt: Instant;
  keyed: boolean;
  polished: boolean;
}

/**
 * Films from the top down, as a shared list: laying is one link, taking off is following it. Null is the bare ground.
 * Depth and total thickness are kept so that unlike stacks are told apart without walking them.
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
}

export interface GroundState {
  ground: Ground;
  contamination: readonly ("grease" | "wax" | "oil")[];
  keyed: boolean;
}

/** The surface as it is: the ground, and per relief class a few patches whose shares sum to 1. */
export interface Surface {
  ground: GroundState;
  patches: Record<ReliefClass, readonly Patch[]>;
}

export const PATCH_LIMIT = 6;
/** Below this a film is a trace: it is counted as gone. */
const TRACE: Micrometres = 0.3;
/** Patches smaller than this share are folded into a neighbour. */
const SPECK: Share = 0.004;
/** Another layer on top counts as this much difference of thickness. */
const ANOTHER_LAYER: Micrometres = 1000;

/** The bare ground before the first step. */
export function bareSurface(ground: Ground): Surface {
  const whole: readonly Patch[] = [{ share: 1, stack: null }];
  return {
    ground: { ground, contamination: ground.contamination, keyed: false },
    patches: { arris: whole, field: whole, high: whole, recess: whole },
  };
}

function sameFilm(one: Film, two: Film): boolean {
  if (one === two) return true;
  return (
    one.phaseId === two.phaseId &&
    Math.abs(one.micrometres - two.micrometres) <= TRACE &&
    one.keyed === two.keyed &&
    one.polished === two.polished
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
  const unlike = ({ stack }: Patch) =>
    Math.abs((stack?.total ?? 0) - (gone.stack?.total ?? 0)) + (stack?.film.stepId === top ? 0 : ANOTHER_LAYER);
  let best = 0;
  for (let at = 1; at < patches.length; at++) if (unlike(patches[at]!) < unlike(patches[best]!)) best = at;
  return best;
}

/** Joins patches with equal stacks, drops specks, and keeps the number within bounds by folding the smallest away. */
function tidied(patches: Patch[]): readonly Patch[] {
  const kept: Patch[] = [];
  for (const patch of patches) {
    let at = 0;
    while (at < kept.length && !sameStack(kept[at]!.stack, patch.stack)) at++;
    if (at === kept.length) kept.push(patch);
    else kept[at] = { share: kept[at]!.share + patch.share, stack: kept[at]!.stack };
  }
  while (kept.length > 1) {
    let smallest = 0;
    for (let at = 1; at < kept.length; at++) if (kept[at]!.share < kept[smallest]!.share) smallest = at;
    if (kept.length <= PATCH_LIMIT && kept[smallest]!.share >= SPECK) break;
    const gone = kept.splice(smallest, 1)[0]!;
    const like = likest(kept, gone);
    kept[like] = { share: kept[like]!.share + gone.share, stack: kept[like]!.stack };
  }
  return kept;
}

/** Paper grades are rated on a film this hard: chalk-type paint. */
const HARDNESS_OF_SOFT_PAINT = 0.35;

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
  while (left !== null && opens(left.film.material, solvent, at - left.film.laidAt, rubbing)) left = left.below;
  return left;
}

/** Puts a patch into the list, the part of it that was worked with its new stack. Whether anything changed. */
function split(into: Patch[], patch: Patch, worked: Share, next: Stack): boolean {
  if (next === patch.stack || worked <= 0) {
    into.push(patch);
    return false;
  }
  if (worked < 1) into.push({ share: patch.share * (1 - worked), stack: patch.stack });
  into.push({ share: worked < 1 ? patch.share * worked : patch.share, stack: next });
  return true;
}

/** Whether an effect does anything at all in this relief class. */
function reaches(effect: Effect, relief: ReliefClass): boolean {
  switch (effect.does) {
    case "deposit":
      return effect.micrometres * effect.profile[relief] >= TRACE;
    case "dissolve":
    case "abrade":
      return effect.worked[relief] > 0;
    case "clean":
      return false;
    default:
      return true;
  }
}

/** The stack an effect leaves where it works, and the share of the patch it works on. */
function worked(stack: Stack, effect: Effect, relief: ReliefClass, phase: Phase, at: Instant): Stack {
  switch (effect.does) {
    case "deposit":
      if (phase.material === null) return stack;
      return laid(
        {
          phaseId: phase.id,
          stepId: phase.step.id,
          material: phase.material,
          micrometres: effect.micrometres * effect.profile[relief],
          laidAt: at + phase.hands,
          keyed: false,
          polished: false,
        },
        stack,
      );
    case "dissolve":
      return dissolved(stack, effect.solvent, effect.rubbing, at);
    case "abrade":
      return abraded(stack, effect.micrometres);
    case "thin": {
      if (stack === null || !opens(stack.film.material, "water", at - stack.film.laidAt, phase.technique.rubbing))
        return stack;
      const micrometres = stack.film.micrometres * effect.leaves[relief];
      return micrometres < TRACE ? stack.below : laid({ ...stack.film, micrometres }, stack.below);
    }
    case "key":
      return stack === null || stack.film.keyed ? stack : laid({ ...stack.film, keyed: true }, stack.below);
    case "polish":
      return stack?.film.material.binder === "wax" ? laid({ ...stack.film, polished: true }, stack.below) : stack;
    case "clean":
      return stack;
  }
}

function afterEffect(
  patches: readonly Patch[],
  effect: Effect,
  relief: ReliefClass,
  phase: Phase,
  at: Instant,
): readonly Patch[] {
  if (!reaches(effect, relief)) return patches;
  const reach = effect.does === "dissolve" || effect.does === "abrade" ? effect.worked[relief] : 1;
  const share = phase.where.share * reach;
  const next: Patch[] = [];
  let moved = false;
  for (const patch of patches)
    moved = split(next, patch, share, worked(patch.stack, effect, relief, phase, at)) || moved;
  if (!moved) return patches;
  // a coat over everything keeps unlike patches unlike; only what takes off, or covers in part, can make them alike or many
  return effect.does === "deposit" && share >= 1 ? next : tidied(next);
}

function groundAfter(state: GroundState, phase: Phase): GroundState {
  let next = state;
  for (const effect of phase.effects) {
    if (effect.does === "clean" && next.contamination.length > 0)
      next = { ...next, contamination: next.contamination.filter((one) => !effect.removes.includes(one)) };
    if (effect.does === "key" && !next.keyed) next = { ...next, keyed: true };
  }
  return next;
}

/**
 * The surface after a phase that begins at this instant: the same effects that the sample board draws pixel by pixel,
 * here for the four relief classes. Pure; what does not change is shared with the surface given.
 */
export function apply(surface: Surface, phase: Phase, at: Instant): Surface {
  const patches = { ...surface.patches };
  let bare = false;
  for (const relief of RELIEF_CLASSES) {
    if (phase.where.on !== "everywhere" && phase.where.on !== relief) continue;
    bare ||= patches[relief].some((patch) => patch.stack === null);
    for (const effect of phase.effects) patches[relief] = afterEffect(patches[relief], effect, relief, phase, at);
  }
  return { ground: bare ? groundAfter(surface.ground, phase) : surface.ground, patches };
}

/** Mean dry film of a fresh coat of this material by this technique, before relief. */
export function coatThickness(material: Material, load: number): Micrometres {
  return dryFilm(material) * load;
}

/** How well the next coat keys to what lies on top of this stack. Scuffing helps a slick thing little, a sound film much. */
export function toothOf(stack: Stack, ground: GroundState): number {
  const tooth = stack === null ? ground.ground.tooth : stack.film.material.tooth.typical;
  const keyed = stack === null ? ground.keyed : stack.film.keyed;
  if (!keyed) return tooth;
  return Math.min(1, tooth + (tooth < 0.2 ? 0.2 : 0.4));
}

/** How thirsty what lies on top is, 0 to 1. */
export function absorbencyOf(stack: Stack, ground: GroundState): number {
  return stack === null ? ground.ground.absorbency : stack.film.material.absorbency.typical;
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
