import type { Material } from "../materials/material.ts";
import { MOST_PASSES } from "../plan/effort.ts";
import type { Zone } from "../plan/plan.ts";
import type { Instant, Share } from "../units/units.ts";
import { compileStep } from "./compile.ts";
import type { Phase } from "./phase.ts";
import { barePart } from "./shares.ts";
import { apply, type Surface } from "./surface.ts";

/** Less than this more of a layer, and another pass is not worth it. */
const MORE: Share = 0.002;

const NO_MATERIALS: ReadonlyMap<string, Material> = new Map();

/** The same phase gone over so often. */
function withPasses(phase: Phase, passes: number, zone: Zone): Phase {
  const { step, go } = phase;
  const made = compileStep({ ...step, effort: { pressure: "usual", ...step.effort, passes } }, zone, NO_MATERIALS);
  if (typeof made === "string") return phase;
  const { effects, does, hands } = made[0]!;
  return { ...phase, passes, effects, does, hands: Math.round(hands / (go?.sections ?? 1)) };
}

/**
 * A phase that is worked until what it is meant to show does, with the passes that this needs; where it never comes to that, with
 * those after which nothing more shows.
 */
export function asFarAsNeeded(phase: Phase, surface: Surface, at: Instant, zone: Zone): Phase {
  const { effort, reveals } = phase.step;
  if (effort?.until === undefined || reveals === undefined) return phase;
  let best = phase;
  let most = barePart(surface, zone.relief, phase.where, reveals);
  for (let passes = 1; passes <= MOST_PASSES; passes++) {
    const tried = withPasses(phase, passes, zone);
    const shown = barePart(apply(surface, tried, at), zone.relief, phase.where, reveals);
    if (shown >= effort.until) return tried;
    if (shown <= most + MORE) continue;
    best = tried;
    most = shown;
  }
  return best;
}
