import type { Micrometres, Share } from "../units/units.ts";
import { FILM_STATES, type Film, TRACE } from "./film.ts";

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

export const laidOn = (film: Film, below: Stack): NonNullable<Stack> => ({
  film,
  below,
  depth: (below?.depth ?? 0) + 1,
  total: (below?.total ?? 0) + film.micrometres,
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

function sameFilm(one: Film, two: Film): boolean {
  if (one === two) return true;
  return (
    one.phaseId === two.phaseId &&
    Math.abs(one.micrometres - two.micrometres) <= TRACE &&
    FILM_STATES.every((state) => one[state] === two[state])
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

export const PATCH_LIMIT = 8;
/** Patches smaller than this share are folded into a neighbour. */
const SPECK: Share = 0.004;
/** Another layer on top counts as this much difference of thickness. */
const ANOTHER_LAYER: Micrometres = 1000;
/** And lying in another named place, as this much: places stay apart as long as they can. */
const ANOTHER_PLACE: Micrometres = 10_000;

/** The patch that a small one may be counted with: the same layer on top if there is one, and the nearest in thickness. */
function closest(patches: readonly Patch[], gone: Patch): number {
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
export function tidied(patches: Patch[]): readonly Patch[] {
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
    const like = closest(kept, gone);
    const { share, stack, places } = kept[like]!;
    kept[like] = { share: share + gone.share, stack, places };
  }
  return kept;
}
