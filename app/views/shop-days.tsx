import { Suspense, useMemo } from "react";
import { Link, useLoaderData, useNavigate, useSearchParams } from "react-router";
import { DAY, HOUR, type WallMinutes } from "#core/units/units";
import { midnightBefore, readWallTime } from "#core/units/wall-time";
import { sayDates, sayMoment } from "#core/units/when";
import { lazyChart } from "~/charts/lazy-chart";
import { NARROWEST, Toggle, useNow, useParamLink, useSize } from "~/days/calendar";
import {
  fullTimes,
  handsByDay,
  handsLanes,
  hoursOfAnybody,
  pieceLanes,
  type ShopJob,
  type Span,
} from "~/days/shop-lanes";
import { Day, Jobs, sayFrom } from "~/days/shop-lists";
import { Verdict } from "~/days/shop-verdict";
import { ShopDaysDrawing } from "~/drawing/shop-days-drawing";
import { timeAxis } from "~/drawing/time-axis";
import { unpacked } from "~/first/packed";
import { KEYS, type Key } from "~/keys/keys";
import { useKey } from "~/keys/use-key";
import { PageHead } from "~/parts/brand";
import { panes } from "~/parts/panes";
import { SidePane } from "~/parts/side-pane";
import { PlanNotice } from "~/plan-of-work/plan-notice";
import { useFreshPage, useStanding } from "~/plan-of-work/use-standing";
import type { loader } from "~/routes/shop-days";
import { countOf } from "~/words/amount";

/** How much of the calendar is shown, from the nearest to the farthest. */
const ZOOMS = [
  { id: "half", minutes: DAY / 2, name: "½ day" },
  { id: "day", minutes: DAY, name: "day" },
  { id: "3", minutes: 3 * DAY, name: "3 days" },
  { id: "week", minutes: 7 * DAY, name: "week" },
  { id: "2w", minutes: 14 * DAY, name: "2 weeks" },
  { id: "3w", minutes: 21 * DAY, name: "3 weeks" },
  { id: "2m", minutes: 61 * DAY, name: "2 months" },
] as const;

const USUAL_ZOOM = 3;
/** Jobs that are not on the calendar, by name. */
const MOST_LEFT_OUT = 12;

/** A half day begins at a multiple of this. */
const HALF = 6 * HOUR;

function useSpan(jobs: readonly ShopJob[], now: WallMinutes | null) {
  const [params] = useSearchParams();
  const asked = ZOOMS.findIndex(({ id }) => id === params.get("span"));
  const zoom = asked < 0 ? USUAL_ZOOM : asked;
  const bookings = jobs.flatMap(({ job }) => job.bookings);
  const first = bookings.reduce((least, { starts }) => Math.min(least, starts), Number.POSITIVE_INFINITY);
  const last = bookings.reduce((most, { ends }) => Math.max(most, ends), Number.NEGATIVE_INFINITY);
  // a calendar begins today, if there is work on both sides of it; otherwise with the first work
  const begin = now !== null && now > first && now < last ? now : first;
  const from = params.get("from");
  const read = from === null ? null : readWallTime(from.length === 10 ? `${from}T00:00` : from);
  const { minutes } = ZOOMS[zoom]!;
  const start = read ?? begin;
  const aligned = minutes < DAY ? Math.floor(start / HALF) * HALF : midnightBefore(start);
  const span: Span = { from: aligned, to: aligned + minutes };
  return { span, zoom, minutes, first, last };
}

type ParamLink = ReturnType<typeof useParamLink>;

const zoomLink = (link: ParamLink, index: number) =>
  link({ span: ZOOMS[Math.max(0, Math.min(ZOOMS.length - 1, index))]!.id });

/** A key that leads to another part of the calendar; pressed quickly, each counts from where the one before led. */
function useLeads(key: Key, to: string | null) {
  const navigate = useNavigate();
  useKey(key, () => {
    if (to) navigate(to, { replace: true, preventScrollReset: true });
  });
}

const HoursChart = lazyChart(() => import("~/charts/hours-chart"));

