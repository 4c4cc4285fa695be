import { linearOfSpectrum, type Spectrum } from "../colour/bands.ts";
import { filmOver } from "../colour/film.ts";
import { innerSpectrum, opticsOf } from "../colour/material-colour.ts";
import { hexOf } from "../colour/screen.ts";
import { dryTerm, seenOf } from "../colour/surface-term.ts";
import type { Ground } from "../plan/ground.ts";
import { RELIEF_CLASSES, type ReliefClass } from "../plan/plan.ts";
import { filmGloss } from "../surface/film.ts";
import type { Stack } from "../surface/stack.ts";
import type { Surface } from "../surface/surface.ts";

/** Inner reflectance of what lies under and with a film, kept: surfaces share most of their stacks. */
const kept = new WeakMap<NonNullable<Stack>, { ground: string; spectrum: Spectrum }>();

function innerOfStack(stack: Stack, ground: Ground): Spectrum {
  if (stack === null) return innerSpectrum(ground.colour, 0);
  const known = kept.get(stack);
  if (known?.ground === ground.colour) return known.spectrum;
  const under = innerOfStack(stack.below, ground);
  const spectrum = filmOver(opticsOf(stack.film.material), stack.film.micrometres, under);
  kept.set(stack, { ground: ground.colour, spectrum });
  return spectrum;
}

/** Linear light of a stack as it is seen, through its own surface. */
function lightOfStack(stack: Stack, ground: Ground): readonly [number, number, number] {
  const term = dryTerm(stack === null ? 0 : filmGloss(stack.film));
  return linearOfSpectrum(innerOfStack(stack, ground).map((inner) => seenOf(inner, term)));
}

/** What the eye sees of one stack of films on this ground, "#rrggbb". */
export const colourOfStack = (stack: Stack, ground: Ground): string => hexOf(lightOfStack(stack, ground));

const seenOn = new WeakMap<Surface, Record<ReliefClass, string>>();

/**
 * The mean colour the eye sees in each relief class: every patch through all its films by Kubelka and Munk, mixed as light by
 * their shares.
 */
export function coloursSeen(surface: Surface): Record<ReliefClass, string> {
  const before = seenOn.get(surface);
  if (before) return before;
  const { ground } = surface.ground;
  const seen = {} as Record<ReliefClass, string>;
  for (const relief of RELIEF_CLASSES) {
    const sum: [number, number, number] = [0, 0, 0];
    for (const { stack, share } of surface.patches[relief])
      lightOfStack(stack, ground).forEach((value, channel) => {
        sum[channel] = sum[channel]! + share * value;
      });
    seen[relief] = hexOf(sum);
  }
  seenOn.set(surface, seen);
  return seen;
}
