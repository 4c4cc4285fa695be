import type { Micrometres, Share } from "../units/units.ts";
import { type Film, TRACE } from "./film.ts";

/**
 * Films from the top down, as a shared list: laying is one link, taking off is following it. Null is the bare ground.
 * Depth, total thickness and a sign of which films lie there, and in which states, are kept so that unlike stacks can be told
 * apart without walking them.
 */
export type Stack = {
  readonly film: Film;
  readonly below: Stack;
  readonly depth: number;
  readonly total: Micrometres;
  readonly sign: number;
} | null;

/** The states of a film as bits. */
const statesOf = ({ keyed, polished, forced, reacted, spent, soaked }: Film): number =>
  (keyed ? 1 : 0) | (polished ? 2 : 0) | (forced ? 4 : 0) | (reacted ? 8 : 0) | (spent ? 16 : 0) | (soaked ? 32 : 0);

function signOf(film: Film, below: number): number {
  let sign = Math.imul(below, 31) + statesOf(film);
  const { phaseId } = film;
  for (let at = 0; at < phaseId.length; at++) sign = (Math.imul(sign, 31) + phaseId.charCodeAt(at)) | 0;
  return sign;
}

export const laidOn = (film: Film, below: Stack): NonNullable<Stack> => ({
  film,
  below,
  depth: (below?.depth ?? 0) + 1,
  total: (below?.total ?? 0) + film.micrometres,
  sign: signOf(film, below?.sign ?? 0),
});

/** The stack with another film on top in place of this one; without it where it is only a trace. */
export const withTop = (stack: NonNullable<Stack>, film: Film): Stack =>
  film === stack.film ? stack : film.micrometres < TRACE ? stack.below : laidOn(film, stack.below);

/** The films of a stack from the top down. */
export function filmsOf(stack: Stack): Film[] {
  const films: Film[] = [];
  for (let at = stack; at !== null; at = at.below) films.push(at.film);
  return films;
}

/** What is left of a stack when so many films from the top are gone. */
export function without(stack: Stack, gone: number): Stack {
  let left = stack;
  for (let count = gone; count > 0 && left !== null; count--) left = left.below;
  return left;
}

/** A part of a relief class with one stack of films. */
export interface Patch {
  share: Share;
  stack: Stack;
  /** which named places of the face it lies in, one bit each */
  places: number;
}

const sameStates = (a: Film, b: Film) => statesOf(a) === statesOf(b);

/** Whether the same films lie in two stacks, in the same states and as thick as makes no difference. */
function sameStack(one: Stack, two: Stack): boolean {
  let a = one;
  let b = two;
  while (a !== b) {
    if (a === null || b === null || a.sign !== b.sign) return false;
    if (Math.abs(a.film.micrometres - b.film.micrometres) > TRACE) return false;
    a = a.below;
    b = b.below;
  }
  return true;
}

/** Whether one film, in one state, lies on top of both. */
const sameTop = (a: Stack, b: Stack) =>
  a === b || (a !== null && b !== null && a.film.phaseId === b.film.phaseId && sameStates(a.film, b.film));

/** How many patches a relief class is kept in. */
export interface PatchLimit {
  /** so many however alike they are: what lies beneath the top is what wear brings out */
  alike: number;
  /** and up to so many while each has a film on top that no other has: nearly every rule asks what lies on top */
  all: number;
  /** patches smaller than this share are counted with another that has the same film on top */
  speck: Share;
  /** under this share nothing is left of a patch that rules or laws could speak of */
  grain: Share;
}

export const PATCH_LIMIT: PatchLimit = { alike: 16, all: 24, speck: 0.004, grain: 0.0002 };
/** Films that only one of two stacks has count as this much difference of thickness. */
const OTHER_FILMS: Micrometres = 1000;

/** And lying in other named places, as this much: places are what steps ask for. */
const ELSEWHERE: Micrometres = 1e6;

/** How much of what wear would bring out is lost when two patches with one film on top are counted as one. */
const unlike = (a: Stack, b: Stack): number =>
  Math.abs((a?.total ?? 0) - (b?.total ?? 0)) +
  (a?.sign === b?.sign ? 0 : OTHER_FILMS * (1 + Math.abs((a?.depth ?? 0) - (b?.depth ?? 0))));

/** The patch that one may best be counted with: in the same places and with the same film on top, or else any; −1 for none. */
function mostLike(patches: readonly Patch[], own: Patch, alikeOnTop: boolean): number {
  let best = -1;
  let least = Number.POSITIVE_INFINITY;
  for (let at = 0; at < patches.length; at++) {
    const other = patches[at]!;
    if (other === own) continue;
    const elsewhere = other.places !== own.places;
    if (alikeOnTop && (elsewhere || !sameTop(own.stack, other.stack))) continue;
    const cost = unlike(own.stack, other.stack) + (elsewhere ? ELSEWHERE : 0);
    if (cost < least) {
      least = cost;
      best = at;
    }
  }
  return best;
}

/** Counts a patch with another: the smaller goes the way of the larger. */
function countWith(patches: Patch[], own: Patch, other: number) {
  const { stack, places } = own.share > patches[other]!.share ? own : patches[other]!;
  patches[other] = { share: own.share + patches[other]!.share, stack, places };
  patches.splice(patches.indexOf(own), 1);
}

const bySmallness = (a: Patch, b: Patch) => a.share - b.share;

/**
 * Joins patches with equal stacks, and keeps their number within a limit: those with one film on top are counted together
 * first, the smallest with what is most like it.
 */
export function tidied(patches: readonly Patch[], limit: PatchLimit = PATCH_LIMIT): readonly Patch[] {
  const kept: Patch[] = [];
  let least: Share = 1;
  for (const patch of patches) {
    let at = 0;
    while (at < kept.length && (kept[at]!.places !== patch.places || !sameStack(kept[at]!.stack, patch.stack))) at++;
    if (at === kept.length) kept.push(patch);
    else kept[at] = { share: kept[at]!.share + patch.share, stack: kept[at]!.stack, places: patch.places };
    if (patch.share < least) least = patch.share;
  }
  if (kept.length <= limit.alike && least >= limit.speck) return kept;
  for (const patch of [...kept].sort(bySmallness)) {
    if (kept.length <= limit.alike && patch.share >= limit.speck) break;
    // one that has been counted with others since is another patch
    if (!kept.includes(patch)) continue;
    const like = mostLike(kept, patch, true);
    if (like >= 0) countWith(kept, patch, like);
    else if (patch.share < limit.grain && kept.length > 1) countWith(kept, patch, mostLike(kept, patch, false));
  }
  while (kept.length > limit.all) {
    let at = 0;
    for (let one = 1; one < kept.length; one++) if (kept[one]!.share < kept[at]!.share) at = one;
    countWith(kept, kept[at]!, mostLike(kept, kept[at]!, false));
  }
  return kept;
}
