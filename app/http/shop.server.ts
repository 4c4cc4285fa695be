import type { Plan } from "#core/plan/plan";
import { getJob, listJobs } from "#db/plans";
import { UnreadableJob } from "#db/trouble";
import { withStore } from "./trouble.server";

/** If more jobs than this are under way, they are not scheduled together; the jobs list says which come first. */
export const MOST_TOGETHER = 30;

/** A job that could not be read, with its reason: the others carry on without it. */
export interface LeftOut {
  id: string;
  title: string;
  because: string;
}

/** The plans of the jobs under way, the latest first, and those that cannot be read. */
export const allPlans = (): Promise<{ plans: Plan[]; leftOut: LeftOut[] }> =>
  withStore(async (store) => {
    const { jobs } = await listJobs(store);
    const plans: Plan[] = [];
    const leftOut: LeftOut[] = [];
    for (const { id, title } of jobs.slice(0, MOST_TOGETHER))
      try {
        const job = await getJob(store, id);
        if (job) plans.push(job.plan);
      } catch (error) {
        if (!(error instanceof UnreadableJob)) throw error;
        leftOut.push({ id, title, because: error.message });
      }
    return { plans, leftOut };
  });
