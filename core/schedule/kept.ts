import { type Judgement, judge } from "../judge/judge.ts";
import type { Plan } from "../plan/plan.ts";

// What follows from a plan alone is worked out once for each version of it: plans are never changed, only replaced.

const judgements = new WeakMap<Plan, Judgement>();

/** The judgement of a plan. `previous` is that of the version before, which spares work and changes nothing. */
export function judgementOf(plan: Plan, previous?: Judgement): Judgement {
  const kept = judgements.get(plan);
  if (kept) return kept;
  const judgement = judge(plan, previous ? { previous } : {});
  judgements.set(plan, judgement);
  return judgement;
}

/** From this many coats and other pieces of work, a schedule takes too long to make while a page waits for it. */
const HEAVY = 1000;

/** Coats and other pieces of work in some jobs. */
export const phasesIn = (judged: readonly Judgement[]): number =>
  judged.reduce((sum, { zones }) => zones.reduce((all, { phases }) => all + phases.length, sum), 0);

/** Whether dating these takes so long that it is left to a worker. */
export const isHeavy = (judged: readonly Judgement[]): boolean => phasesIn(judged) >= HEAVY;
