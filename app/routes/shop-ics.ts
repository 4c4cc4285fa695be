import { calendarResponse } from "~/http/calendar.server";
import { shopDaysFor } from "~/http/plan-of-work.server";
import { resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/shop-ics";

/** The days of the whole shop as an iCalendar feed. */
export const loader = ({ request }: Route.LoaderArgs) =>
  resource(() =>
    withStore(async (store) => {
      const { jobs, shop } = await shopDaysFor(store);
      return calendarResponse(jobs, "Shop calendar", new URL(request.url), shop.hours.timeZone);
    }),
  );
