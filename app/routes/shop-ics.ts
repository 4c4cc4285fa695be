import { calendarResponse } from "~/http/calendar.server";
import { calendarJobsIn, readShopState } from "~/http/plan-of-work.server";
import { resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/shop-ics";

/** The days of the whole shop as an iCalendar feed. */
export const loader = ({ request }: Route.LoaderArgs) =>
  resource(() =>
    withStore(async (store) => {
      const state = await readShopState(store);
      const { timeZone } = state.inputs.shop.hours;
      return calendarResponse(calendarJobsIn(state), "Shop calendar", new URL(request.url), timeZone);
    }),
  );