/** All jobs on one calendar, with the same hands and places. */
export default function ShopDays() {
  const { jobs: sent, shop, leftOut, standing: first } = useLoaderData<typeof loader>();
  const jobs = useMemo(() => unpacked(sent), [sent]);
  const { known, ask } = useStanding({ standing: first }, "/plan-of-work", 0);
  const { standing } = known;
  useFreshPage(standing);
  const [params] = useSearchParams();
  const link = useParamLink();
  const now = useNow();
  const { span, zoom, minutes } = useSpan(jobs, now);
  const chosen = params.get("job");
  const opened = params.get("open");
  const charted = params.get("chart") === "hours";
  const day = Number(params.get("day")) * DAY;
  const shownDay = params.has("day") && day >= span.from && day < span.to ? day : midnightBefore(span.from);
  const painters = useMemo(() => new Map(shop.painters.map(({ id, name }) => [id, name])), [shop]);
  const hands = useMemo(() => handsLanes(jobs, shop, span), [jobs, shop, span]);
  const pieces = pieceLanes(jobs, opened, (id) => link({ open: id === opened ? null : id }));
  const { dryingPlaces } = shop.hours;
  const places =
    dryingPlaces === undefined
      ? null
      : {
          note: countOf(dryingPlaces, "drying place"),
          full: fullTimes(
            jobs.filter(({ isKept }) => isKept).flatMap(({ job }) => job.lies),
            dryingPlaces,
          ),
        };
  const moveTo = (by: number) => link({ from: sayFrom(span.from + by * minutes), day: null });
  const toToday = now === null ? null : link({ from: sayFrom(now), day: Math.floor(now / DAY) });
  const { keys } = KEYS.calendar;
  useLeads(keys.closer, zoomLink(link, zoom - 1));
  useLeads(keys.wider, zoomLink(link, zoom + 1));
  useLeads(keys.earlier, moveTo(-1));
  useLeads(keys.later, moveTo(1));
  useLeads(keys.today, toToday);
  const { frame, size } = useSize();
  const width = Math.max(NARROWEST, size.width);
  const axis = timeAxis(hoursOfAnybody(shop), span.from, span.to, LABELS, width - LABELS);
  const empty = jobs.every(({ job }) => job.bookings.length === 0);
  return (
    <div className="job-frame max-sm:!pb-28">
      <PageHead title="Shop calendar">
        <span className="flex gap-2">
          <Link to="/shop" className="button">
            Hours and painters
          </Link>
          <a className="button" href="/days.ics">
            Calendar feed
          </a>
        </span>
      </PageHead>
      {empty ? (
        <main className="flex flex-1 flex-col items-center justify-center gap-3">
          <h1 className="text-view">{standing.stale ? "Scheduling the first jobs …" : "No work to show yet"}</h1>
          <p className="text-soft" role="status">
            {standing.stale
              ? "The calendar appears here in a few seconds."
              : "Promise a job, or add a first step to one, and its days show here beside the others'."}
          </p>
          <Link to="/" className="button button-main">
            Go to the jobs
          </Link>
        </main>
      ) : (
        <main className="panes job-main" style={panes("minmax(0, 1fr) 300px")}>
          <section
            className="flex min-h-0 min-w-0 flex-col border-line px-5 lg:border-r pt-3 pb-2 max-sm:px-3"
            aria-label="Calendar"
          >
            <div className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1.5">
              <h1 className="shrink-0 text-view">
                {minutes < DAY ? sayMoment(span.from) : sayDates(span.from, span.to - 1)}
              </h1>
              <nav aria-label="Move through the calendar" className="flex gap-1">
                <Toggle on={false} to={moveTo(-1)}>
                  Earlier
                </Toggle>
                {toToday !== null && (
                  <Toggle on={false} to={toToday}>
                    Today
                  </Toggle>
                )}
                <Toggle on={false} to={moveTo(1)}>
                  Later
                </Toggle>
              </nav>
              <span className="flex-1" />
              <nav aria-label="How much to show" className="flex flex-wrap gap-1">
                {ZOOMS.map(({ id, name }, index) => (
                  <Toggle key={id} on={index === zoom} to={link({ span: id })}>
                    {name}
                  </Toggle>
                ))}
              </nav>
            </div>
            <div ref={frame} className="calendar-frame">
              <ShopDaysDrawing
                axis={axis}
                hands={hands}
                pieces={pieces}
                places={places}
                width={width}
                height={charted ? size.height - CHART : size.height}
                labelWidth={LABELS}
                day={shownDay}
                now={now}
                chosen={chosen}
                linkToDay={(midnight) => link({ day: midnight / DAY })}
                linkToJob={(planId) => link({ job: planId === chosen ? null : planId })}
              />
              {charted && (
                <Suspense fallback={<p className="text-note text-soft">Drawing the hours …</p>}>
                  <HoursChart
                    days={handsByDay(jobs, shop, span)}
                    names={shop.painters.map(({ name }) => name)}
                    height={CHART}
                  />
                </Suspense>
              )}
            </div>
            <p className="flex items-baseline gap-4 pt-1.5 text-note text-soft">
              <span className="min-w-0 flex-1">
                Blocks: work, in the colour of the piece. Upright: a coat goes on; the wedge is its drying, and the next
                coat may start at the point. Shaded: closed, drawn twelve times narrower. Open a piece to see its zones.
              </span>
              <Toggle on={charted} to={link({ chart: charted ? null : "hours" })}>
                Hands-on hours
              </Toggle>
            </p>
          </section>
          <SidePane label="The jobs" wake={chosen ?? ""} className="px-4 py-3">
            <Verdict jobs={jobs} standing={standing} ask={ask} />
            {leftOut.length > 0 && (
              <section
                className="mb-4 border border-l-4 border-line border-l-ochre bg-board px-4 py-3"
                aria-label="Jobs left out"
              >
                <p className="kicker text-[0.9375rem] text-ochre">not on this calendar</p>
                <ul className="flex flex-col gap-2">
                  {leftOut.slice(0, MOST_LEFT_OUT).map(({ id, title, because }) => (
                    <li key={id}>
                      <b className="font-semibold">{title}</b>: {because}.{" "}
                      <a className="link" href={`/jobs/${id}/export?as=stored`} download>
                        Get its file out
                      </a>
                    </li>
                  ))}
                </ul>
                {leftOut.length > MOST_LEFT_OUT && (
                  <p className="mt-2">
                    And {countOf(leftOut.length - MOST_LEFT_OUT, "more job")}. Put away what is done on the jobs list.
                  </p>
                )}
              </section>
            )}
            <Day jobs={jobs} midnight={shownDay} painters={painters} />
            <div className="mt-5">
              <Jobs jobs={jobs} />
            </div>
          </SidePane>
        </main>
      )}
      <PlanNotice standing={standing} ask={ask} />
    </div>
  );
}

const LABELS = 164;

const CHART = 190;
