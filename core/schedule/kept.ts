import { type Judgement, judge } from "../judge/judge.ts";
import type { Plan } from "../plan/plan.ts";
import { readWallTime } from "../units/wall-time.ts";
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

/** From this many coats and other pieces of work, a schedule takes too long to make while a page waits for it. */
const HEAVY = 1000;

/** Whether dating these takes so long that it is left to a worker. */
export const isHeavy = (judgements: readonly Judgement[]): boolean =>
  judgements.reduce((sum, { zones }) => zones.reduce((all, { phases }) => all + phases.length, sum), 0) >= HEAVY;

const undatedOf = new WeakMap<Judgement, Schedule>();

/** The schedule of a plan of which no dates are known yet; the same object for the same judgement. */
export function undatedSchedule(plan: Plan, judgement: Judgement): Schedule {
  const kept = undatedOf.get(judgement);
  if (kept) return kept;
  const start = readWallTime(plan.start) ?? 0;
  const made: Schedule = {
    start,
    bookings: [],
    lies: [],
    clashes: [],
    finish: null,
    visits: 0,
    lowerBound: null,
    proven: false,
  };
  undatedOf.set(judgement, made);
  return made;
}

let last: { plans: readonly Plan[]; made: Schedule } | null = null;

/** The quick schedule of all work of a shop; the last one is kept. */
export function scheduleOfAll(plans: readonly Plan[]): Schedule {
  const [only] = plans;
  if (only && plans.length === 1) return scheduleOf(only);
  if (last?.plans.length === plans.length && last.plans.every((plan, at) => plan === plans[at])) return last.made;
  const made = schedule(plans.map((plan) => ({ plan, judgement: judgementOf(plan) })));
  last = { plans: [...plans], made };
  return made;
}
