import { LRUCache } from "lru-cache";
import type { CalendarJob } from "#core/exchange/calendar-file";
import { isPlannedFor, type Plan } from "#core/plan/plan";
import type { Shop } from "#core/plan/shop";
import type { Around } from "#core/schedule/crew";
import type { Dates } from "#core/schedule/dates";
import { isHeavy, judgementOf } from "#core/schedule/kept";
import { markOf, markOfAny } from "#core/schedule/mark";
import { aroundOf, fittedIn, type JobPlan, workOf } from "#core/schedule/plan-of-work";
import { getInputs, type Inputs } from "#db/inputs";
import type { Store } from "#db/open";
import { getPlanOfWork, type Kept, type Standing as Stands, type WantedOver } from "#db/plan-of-work";
import type { JobStanding, Standing } from "~/plan-of-work/standing";

/** The jobs, the kept plan of work and how it stands, read once; what the pages show follows from it. */
export interface ShopState {
  inputs: Inputs;
  kept: Kept;
  stands: Stands;
}

export const readShopState = async (store: Store, over: WantedOver = []): Promise<ShopState> => ({
  inputs: await getInputs(store),
  ...(await getPlanOfWork(store, over)),
});

/** How the plan of work stands for the pages. */
export function standingIn({ inputs, stands }: ShopState): Standing {
  const { kept, offered, tried, planning, hasBefore } = stands;
  const left = stands.left?.key === inputs.key ? stands.left : null;
  const idea = tried?.madeFrom.idea ?? null;
  return {
    kept: kept && { id: kept.id, at: kept.at.getTime(), looks: kept.madeFrom.looks, hasBefore },
    offered: offered?.key === inputs.key ? { id: offered.id, changes: offered.changes } : null,
    tried: tried && idea !== null ? { id: tried.id, changes: tried.changes, idea, leaves: tried.leaves } : null,
    planning,
    stale: kept?.key !== inputs.key && (kept !== null || inputs.plans.length > 0),
    left: left !== null,
    trouble: left?.trouble ?? null,
  };
}

const fits = new LRUCache<string, JobPlan>({ max: 100 });

/** A job as it would fit in, worked out once for the same job in the same shop. */
function fitOf(plan: Plan, shop: Shop, around: Around): JobPlan {
  const key = markOfAny([markOf(plan), shop, around]);
  const fit = fits.get(key) ?? fittedIn(workOf(plan, shop), around);
  fits.set(key, fit);
  return fit;
}

/** How it stands for one job, without working anything out. */
export async function jobStandingFor(store: Store, planId: string): Promise<Omit<JobStanding, "fit">> {
  const state = await readShopState(store, [planId]);
  const { planned, tried } = state.kept;
  const { shop } = state.inputs;
  const promised = planned.find((jobPlan) => jobPlan.planId === planId);
  return {
    standing: standingIn(state),
    own: promised ?? tried.find((jobPlan) => jobPlan.planId === planId) ?? null,
    kind: promised ? "planned" : "tried",
    shop,
    around: aroundOf(
      shop,
      planned.filter((jobPlan) => jobPlan.planId !== planId),
    ),
  };
}

/** The same, with how the job as it is saved would fit in where its part is of another version, and that is not too much for a page. */
export async function fittedStandingFor(store: Store, plan: Plan): Promise<JobStanding> {
  const standing = await jobStandingFor(store, plan.id);
  const isKnown = standing.own?.mark === markOf(plan) || isHeavy([judgementOf(plan)]);
  return { ...standing, fit: isKnown ? null : fitOf(plan, standing.shop, standing.around) };
}

/** A job's part of the plan of work; where it has none yet, as it would fit in. */
export async function jobPlanFor(store: Store, plan: Plan): Promise<{ job: JobPlan; shop: Shop }> {
  const { own, shop, around } = await jobStandingFor(store, plan.id);
  return { job: own ?? fitOf(plan, shop, around), shop };
}

/** When a job leaves, as every page says it. */
export interface JobDates {
  begins: number | null;
  dates: Dates | null;
  clashes: number;
  /** it is promised, and these dates stand */
  isKept: boolean;
  /** it has been changed since, and is not planned again yet */
  edited: boolean;
}

/** The dates of all jobs by the kept plan of work, by their ids. */
export function datesIn({ inputs: { plans, ideas }, kept: { planned, tried } }: ShopState): Record<string, JobDates> {
  const marks = new Map([...plans, ...ideas].map((plan) => [plan.id, markOf(plan)]));
  const datesOf = (job: JobPlan, isKept: boolean): [string, JobDates] => {
    const mark = marks.get(job.planId);
    const { dates, clashes, bookings } = job;
    const edited = mark !== undefined && mark !== job.mark;
    return [job.planId, { begins: bookings[0]?.starts ?? null, dates, clashes: clashes.length, isKept, edited }];
  };
  return Object.fromEntries([...tried.map((job) => datesOf(job, false)), ...planned.map((job) => datesOf(job, true))]);
}

/** Every job that is planned, or an idea tried among them, with its part of the kept plan of work. */
export function calendarJobsIn({ inputs: { plans, ideas }, kept: { planned, tried } }: ShopState): CalendarJob[] {
  const kept = new Map(planned.map((job) => [job.planId, job]));
  const fitted = new Map(tried.map((job) => [job.planId, job]));
  return [...plans, ...ideas].flatMap((plan): CalendarJob[] => {
    const isKept = isPlannedFor(plan);
    const job = (isKept ? kept : fitted).get(plan.id);
    return job ? [{ plan, job, isKept }] : [];
  });
}
