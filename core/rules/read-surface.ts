import type { Material } from "../materials/material.ts";
import { RELIEF_CLASSES } from "../plan/plan.ts";
import type { Film, Stack } from "../surface/surface.ts";
import type { Share } from "../units/units.ts";
import type { Seam, Top } from "./rule.ts";

// Small questions that several rules ask of the surface.

/** Under this share of the zone a place is too small to speak of. */
export const WORTH_SAYING: Share = 0.02;
/** From here a surface drinks: stain, wax and crackle medium go in rather than lie on top. */
export const THIRSTY = 0.5;
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
export const isResist = (seam: { past: Seam["past"] }, film: Film) =>
  seam.past.some((placed) => placed.phase.id === film.phaseId && placed.phase.intents.includes("resist"));

/** All stacks where the phase goes, with the relief class they lie on. */
export function stacksUnder(seam: Seam): { relief: (typeof RELIEF_CLASSES)[number]; stack: Stack; share: Share }[] {
  const { on } = seam.phase.where;
  return RELIEF_CLASSES.filter((relief) => on === "everywhere" || on === relief).flatMap((relief) =>
    seam.before.patches[relief].map((patch) => ({
      relief,
      stack: patch.stack,
      share: patch.share * seam.zone.relief[relief],
    })),
  );
}
