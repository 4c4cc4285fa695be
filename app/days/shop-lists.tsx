import { Link } from "react-router";
import { sayDuration } from "#core/units/duration";
import { DAY, type WallMinutes } from "#core/units/units";
import { sayWallTime } from "#core/units/wall-time";
import { sayClock, sayDate, sayLongDate } from "#core/units/when";
import { type ShopJob, whereOf } from "~/days/shop-lanes";
import { isOnDay } from "~/drawing/shop-lane";
import { countOf } from "~/words/amount";

export const sayFrom = (wall: WallMinutes) => sayWallTime(wall);

export const lateOf = (due: WallMinutes, { dates }: ShopJob["job"]) => Math.max(0, (dates?.leaves ?? 0) - due);

export function Jobs({ jobs }: { jobs: readonly ShopJob[] }) {
  if (jobs.length === 0) return null;
  return (
    <section aria-label="When the jobs leave" className="mb-5">
      <h2 className="text-lg">Leaving</h2>
      <ul className="mt-1">
        {[...jobs]
          .sort((a, b) => (a.job.dates?.leaves ?? 0) - (b.job.dates?.leaves ?? 0))
          .map(({ id, title, job, due, isKept, edited }) => (
            <li key={id} className="flex items-baseline gap-2 border-t border-hair py-1" data-job={id}>
              <span
                aria-hidden="true"
                className="size-3 shrink-0 self-center rounded-[2px] border border-ink/40"
                style={{ background: job.colour }}
              />
              <Link to={`/jobs/${id}/days`} className="min-w-0 flex-1 truncate font-medium hover:underline">
                {title}
              </Link>
              <span className="shrink-0 text-right text-note">
                {job.dates ? (
                  <span
                    data-leaves={sayWallTime(job.dates.leaves)}
                    className={due !== null && lateOf(due, job) > 0 ? "font-semibold text-ochre" : ""}
                  >
                    {sayDate(job.dates.leaves)}
                    {due !== null && lateOf(due, job) > 0 && ", late"}
                  </span>
                ) : (
                  "nothing to do"
                )}
                {!isKept && <span className="block text-soft">an idea</span>}
                {edited && isKept && <span className="block text-soft">before the last edits</span>}
              </span>
            </li>
          ))}
      </ul>
    </section>
  );
}

export function Day({
  jobs,
  midnight,
  painters,
}: {
  jobs: readonly ShopJob[];
  midnight: WallMinutes;
  painters: Names;
}) {
  const today = jobs
    .filter(({ isKept }) => isKept)
    .flatMap((job) =>
      job.job.bookings
        .filter(({ starts, ends }) => ends > starts && isOnDay({ from: starts }, midnight))
        .map((booking) => ({ one: job, booking })),
    )
    .sort((a, b) => a.booking.starts - b.booking.starts);
  const hands = today.reduce((sum, { booking }) => sum + booking.ends - booking.starts, 0);
  return (
    <section aria-label={sayLongDate(midnight)}>
      <h2 className="text-lg">{sayLongDate(midnight)}</h2>
      <p className="text-note text-soft">
        {today.length === 0 ? "No work this day." : `${countOf(today.length, "step")}, ${sayDuration(hands)} hands-on`}
      </p>
      <ol className="mt-1">
        {today.map(({ one, booking }) => (
          <li key={booking.id} className="flex gap-2 border-t border-hair py-1">
            <span className="w-11 shrink-0 font-semibold tabular-nums">{sayClock(booking.starts)}</span>
            <Link
              to={`/jobs/${one.id}/days?work=${encodeURIComponent(booking.id)}&day=${Math.floor(booking.starts / DAY)}`}
              className="min-w-0 flex-1 hover:underline"
            >
              {booking.name}
              <span className="block text-note text-soft">
                {[one.title, whereOf(one, booking), painters.size > 1 && painters.get(booking.painter)]
                  .flatMap((part) => (part ? part.replaceAll(" ", "\u00a0") : []))
                  .join(" · ")}
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </section>
  );
}

type Names = ReadonlyMap<string, string>;
