import { calendarResponse } from "~/http/calendar.server";
import { allPlans } from "~/http/shop.server";
import { resource } from "~/http/trouble.server";
import type { Route } from "./+types/shop-ics";

/** The days of the whole shop as an iCalendar feed. */
export const loader = ({ request }: Route.LoaderArgs) =>
  resource(async () => {
    return calendarResponse((await allPlans()).plans, "Shop calendar", new URL(request.url));
  });
