import type { Material } from "../materials/material.ts";
import { type Amount, BY_HAND } from "../plan/amount.ts";
import { isReliefClass, type Step, type Zone } from "../plan/plan.ts";
import { dryFilm } from "../quantity/spread.ts";
import type { Share } from "../units/units.ts";
import { type Face, isSimple, regionOfStep, shareWhere, sizesOf } from "./places.ts";
import type { Technique } from "./technique.ts";

/** How a step lays: how many normal coats thick where it covers, and how much of what it is worked over that is. */
export interface Lies {
  load: number;
  covers: Share;
}

/** How many times the usual a hand lays; null where the amount is measured. */
function timesOf(amount: Amount | undefined): number | null {
  if (amount === undefined) return 1;
  if (amount.kind === "times") return amount.of;
  return amount.kind === "light" || amount.kind === "heavy" ? BY_HAND[amount.kind] : null;
}

/**
 * How much of what it is worked over a technique covers: a spatter a few specks, a stencil its cut-outs. What is printed on the
 * motif is the motif.
 */
const coversOf = (technique: Technique, { where: { on } }: Step): Share =>
  technique.prints && on === "motif" ? 1 : technique.covers;

/** How much of a zone's face a step's coat covers. */
export function shareCovered(
  step: Step,
  technique: Technique,
  material: Material,
  zone: Face & Pick<Zone, "relief">,
): Share {
  const region = regionOfStep(step);
  if (isSimple(region) && isReliefClass(region.on) && technique.profile[region.on] === 0) return 0;
  const share = shareWhere(region, zone.relief, sizesOf(zone));
  return share * step.where.over * howItLies(step, technique, material).covers;
}

/**
 * How a step's coat lies, by its technique and how much goes on. A hand that lays more of a broken coat covers more with it; of a
 * whole coat, it lies thicker. What is measured is a film where it covers, or a volume over what it is worked over.
 */
export function howItLies(step: Step, technique: Technique, material: Material): Lies {
  const covers = coversOf(technique, step);
  const { amount } = step;
  const times = timesOf(amount);
  if (times !== null) {
    if (covers >= 1) return { load: technique.load * times, covers };
    const covered = Math.min(1, covers * times);
    return { load: (technique.load * covers * times) / covered, covers: covered };
  }
  if (amount?.kind === "micrometres") return { load: amount.of / dryFilm(material), covers };
  const spread = ((amount as { of: number }).of / 1000) * material.spreadingRate.typical;
  return { load: spread / covers, covers };
}
