import { Link } from "react-router";
import { type Caution, cautionsFor } from "#core/safety/safety";
import { sayDuration, shortDuration } from "#core/units/duration";
import type { WallMinutes } from "#core/units/units";
import { midnightBefore } from "#core/units/wall-time";
import { sayClock, sayLongDate } from "#core/units/when";
import type { LaneBooking } from "~/drawing/lane";
import { seamSays } from "~/ladder/seam-words";
import { SafetyNote } from "~/parts/safety-note";
import { countOf } from "~/words/amount";

interface Props {
  day: WallMinutes;
  items: readonly LaneBooking[];
  /** where a link on a piece of work leads */
  linkTo: (item: LaneBooking) => string;
  /** job titles, where there are several jobs */
  jobs?: ReadonlyMap<string, string>;
}

/** The work of a day in order, with the day's cautions before it. */
export function DayList({ day, items, linkTo, jobs }: Props) {
  const today = items.filter(({ booking }) => midnightBefore(booking.starts) === day);
  const hands = today.reduce((sum, { booking }) => sum + booking.ends - booking.starts, 0);
  const cautions = new Map<string, Caution>();
  for (const { judged, placed } of today)
    if (judged && placed)
      for (const caution of cautionsFor(placed.phase, judged.zone)) cautions.set(caution.danger, caution);
  return (
    <section aria-label={sayLongDate(day)}>
      <p className="text-note text-soft">{sayLongDate(day)}</p>
      <h2 className="mb-2 text-lg">
        {countOf(today.length, "step")}, {sayDuration(hands)} hands-on
      </h2>
      <div className="mb-2">
        <SafetyNote cautions={[...cautions.values()]} where="this day" brief />
      </div>
      <ol>
        {today.map((item) => {
          const { booking, judged, placed } = item;
          const seam =
            judged && placed
              ? seamSays(
                  placed,
                  judged.findings.filter((finding) => finding.stepId === booking.stepId),
                )
              : null;
          const job = jobs?.get(booking.planId);
          return (
            <li key={booking.id} className="flex gap-3 border-t border-hair py-1.5">
              <span className="w-11 shrink-0 text-soft">{sayClock(booking.starts)}</span>
              <span className="min-w-0 flex-1">
                <Link to={linkTo(item)} className="font-medium hover:underline">
                  {booking.name}
                </Link>
                <span className="block truncate text-note text-soft">
                  {[judged?.zone.name.toLowerCase(), job, shortDuration(booking.ends - booking.starts)]
                    .filter(Boolean)
                    .join(" · ")}
                  {booking.pinned && " · time set"}
                </span>
                {seam?.tight && seam.text && (
                  <span
                    className={`block text-note font-semibold ${seam.severity === "stop" ? "text-ochre" : "text-sienna"}`}
                  >
                    {seam.text}
                  </span>
                )}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
