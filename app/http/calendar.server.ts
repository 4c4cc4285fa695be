import ical, { ICalCalendarMethod, ICalEventStatus } from "ical-generator";
import { type CalendarJob, calendarEntries } from "#core/exchange/calendar-file";
import { instantIn, isTimeZone } from "#core/units/time-zone";
import { readWallTime } from "#core/units/wall-time";

/**
 * The days of some jobs as an iCalendar file, by the kept plan of work. Times are the shop's wall-clock times, unless the
 * address or the shop names a time zone; then they are instants, correct on both sides of a clock change. An entry keeps its id
 * as long as it is the same work, and its sequence number as long as it does not change; ideas are tentative.
 */
export function calendarResponse(
  jobs: readonly CalendarJob[],
  name: string,
  url: URL,
  shopZone: string | undefined,
): Response {
  const timeZone = url.searchParams.get("zone") ?? shopZone ?? null;
  if (timeZone !== null && !isTimeZone(timeZone))
    return new Response(`"${timeZone}" is not a time zone. Write one like Europe/London, or leave it out.\n`, {
      status: 400,
      headers: { "Content-Type": "text/plain; charset=utf-8" },
    });
  const calendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: "Jolly Crust", product: "days" },
  });
  const at = (wall: number) => new Date(timeZone === null ? wall * 60_000 : instantIn(timeZone, wall));
  // where it is not known when an entry changed, it says the same as long as the job does
  const begin = Math.min(...jobs.map(({ plan }) => readWallTime(plan.start) ?? 0));
  for (const { id, starts, ends, title, about, sequence, changed, tentative } of calendarEntries(jobs))
    calendar.createEvent({
      id: `${id.replaceAll(/[^\w-]/g, "-")}@jolly-crust`,
      start: at(starts),
      end: at(ends),
      floating: timeZone === null,
      summary: title,
      description: about,
      sequence,
      status: tentative ? ICalEventStatus.TENTATIVE : ICalEventStatus.CONFIRMED,
      stamp: changed === null ? at(begin) : new Date(changed),
    });
  return new Response(calendar.toString(), {
    headers: {
      "Content-Type": "text/calendar; charset=utf-8",
      "Content-Disposition": `inline; filename="${name.replaceAll(/[^a-zA-Z0-9-]+/g, "-").slice(0, 60) || "days"}.ics"`,
      "Cache-Control": "no-store",
    },
  });
}
