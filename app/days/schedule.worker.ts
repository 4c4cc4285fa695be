import { expose } from "comlink";
import { fittedIn, type JobPlan, workOf } from "#core/schedule/plan-of-work";
import { asItIs, type Tried, tryTogether, whatIf } from "#core/schedule/what-if";
import { newestOnly } from "~/first/newest-only";
import type { Among, Asking, Trials } from "./messages";

// Dates a job off the page, and tries ideas on it.

/** Counted looks at the dates of each idea: most jobs need fewer to find the best there are. */
const LOOKS_AT_EACH = 150;

let known: { of: string; before: Tried; ideas: Tried[] } | null = null;

const asked = newestOnly();

const scheduling = {
  /** The job as it would fit in; null where a newer version of it has been asked for since. */
  async fitted({ plan, shop, around }: Among): Promise<JobPlan | null> {
    const isNewest = asked();
    return (await isNewest()) ? fittedIn(workOf(plan, shop), around) : null;
  },

  /** What the ideas come to. The same plan is not tried again when only the choice of ideas changes. */
  trials({ plan, shop, around, together }: Asking): Trials {
    const options = { shop, ...around, looks: LOOKS_AT_EACH };
    const of = JSON.stringify([plan, shop, around]);
    if (known?.of !== of) known = { of, before: asItIs(plan, options), ideas: whatIf(plan, options) };
    const { before, ideas } = known;
    const chosen = ideas.filter(({ id }) => together.includes(id));
    return { before, ideas, together: chosen.length > 1 ? tryTogether(plan, chosen, options) : null };
  },
};

export type Scheduling = typeof scheduling;

expose(scheduling);
