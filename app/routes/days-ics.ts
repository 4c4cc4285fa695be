import { getJob } from "#db/plans";
import { calendarResponse } from "~/http/calendar.server";
import { noSuchJob, planIdOf, resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/days-ics";

/** The days of a job as an iCalendar file, to be saved or subscribed to. */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  resource(async () => {
    const planId = planIdOf(params);
    const job = await withStore((store) => getJob(store, planId));
    if (!job) throw noSuchJob(planId);
    return calendarResponse([job.plan], job.plan.title, new URL(request.url));
  });
