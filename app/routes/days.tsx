import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { JudgedPhase } from "#core/judge/judge";
import { zonesOf } from "#core/plan/plan";
import { type Caution, cautionsFor } from "#core/safety/safety";
import type { Booking } from "#core/schedule/schedule";
import { sayDuration } from "#core/units/duration";
import { DAY, type WallMinutes } from "#core/units/units";
import { midnightBefore, readWallTime } from "#core/units/wall-time";
import { DaysDrawing } from "~/drawing/days-drawing";
import { timeAxis } from "~/drawing/time-axis";
import { useJobEditor } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { jobAction } from "~/http/job-action.server";
import { SafetyNote } from "~/parts/safety-note";
import { seamSays } from "~/parts/seam-words";
import { SeamMark } from "~/parts/severity";
import { countOf } from "~/words/amount";
import { sayClock, sayDate, sayLongDate } from "~/words/when";
import type { Route } from "./+types/days";

export const action = ({ request, params }: Route.ActionArgs) => jobAction(request, params.planId);

const LABELS = 132;
const DAYS_A_PAGE = 7;

/** The days that hold work, a page of the calendar at a time. */
function usePage(bookings: readonly Booking[], start: WallMinutes) {
  const [params] = useSearchParams();
  const first = midnightBefore(bookings[0]?.starts ?? start);
  const last = midnightBefore(bookings.reduce((latest, booking) => Math.max(latest, booking.ends), first));
  const pages = Math.max(1, Math.ceil(((last - first) / DAY + 1) / DAYS_A_PAGE));
  const asked = Number(params.get("page") ?? 0);
  const page = Number.isInteger(asked) && asked >= 0 && asked < pages ? asked : 0;
  const from = first + page * DAYS_A_PAGE * DAY;
  const days = Math.min(DAYS_A_PAGE, (last - from) / DAY + 1);
  const worked = [...new Set(bookings.map((booking) => midnightBefore(booking.starts)))].filter(
    (day) => day >= from && day < from + days * DAY,
  );
  const chosen = Number(params.get("day")) * DAY;
  return { page, pages, from, days, day: worked.includes(chosen) ? chosen : (worked[0] ?? null) };
}

