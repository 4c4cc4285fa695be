import type { CalendarJob } from "#core/exchange/calendar-file";
import { isPlannedFor, type Plan } from "#core/plan/plan";
import type { Shop } from "#core/plan/shop";
import type { Dates } from "#core/schedule/dates";
import { markOf } from "#core/schedule/mark";
import { aroundOf, fittedIn, type JobPlan, workOf } from "#core/schedule/plan-of-work";
import type { Store } from "#db/open";
import { getInputs, getKept, getStanding, type LeftOut, type PlanHead, triedLeaves } from "#db/plan-of-work";
import type { JobStanding, Standing } from "~/plan-of-work/standing";

const offerOf = ({ id, changes }: PlanHead) => ({ id, changes });

/** How the plan of work stands for the pages. */
export async function standingFor(store: Store): Promise<Standing> {
  const inputs = await getInputs(store);
  const { kept, offered, tried, planning, trouble, left } = await getStanding(store);
  const idea = tried?.madeFrom.idea ?? null;
  return {
    kept: kept && {
      id: kept.id,
      at: kept.at.getTime(),
      jobs: Object.keys(kept.madeFrom.jobs).length,
      looks: kept.madeFrom.looks,
    },
    offered: offered?.key === inputs.key ? offerOf(offered) : null,
    tried:
      tried && idea !== null ? { ...offerOf(tried), idea, leaves: await triedLeaves(store, tried.id, idea) } : null,
    planning,
    stale: kept?.key !== inputs.key && (kept !== null || inputs.plans.length > 0),
    left,
    trouble,
  };
}

/** How it stands for one job. */
export async function jobStandingFor(store: Store, planId: string): Promise<JobStanding> {
  const [{ shop }, { planned, tried }, standing] = [
    await getInputs(store),
    await getKept(store),
    await standingFor(store),
  ];
  const own = planned.find((one) => one.planId === planId);
  return {
    standing,
    own: own ?? tried.find((one) => one.planId === planId) ?? null,
    kind: own ? "planned" : "tried",
    shop,
    around: aroundOf(
      shop,
      planned.filter((one) => one.planId !== planId),
    ),
  };
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
export async function jobDatesFor(store: Store): Promise<Record<string, JobDates>> {
  const { plans, ideas } = await getInputs(store);
  const marks = new Map([...plans, ...ideas].map((plan) => [plan.id, markOf(plan)]));
  const { planned, tried } = await getKept(store);
  const datesOf = (job: JobPlan, isKept: boolean): [string, JobDates] => {
    const mark = marks.get(job.planId);
    const { dates, clashes, bookings } = job;
    const edited = mark !== undefined && mark !== job.mark;
    return [job.planId, { begins: bookings[0]?.starts ?? null, dates, clashes: clashes.length, isKept, edited }];
  };
  return Object.fromEntries([...tried.map((job) => datesOf(job, false)), ...planned.map((job) => datesOf(job, true))]);
}

/** A job's part of the plan of work; where it has none yet, as it would fit in. */
export async function jobPlanFor(store: Store, plan: Plan): Promise<{ job: JobPlan; shop: Shop }> {
  const { own, shop, around } = await jobStandingFor(store, plan.id);
  return { job: own ?? fittedIn(workOf(plan, shop), around), shop };
}

/** Every job that is planned or tried in the kept plan of work, and those that are left out of it. */
export async function shopDaysFor(
  store: Store,
): Promise<{ jobs: CalendarJob[]; shop: Shop; leftOut: LeftOut[]; shopVersion: number }> {
  const { plans, ideas, shop, shopVersion, leftOut } = await getInputs(store);
  const { planned, tried } = await getKept(store);
  const kept = new Map(planned.map((job) => [job.planId, job]));
  const fitted = new Map(tried.map((job) => [job.planId, job]));
  const jobs = [...plans, ...ideas].flatMap((plan): CalendarJob[] => {
    const isKept = isPlannedFor(plan);
    const job = (isKept ? kept : fitted).get(plan.id);
    return job ? [{ plan, job, isKept }] : [];
  });
  return { jobs, shop, shopVersion, leftOut };
}
