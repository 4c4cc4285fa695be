import { lightness } from "../colour/difference.ts";
import type { Material } from "../materials/material.ts";
import { groundOf } from "../plan/ground.ts";
import { RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import { type Film, isWet } from "../surface/film.ts";
import { absorbencyOf, toothOf } from "../surface/ground-state.ts";
import type { Working } from "../surface/laws/law.ts";
import { sameRegion } from "../surface/places.ts";
import type { Stack } from "../surface/stack.ts";
import { bareSurface, patchesWhere } from "../surface/surface.ts";
import type { Share } from "../units/units.ts";
import type { FilmSeam, Finish, Seam, TimedPhase, Top } from "./rule.ts";
import { groundNamed, named } from "./words.ts";

// Small questions that several rules ask of the surface.

/** Under this share of the zone a place is too small to mention. */
export const WORTH_SAYING: Share = 0.02;
export { THIRSTY } from "../surface/laws/laying.ts";
/** From this L* a paint shows what bleeds through it. */
export const PALE = 65;

export const isWax = (stack: Stack) => stack?.film.material.binder === "wax";
export const isTinted = (material: Material) => material.contrastRatio.typical >= 0.1;
export const seen = (tops: readonly Top[]) => tops.filter((top) => top.share >= WORTH_SAYING);
export const stepOf = (stack: Stack) => stack?.film.stepId ?? "ground";

/** Films of a stack from the top down. */
export function* films(stack: Stack): Generator<Film> {
  for (let at = stack; at !== null; at = at.below) yield at.film;
}

/** Whether this film was meant as a resist, to be chipped off with what lies on it. */
export const isResist = (film: Film) => film.resist;

/** All stacks where the phase goes, with the relief class they lie on. */
export function stacksUnder(seam: FilmSeam): { relief: ReliefClass; stack: Stack; share: Share }[] {
  return RELIEF_CLASSES.flatMap((relief) =>
    patchesWhere(seam.before, relief, seam.phase.where).map((patch) => ({
      relief,
      stack: patch.stack,
      share: patch.share * seam.relief[relief],
    })),
  );
}

/** All stacks of the finished zone. */
export function* stacksAfter({ after, zone }: Finish): Generator<Top> {
  for (const relief of RELIEF_CLASSES)
    for (const { stack, share } of after.patches[relief]) yield { stack, share: share * zone.relief[relief] };
}

/**
 * The largest part of the finish that answers to this, by what lies on top; null where it is too small to mention. What lies
 * deep counts, whatever covers it.
 */
export function partWhere(finish: Finish, holds: (stack: Stack) => boolean): Top | null {
  const parts = new Map<string, Top>();
  for (const { stack, share } of stacksAfter(finish)) {
    if (!holds(stack)) continue;
    const key = stepOf(stack);
    parts.set(key, { stack, share: (parts.get(key)?.share ?? 0) + share });
  }
  const largest = [...parts.values()].sort((a, b) => b.share - a.share)[0];
  return largest && sharesOf([...parts.values()]) >= WORTH_SAYING ? largest : null;
}

/** How much of the zone these tops take together. */
export const sharesOf = (tops: readonly Top[]): Share => tops.reduce((sum, top) => sum + top.share, 0);

/** What the laws ask of a phase where it begins. */
export const workingAt = ({ phase, at, before }: FilmSeam): Working => ({ phase, at, misted: before.misted });

/** Whether a film is still wet when the phase begins. */
export const isOpenWet = (seam: FilmSeam, film: Film) => isWet(film, seam.at);

/**
 * The films that a wiping, a blending or a strewing is meant for: those of the step laid last among what has a workable time.
 * What is drier beside them is just there.
 */
export function laidLast(seam: FilmSeam, fits: (film: Film) => boolean): Film[] {
  let last: Film | null = null;
  for (const { film } of seam.films) if (fits(film) && (last === null || film.laidAt > last.laidAt)) last = film;
  return last === null
    ? []
    : seam.films.flatMap(({ film }) => (fits(film) && film.stepId === last.stepId ? [film] : []));
}

/** The palest paint among these tops, if it is pale enough to show what is done to it. */
export const paleTop = (tops: readonly Top[]) =>
  seen(tops).find(
    ({ stack }) =>
      stack !== null && stack.film.material.role === "paint" && lightness(stack.film.material.colour) >= PALE,
  )?.stack ?? null;

/** If a film lies on top, the ground does not matter. */
const NO_GROUND = bareSurface(groundOf("raw timber")).ground;

/** How thirsty what lies on top is; looks at the ground only where it lies bare. */
export const absorbs = (seam: Seam, stack: Stack): number =>
  stack === null ? absorbencyOf(null, seam.before.ground) : stack.film.material.absorbency.typical;

/** What lies on top, by name; looks at the ground only where it lies bare. */
export const topName = (seam: Seam, stack: Stack): string =>
  stack === null ? groundNamed(seam.zone.ground) : named(stack.film.material);

/** How well a coat keys to what lies on top; looks at the ground only where it lies bare. */
export const keyedTooth = (seam: Seam, stack: Stack): number =>
  stack === null ? toothOf(null, seam.before.ground) : toothOf(stack, NO_GROUND);

/**
 * Whether a coat before this one already met the same bare ground: what is wrong with that is said there, once. Broken coats leave
 * it bare for the next.
 */
export const metBefore = (
  { past, phase: { id, where } }: FilmSeam,
  fits: (phase: TimedPhase["phase"]) => boolean,
): boolean =>
  past.some(
    ({ phase }) =>
      phase.id !== id &&
      phase.material !== null &&
      phase.material.role !== "wax" &&
      sameRegion(phase.where, where) &&
      fits(phase),
  );
