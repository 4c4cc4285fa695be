import { getJob } from "#db/plans";
import { calendarResponse } from "~/http/calendar.server";
import { noSuchJob, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/days-ics";

/** The days of a job as an iCalendar file, to be saved or subscribed to. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const job = await withStore((store) => getJob(store, params.planId));
  if (!job) throw noSuchJob(params.planId);
  return calendarResponse([job.plan], job.plan.title, new URL(request.url));
}
