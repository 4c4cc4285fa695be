import { type ReactNode, Suspense, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Climate } from "#core/drying/climate";
import type { Hours } from "#core/plan/hours";
import type { Booking } from "#core/schedule/schedule";
import { DAY, type WallMinutes } from "#core/units/units";
import { midnightBefore } from "#core/units/wall-time";
import { sayDates } from "#core/units/when";
import { lazyChart } from "~/charts/lazy-chart";
import { DaysDrawing } from "~/drawing/days-drawing";
import type { Lane } from "~/drawing/lane";
import { timeAxis } from "~/drawing/time-axis";

const LABELS = 132;
/** Days drawn narrower cannot be read or dragged: the drawing scrolls in its frame instead, in pixels. */
export const NARROWEST = 620;
const DAYS_A_PAGE = 7;
const AIR = 104;

const AirChart = lazyChart(() => import("~/charts/air-chart"));

/** The days with work in them, one page of the calendar at a time. */
export function useDays(bookings: readonly Booking[], start: WallMinutes) {
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

/** The wall clock, once scripts run: the server does not know whose wall it is. */
export function useNow(): WallMinutes | null {
  const [now, setNow] = useState<WallMinutes | null>(null);
  useEffect(() => {
    const look = () => {
      const here = new Date();
      setNow(Math.floor((here.getTime() - here.getTimezoneOffset() * 60_000) / 60_000));
    };
    look();
    const tick = setInterval(look, 60_000);
    return () => clearInterval(tick);
  }, []);
  return now;
}

/** The size of what a drawing is put into, and what to measure it by. */
export function useSize() {
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
  return { frame, size };
}

export function useParamLink() {
  const [params] = useSearchParams();
  return (change: Record<string, string | number | null>) => {
    const next = new URLSearchParams(params);
    for (const [key, value] of Object.entries(change))
      if (value === null) next.delete(key);
      else next.set(key, String(value));
    return `?${next}`;
  };
}

interface Props
  extends Omit<
    React.ComponentProps<typeof DaysDrawing>,
    "axis" | "width" | "height" | "labelWidth" | "lanes" | "linkToDay" | "now"
  > {
  hours: Hours;
  days: ReturnType<typeof useDays>;
  lanes: readonly Lane[];
  /** the room's air, on the same axis */
  air: { climate: Climate; zero: WallMinutes } | null;
  /** beside the dates: what to show, and how good the dates are */
  bar: ReactNode;
  foot: ReactNode;
}

/** A page of days with its bar, as wide as there is room for. */
export function Calendar({ hours, days, lanes, air, bar, foot, ...drawing }: Props) {
  const { frame, size } = useSize();
  const width = Math.max(NARROWEST, size.width);
  const link = useParamLink();
  const now = useNow();
  const axis = useMemo(
    () => timeAxis(hours, days.from, days.from + days.days * DAY, LABELS, width - LABELS),
    [hours, days.from, days.days, width],
  );
  return (
    <section
      className="flex min-h-0 min-w-0 flex-col border-line px-5 lg:border-r pt-4 pb-3 max-sm:px-3"
      aria-label="Calendar"
    >
      <div className="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1.5">
        <h1 className="shrink-0 text-view">{sayDates(days.from, days.from + (days.days - 1) * DAY)}</h1>
        {days.pages > 1 && (
          <nav aria-label="Pages of the calendar" className="flex gap-2">
            {days.page > 0 && (
              <Link to={link({ page: days.page - 1 })} replace className="link">
                Previous
              </Link>
            )}
            {days.page < days.pages - 1 && (
              <Link to={link({ page: days.page + 1 })} replace className="link">
                Next
              </Link>
            )}
          </nav>
        )}
        {bar}
      </div>
      <div ref={frame} className="calendar-frame">
        <DaysDrawing
          {...drawing}
          axis={axis}
          lanes={lanes}
          now={now}
          width={width}
          height={air ? size.height - AIR : size.height}
          labelWidth={LABELS}
          linkToDay={(midnight) => link({ day: midnight / DAY })}
        />
        {air && (
          <Suspense fallback={<div style={{ height: AIR }} />}>
            <AirChart axis={axis} {...air} left={LABELS} width={width - LABELS} height={AIR} />
          </Suspense>
        )}
      </div>
      <p className="pt-2 text-note text-soft">{foot}</p>
    </section>
  );
}

export function Toggle({ on, to, children }: { on: boolean; to: string; children: ReactNode }) {
  return (
    <Link
      to={to}
      replace
      preventScrollReset
      aria-current={on ? "true" : undefined}
      className={`flex min-h-[26px] items-center rounded-std border px-2 text-note font-medium whitespace-nowrap ${on ? "border-ink bg-ink text-board" : "border-line bg-board hover:border-ink"}`}
    >
      {children}
    </Link>
  );
}
