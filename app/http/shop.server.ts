import type { Plan } from "#core/plan/plan";
import { getJob, listJobs } from "#db/plans";
import { withStore } from "./trouble.server";

/** More jobs than this on the go are not scheduled together; the jobs list says which come first. */
export const MOST_TOGETHER = 30;

/** The plans of the jobs that are on the go, the latest first. */
export const allPlans = (): Promise<Plan[]> =>
  withStore(async (store) => {
    const { jobs } = await listJobs(store);
    const plans: Plan[] = [];
    for (const { id } of jobs.slice(0, MOST_TOGETHER)) {
      const job = await getJob(store, id);
      if (job) plans.push(job.plan);
    }
    return plans;
  });
