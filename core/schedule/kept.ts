import { type Judgement, judge } from "../judge/judge.ts";
import type { Plan } from "../plan/plan.ts";
import { type Schedule, schedule } from "./schedule.ts";

// What follows from a plan alone is worked out once for each version of it: plans are never changed, only replaced.

const judgements = new WeakMap<Plan, Judgement>();
const schedules = new WeakMap<Judgement, { plan: Plan; made: Schedule }>();

/** The judgement of a plan. `previous` is that of the version before, which spares work and changes nothing. */
export function judgementOf(plan: Plan, previous?: Judgement): Judgement {
  const kept = judgements.get(plan);
  if (kept) return kept;
  const judgement = judge(plan, previous ? { previous } : {});
  judgements.set(plan, judgement);
  return judgement;
}

/** The quick schedule of a plan by itself. */
export function scheduleOf(plan: Plan, judgement = judgementOf(plan)): Schedule {
  const kept = schedules.get(judgement);
  if (kept?.plan === plan) return kept.made;
  const made = schedule([{ plan, judgement }]);
  schedules.set(judgement, { plan, made });
  return made;
}

let last: { plans: readonly Plan[]; made: Schedule } | null = null;

/** The quick schedule of all work of a shop; the last one asked for is kept. */
export function scheduleOfAll(plans: readonly Plan[]): Schedule {
  const [only] = plans;
  if (only && plans.length === 1) return scheduleOf(only);
  if (last?.plans.length === plans.length && last.plans.every((plan, at) => plan === plans[at])) return last.made;
  const made = schedule(plans.map((plan) => ({ plan, judgement: judgementOf(plan) })));
  last = { plans: [...plans], made };
  return made;
}
