import ical, { ICalCalendarMethod } from "ical-generator";
import { calendarEntries } from "#core/exchange/calendar-file";
import type { Plan } from "#core/plan/plan";
import { scheduleOfAll } from "#core/schedule/kept";
import { instantIn, isTimeZone } from "#core/units/time-zone";

/**
 * The days of some jobs as an iCalendar file. Times are the shop's wall-clock times, unless the address or the job
 * names a time zone; then they are instants, correct on both sides of a clock change.
 */
export function calendarResponse(plans: readonly Plan[], name: string, url: URL): Response {
  const timeZone = url.searchParams.get("zone") ?? plans[0]?.pinned.hours.timeZone ?? null;
  if (timeZone !== null && !isTimeZone(timeZone))
    return new Response(`"${timeZone}" is not a time zone. Write one like Europe/London, or leave it out.\n`, {
      status: 400,
      headers: { "Content-Type": "text/plain; charset=utf-8" },
    });
  const made = scheduleOfAll(plans);
  const calendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: "Jolly Crust", product: "days" },
  });
  for (const { id, starts, ends, title, about } of calendarEntries(plans, made.bookings)) {
    const at = (wall: number) => new Date(timeZone === null ? wall * 60_000 : instantIn(timeZone, wall));
    calendar.createEvent({
      id: `${id.replaceAll(/[^\w-]/g, "-")}@jolly-crust`,
      start: at(starts),
      end: at(ends),
      floating: timeZone === null,
      summary: title,
      description: about,
      stamp: at(made.start),
    });
  }
  return new Response(calendar.toString(), {
    headers: {
      "Content-Type": "text/calendar; charset=utf-8",
      "Content-Disposition": `inline; filename="${name.replaceAll(/[^a-zA-Z0-9-]+/g, "-").slice(0, 60) || "days"}.ics"`,
      "Cache-Control": "no-store",
    },
  });
}