function DayList({ day, bookings }: { day: WallMinutes; bookings: readonly Booking[] }) {
  const { plan, judgement } = useJobEditor();
  const zones = new Map(zonesOf(plan).map((zone) => [zone.id, zone]));
  const today = bookings.filter((booking) => midnightBefore(booking.starts) === day);
  const hands = today.reduce((sum, booking) => sum + booking.ends - booking.starts, 0);
  const cautions = new Map<string, Caution>();
  for (const booking of today) {
    const judged = judgement.zones.find((one) => one.zone.id === booking.zoneId);
    const placed = judged?.phases.find((one) => one.phase.id === booking.phaseId);
    if (judged && placed)
      for (const caution of cautionsFor(placed.phase, judged.zone)) cautions.set(caution.danger, caution);
  }
  return (
    <section aria-label={sayLongDate(day)}>
      <p className="text-note text-soft">{sayLongDate(day)}</p>
      <h2 className="mb-2 text-lg">
        {countOf(today.length, "touch", "touches")}, {sayDuration(hands)} of hands
      </h2>
      <div className="mb-2">
        <SafetyNote cautions={[...cautions.values()]} where="this day" brief />
      </div>
      <ol>
        {today.map((booking) => {
          const judged = judgement.zones.find((one) => one.zone.id === booking.zoneId);
          const placed = judged?.phases.find((one) => one.phase.id === booking.phaseId);
          if (!judged || !placed) return null;
          const seam = seamSays(
            placed,
            judged.findings.filter((finding) => finding.stepId === booking.stepId),
          );
          const coats = placed.phase.step.coats;
          return (
            <li key={booking.id} className="flex gap-3 border-t border-hair py-1.5">
              <span className="w-11 shrink-0 text-soft">{sayClock(booking.starts)}</span>
              <span className="min-w-0 flex-1">
                <Link
                  to={`/jobs/${plan.id}/crust?zone=${booking.zoneId}&step=${booking.stepId}`}
                  className="font-medium hover:underline"
                >
                  {stepName(plan, placed.phase.step)}
                  {placed.phase.material && coats > 1 ? `, coat ${placed.phase.coat} of ${coats}` : ""}
                </Link>
                <span className="block truncate text-note text-soft">
                  {zones.get(booking.zoneId)?.name.toLowerCase()} · {sayDuration(booking.ends - booking.starts)}
                </span>
                {seam.tight && seam.text && (
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

export default function DaysRoute() {
  const { plan, judgement, schedule, dates } = useJobEditor();
  const [params] = useSearchParams();
  const { bookings, clashes } = schedule;
  const { page, pages, from, days, day } = usePage(bookings, readWallTime(plan.start)!);
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 918, height: 620 });
  const effect = typeof window === "undefined" ? useEffect : useLayoutEffect;
  effect(() => {
    const measure = () =>
      frame.current && setSize({ width: frame.current.clientWidth, height: frame.current.clientHeight });
    measure();
    window.addEventListener("resize", measure);
    return () => window.removeEventListener("resize", measure);
  }, []);
  const link = (change: Record<string, number>) => {
    const next = new URLSearchParams(params);
    for (const [key, value] of Object.entries(change)) next.set(key, String(value));
    return `?${next}`;
  };
  if (bookings.length === 0)
    return (
      <div className="flex h-full flex-col items-center justify-center gap-3">
        <h1 className="text-view">There are no days before there are steps</h1>
        <p className="text-soft">
          Lay the first coat on the crust; its waits and windows are put on the calendar here.
        </p>
        <Link to={`/jobs/${plan.id}/crust`} className="press press-main">
          To the crust
        </Link>
      </div>
    );
  const axis = timeAxis(plan.pinned.hours, from, days, LABELS, size.width - LABELS);
  const due = plan.due ? readWallTime(plan.due) : null;
  const nameOf = (placed: JudgedPhase) => stepName(plan, placed.phase.step);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_300px]">
      <section className="flex min-h-0 flex-col border-r border-line px-5 pt-4 pb-3" aria-label="Calendar">
        <div className="mb-2 flex items-baseline gap-4">
          <h1 className="text-view">
            {sayDate(from)} to {sayDate(from + (days - 1) * DAY)}
          </h1>
          {pages > 1 && (
            <nav aria-label="Pages of the calendar" className="flex gap-2">
              {page > 0 && (
                <Link to={link({ page: page - 1 })} replace className="link">
                  earlier
                </Link>
              )}
              {page < pages - 1 && (
                <Link to={link({ page: page + 1 })} replace className="link">
                  later
                </Link>
              )}
            </nav>
          )}
          <span className="flex-1" />
          {dates && (
            <span>
              Done{" "}
              <b className="font-semibold">
                {sayDate(dates.finish)} {sayClock(dates.finish)}
              </b>
              {due !== null && (
                <span className={dates.leaves > due ? "font-semibold text-ochre" : "text-soft"}>
                  {" "}
                  · {dates.leaves > due ? `too late for ${sayDate(due)}` : `in time for ${sayDate(due)}`}
                </span>
              )}
            </span>
          )}
        </div>
        <div ref={frame} className="min-h-0 flex-1 overflow-x-hidden overflow-y-auto">
          <DaysDrawing
            axis={axis}
            judgement={judgement}
            bookings={bookings}
            width={size.width}
            height={size.height}
            labelWidth={LABELS}
            day={day}
            linkToDay={(midnight) => link({ day: midnight / DAY })}
            nameOf={nameOf}
          />
        </div>
        <p className="pt-2 text-note text-soft">
          Solid: hands at work. Wedge: drying, to a point when the next step may start. Brackets: a window's gates,
          heavy where it is under an hour. Shaded: closed.
        </p>
      </section>
      <aside className="min-h-0 overflow-y-auto p-4" aria-label="The day">
        {clashes.length > 0 && (
          <section
            className="mb-4 border border-l-4 border-line border-l-ochre bg-board px-4 py-3"
            aria-label="What cannot be kept"
          >
            <p className="kicker flex items-center gap-2 text-[0.9375rem] text-ochre">
              <SeamMark severity="stop" width={28} /> cannot be kept
            </p>
            <ul className="mt-1 flex flex-col gap-2">
              {clashes.map((clash) => (
                <li key={`${clash.zoneId}/${clash.stepId}/${clash.says}`}>
                  <Link
                    to={`/jobs/${plan.id}/crust?zone=${clash.zoneId}&step=${clash.stepId}`}
                    className="hover:underline"
                  >
                    {clash.says}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        {day !== null && <DayList day={day} bookings={bookings} />}
      </aside>
    </div>
  );
}
