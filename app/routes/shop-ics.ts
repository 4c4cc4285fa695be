import { calendarResponse } from "~/http/calendar.server";
import { allPlans } from "~/http/shop.server";
import type { Route } from "./+types/shop-ics";

/** The days of the whole shop as an iCalendar feed. */
export async function loader({ request }: Route.LoaderArgs) {
  return calendarResponse(await allPlans(), "The shop's days", new URL(request.url));
}
