import { useMemo } from "react";
import { Link, useLoaderData, useSearchParams } from "react-router";
import { datesOf } from "#core/schedule/dates";
import { isHeavy, judgementOf, scheduleOfAll, undatedSchedule } from "#core/schedule/kept";
import { readWallTime } from "#core/units/wall-time";
import { sayDate, sayMoment } from "#core/units/when";
import { Calendar, Toggle, useDays, useParamLink } from "~/days/calendar";
import { DayList } from "~/days/day-list";
import { lanesOf, withPhases } from "~/days/lanes";
import { useBestSchedule } from "~/days/use-schedule";
import { planOfText, textOfPlan } from "~/editor/plan-text";
import { allPlans, type LeftOut } from "~/http/shop.server";
import { PageHead } from "~/parts/brand";

export const loader = async () => {
  const { plans, leftOut } = await allPlans();
  return { texts: plans.map(textOfPlan), leftOut };
};
export const meta = () => [{ title: "Shop calendar · Jolly Crust" }];

/** Milliseconds the worker spends looking for better dates for the whole shop. */
const LOOKS_FOR = 1000;

/** Jobs that cannot be read: the calendar shows the others. */
function NotHere({ jobs }: { jobs: readonly LeftOut[] }) {
  if (jobs.length === 0) return null;
  return (
    <section
      className="mb-4 border border-l-4 border-line border-l-ochre bg-board px-4 py-3"
      aria-label="Jobs left out"
    >
      <p className="kicker text-[0.9375rem] text-ochre">not on this calendar</p>
      <ul className="flex flex-col gap-2">
        {jobs.map(({ id, title, because }) => (
          <li key={id}>
            <b className="font-semibold">{title}</b>: {because}{" "}
            <a className="link" href={`/jobs/${id}/export?as=stored`} download>
              Get its file out
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** All jobs on one calendar, sharing the same painters. */
export default function ShopDays() {
  const { texts, leftOut } = useLoaderData<typeof loader>();
  const plans = useMemo(() => texts.map(planOfText), [texts]);
  const [params] = useSearchParams();
  const link = useParamLink();
  const works = useMemo(() => plans.map((plan) => ({ plan, judgement: judgementOf(plan) })), [plans]);
  const heavy = isHeavy(works.map(({ judgement }) => judgement));
  const quick = useMemo(
    () => (heavy && works[0] ? undatedSchedule(works[0].plan, works[0].judgement) : scheduleOfAll(plans)),
    [plans, works, heavy],
  );
  const { schedule: made, state, stop } = useBestSchedule(plans, quick, LOOKS_FOR, heavy);
  const days = useDays(made.bookings, made.start);
  const kind = params.get("lanes") === "zone" ? "zone" : "piece";
  const chain = params.get("chain") === "yes";
  const items = useMemo(() => withPhases(works, made.bookings), [works, made]);
  const lanes = useMemo(() => lanesOf(works, items, kind), [works, items, kind]);
  const starts = useMemo(() => new Map(plans.map(({ id, start }) => [id, readWallTime(start)!])), [plans]);
  const first = works.find(({ judgement }) => judgement.zones.length > 0);
  const titles = useMemo(() => new Map(plans.map(({ id, title }) => [id, title])), [plans]);
  return (
    <div className="flex h-screen min-h-[640px] min-w-[1024px] flex-col">
      <PageHead title="Shop calendar">
        <a className="button" href="/days.ics">
          Calendar feed
        </a>
      </PageHead>
      {first && made.bookings.length > 0 ? (
        <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_300px]">
          <Calendar
            hours={first.plan.pinned.hours}
            days={days}
            lanes={lanes}
            startOf={(planId) => starts.get(planId) ?? 0}
            air={{ climate: first.judgement.zones[0]!.climate, zero: starts.get(first.plan.id)! }}
            day={days.day}
            chosen={null}
            chain={chain}
            linkTo={({ planId, id, starts: begins }) =>
              `/jobs/${planId}/days?work=${id}&day=${Math.floor(begins / 1440)}`
            }
            bar={
              <>
                <span className="flex gap-1 self-center">
                  <Toggle on={kind === "piece"} to={link({ lanes: null })}>
                    By piece
                  </Toggle>
                  <Toggle on={kind === "zone"} to={link({ lanes: "zone" })}>
                    By zone
                  </Toggle>
                </span>
                <Toggle on={chain} to={link({ chain: chain ? null : "yes" })}>
                  What sets the finish
                </Toggle>
                <span className="flex-1" />
                {state === "looking" && (
                  <span className="flex items-baseline gap-2 text-note text-soft" role="status">
                    Looking for an earlier finish …
                    <button type="button" className="link" onClick={stop}>
                      Stop
                    </button>
                  </span>
                )}
              </>
            }
            foot="Here all jobs share the same painters. A job's own calendar is planned as if it were the only one; select any work to go there."
          />
          <aside className="min-h-0 overflow-y-auto p-4" aria-label="The jobs">
            <h2 className="text-lg">Finish dates</h2>
            <ul className="mt-1 mb-5">
              {works.map((work) => {
                const dates = datesOf(work, made);
                const due = work.plan.due ? readWallTime(work.plan.due) : null;
                const late = dates !== null && due !== null && dates.leaves > due;
                return (
                  <li key={work.plan.id} className="border-t border-hair py-1.5">
                    <Link to={`/jobs/${work.plan.id}/days`} className="block truncate font-medium hover:underline">
                      {work.plan.title}
                    </Link>
                    <span className="text-note text-soft">
                      {dates ? `done ${sayMoment(dates.finish, made.start)}` : "nothing to do"}
                      {due !== null && (
                        <span className={late ? "font-semibold text-ochre" : ""}>
                          {late ? ` · too late for ${sayDate(due)}` : ` · due ${sayDate(due)}`}
                        </span>
                      )}
                    </span>
                  </li>
                );
              })}
            </ul>
            <NotHere jobs={leftOut} />
            {made.clashes.length > 0 && (
              <section
                className="mb-4 border border-l-4 border-line border-l-ochre bg-board px-4 py-3"
                aria-label="Clashes"
              >
                <p className="kicker text-[0.9375rem] text-ochre">clashes</p>
                <ul className="flex flex-col gap-2">
                  {made.clashes.map((clash) => (
                    <li key={`${clash.planId} ${clash.says}`}>
                      <Link to={`/jobs/${clash.planId}/days`} className="hover:underline">
                        {clash.says}
                      </Link>
                    </li>
                  ))}
                </ul>
              </section>
            )}
            {days.day !== null && (
              <DayList
                day={days.day}
                items={items}
                jobs={titles}
                linkTo={({ booking }) => `/jobs/${booking.planId}/days?work=${booking.id}`}
              />
            )}
          </aside>
        </main>
      ) : (
        <main className="flex flex-1 flex-col items-center justify-center gap-3">
          {state === "dating" ? (
            <>
              <h1 className="text-view">Working out the days …</h1>
              <p className="text-soft" role="status">
                There is a lot of work in these jobs; the calendar appears here in a few seconds.
              </p>
            </>
          ) : (
            <>
              <h1 className="text-view">No work to show yet</h1>
              <p className="text-soft">Add a first step to a job, and its days show here beside the others'.</p>
            </>
          )}
          <NotHere jobs={leftOut} />
          <Link to="/" className="button button-main">
            Go to the jobs
          </Link>
        </main>
      )}
    </div>
  );
}
