import type { Stage } from "../drying/gate.ts";
import type { ZoneJudgement } from "../judge/judge.ts";
import { FACTOR_LIMITS } from "../materials/drying-factor.ts";
import type { Family, Material } from "../materials/material.ts";
import type { DryingFactors, Plan } from "../plan/plan.ts";
import type { Minutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { type LedgerState, type SignOf, workedOn } from "./replay.ts";

// How long a kind of material takes to dry in this shop against what its tin says, learned from the signs that were looked for.
// The logarithm of that factor is taken as normal, before anything is seen around 0 (the tin is right), and each observation
// as normal around it with a known spread: then what is believed after any number of them is normal too (the conjugate update
// of a normal mean with a known spread, as every handbook of Bayesian statistics has it). The two spreads are from memory of workshops.

/** Before anything is seen: one standard deviation of the logarithm. A third longer or a quarter shorter than the tin is common. */
export const PRIOR_SPREAD = 0.3;
/** One look at one coat. */
export const LOOK_SPREAD = 0.2;

/** What is believed of a factor: mean and standard deviation of its logarithm. */
export interface Belief {
  mean: number;
  spread: number;
}

/** One coat that was watched until its sign came. */
export interface Observation {
  family: Family;
  material: string;
  planId: string;
  zoneId: string;
  phaseId: string;
  stage: Stage;
  /** times as long as the tin says, in the air that there was */
  ratio: number;
  celsius: number;
  /** milliseconds: when it was seen */
  at: number;
}

export interface Learned {
  family: Family;
  before: Belief;
  now: Belief;
  /** times as long as the tin says: the middle of what is believed */
  factor: number;
  observations: readonly Observation[];
}

export const PRIOR: Belief = { mean: 0, spread: PRIOR_SPREAD };

/** The belief after some looks: precisions add up, and the mean is weighted by them. */
export function updated({ mean, spread }: Belief, logs: readonly number[], look: number = LOOK_SPREAD): Belief {
  const prior = 1 / spread ** 2;
  const each = 1 / look ** 2;
  const precision = prior + logs.length * each;
  const sum = logs.reduce((all, log) => all + log, 0);
  return { mean: (prior * mean + each * sum) / precision, spread: Math.sqrt(1 / precision) };
}

/** How likely a factor is, as a density over the factor itself. */
export function density({ mean, spread }: Belief, factor: number): number {
  const z = (Math.log(factor) - mean) / spread;
  return Math.exp(-0.5 * z * z) / (factor * spread * Math.sqrt(2 * Math.PI));
}

/** What the tin says of a stage, in minutes; null where it says nothing. */
export function labelOf({ drying, windows }: Material, stage: Stage): Minutes | null {
  switch (stage) {
    case "touch":
      return drying.touch.typical;
    case "recoat":
      return drying.recoat.typical;
    case "before clear":
      return drying.beforeClear.typical;
    case "cure":
      return drying.cure.typical;
    case "tack":
      return windows.tack?.opens.typical ?? null;
    case "buff":
      return windows.buff?.opens.typical ?? null;
    default:
      return null;
  }
}

/** What watching one stage of a coat has shown: between the last "not yet" and the first "yes". Null where it shows nothing. */
function seenRatio(signs: readonly SignOf[], ratioAt: (at: number) => number): { ratio: number; at: number } | null {
  const yes = signs.find(({ seen }) => seen);
  const no = signs.filter(({ seen, at }) => !seen && (!yes || at < yes.at)).at(-1);
  const above = yes && ratioAt(yes.at);
  const below = no && ratioAt(no.at);
  if (above !== undefined && above <= 0) return null;
  if (above !== undefined && below !== undefined && below > 0)
    // it came somewhere between the two looks
    return { ratio: Math.sqrt(above * below), at: yes!.at };
  // ready before the tin says so: no later than that
  if (above !== undefined && above < 1) return { ratio: above, at: yes!.at };
  // not ready though the tin says so: at least that
  if (above === undefined && below !== undefined && below > 1) return { ratio: below, at: no!.at };
  // a look after it should have been ready, when it was, shows nothing
  return null;
}

const clamped = (ratio: number) => Math.min(FACTOR_LIMITS.most, Math.max(FACTOR_LIMITS.least, ratio));

/** What the ledger of a job shows of how long its coats took, each stage of a coat at most once. */
export function observationsOf(
  plan: Pick<Plan, "id" | "pinned" | "start">,
  zones: readonly ZoneJudgement[],
  state: LedgerState,
): Observation[] {
  const zero = readWallTime(plan.start)!;
  const tins = new Map(plan.pinned.materials.map((material) => [material.id, material]));
  return zones.flatMap(({ zone, phases, climate }) =>
    phases.flatMap(({ phase, coat, ends }): Observation[] => {
      const was = workedOn(state, { zoneId: zone.id, phaseId: phase.id });
      const [first, ...others] = phase.pot?.parts ?? [];
      const tin = first && others.length === 0 ? tins.get(first.material.id) : undefined;
      if (!was || was.ended === null || was.signs.length === 0 || !coat || !tin) return [];
      const stages = new Set(was.signs.map(({ stage }) => stage));
      return [...stages].flatMap((stage): Observation[] => {
        const label = labelOf(tin, stage);
        if (label === null || label <= 0) return [];
        const minuteOf = (at: number) => at / 60_000 + was.offset - zero;
        const ratioAt = (at: number) => climate.dried(coat, stage, ends, Math.max(ends, minuteOf(at))) / label;
        const found = seenRatio(
          was.signs.filter((sign) => sign.stage === stage),
          ratioAt,
        );
        if (!found || !(found.ratio > 0)) return [];
        return [
          {
            family: tin.family,
            material: tin.name,
            planId: plan.id,
            zoneId: zone.id,
            phaseId: phase.id,
            stage,
            ratio: clamped(found.ratio),
            celsius: climate.at(ends).celsius,
            at: found.at,
          },
        ];
      });
    }),
  );
}

/** What a shop has learned, one entry for each kind it has watched, the most watched first. */
export function learnedFrom(observations: readonly Observation[]): Learned[] {
  const families = new Map<Family, Observation[]>();
  for (const observation of observations)
    families.set(observation.family, [...(families.get(observation.family) ?? []), observation]);
  return [...families]
    .map(([family, own]): Learned => {
      const sorted = own.sort((a, b) => a.at - b.at || (a.zoneId < b.zoneId ? -1 : 1));
      const now = updated(
        PRIOR,
        sorted.map(({ ratio }) => Math.log(ratio)),
      );
      return { family, before: PRIOR, now, factor: clamped(Math.exp(now.mean)), observations: sorted };
    })
    .sort((a, b) => b.observations.length - a.observations.length || (a.family < b.family ? -1 : 1));
}

/** Fewer looks than this are too few for plans to go by them without being asked. */
export const SURE_FROM = 3;

/** The factors in the shape a plan keeps them, to two figures after the point, of kinds that were watched so often. */
export const factorsOf = (learned: readonly Learned[], least = 1): DryingFactors =>
  Object.fromEntries(
    learned
      .filter(({ observations }) => observations.length >= least)
      .map(({ family, factor }) => [family, Math.round(factor * 100) / 100]),
  );
