import { isPlannedFor } from "#core/plan/plan";
import { getJob } from "#db/plans";
import { calendarResponse } from "~/http/calendar.server";
import { jobPlanFor } from "~/http/plan-of-work.server";
import { noSuchJob, planIdOf, resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/days-ics";

/** The days of a job as an iCalendar file, to be saved or subscribed to. */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  resource(() =>
    withStore(async (store) => {
      const planId = planIdOf(params);
      const found = await getJob(store, planId);
      if (!found) throw noSuchJob(planId);
      const { plan } = found;
      const { job, shop } = await jobPlanFor(store, plan);
      const zone = plan.hoursFrom === "shop" ? shop.hours.timeZone : plan.pinned.hours.timeZone;
      return calendarResponse([{ plan, job, isKept: isPlannedFor(plan) }], plan.title, new URL(request.url), zone);
    }),
  );
