import { Link } from "react-router";
import type { WallMinutes } from "#core/units/units";
import { sayClock, sayDate } from "#core/units/when";
import { hourMarks, type TimeAxis } from "./time-axis";

// What the calendars have in common: the shaded hours with their labels, the days as links, and the line of the present.

/** Height of the days and hours above a calendar. */
export const AXIS_HEADER = 46;

/** Open and closed hours from the header down, with a line and a label at every hour that has room for one. */
export function AxisHours({ axis, bottom }: { axis: TimeAxis; bottom: number }) {
  return (
    <>
      {axis.stretches.map((stretch) => (
        <rect
          key={stretch.from}
          x={stretch.x0}
          y={AXIS_HEADER}
          width={stretch.x1 - stretch.x0}
          height={bottom - AXIS_HEADER}
          fill={stretch.open ? "var(--color-board)" : "var(--color-wash)"}
        />
      ))}
      {hourMarks(axis).map(({ wall, x }) => (
        <g key={wall}>
          <line x1={x} x2={x} y1={AXIS_HEADER} y2={bottom} stroke="var(--color-hair)" />
          <text x={x} y={AXIS_HEADER - 6} textAnchor="middle" className="fill-soft text-[11.5px]">
            {Number(sayClock(wall).slice(0, 2))}
          </text>
        </g>
      ))}
    </>
  );
}

/** Pixels between the middles of two days that are both labelled. */
const LEAST_BETWEEN = 46;
/** A day narrower than this is labelled without its weekday. */
const NARROW = 70;
const LEAST_WIDTH = 4;

interface DaysProps {
  axis: TimeAxis;
  day: WallMinutes | null;
  linkToDay: (midnight: WallMinutes) => string;
}

/** The days with work, each a link; as many are labelled as there is room for. */
export function AxisDays({ axis, day, linkToDay }: DaysProps) {
  let labelled = Number.NEGATIVE_INFINITY;
  return axis.days.map(({ midnight, x0, x1, works }) => {
    if (!works || x1 - x0 < LEAST_WIDTH) return null;
    const middle = (x0 + x1) / 2;
    const written = middle - labelled >= LEAST_BETWEEN;
    if (written) labelled = middle;
    const narrow = x1 - x0 < NARROW;
    const chosen = day === midnight;
    const says = sayDate(midnight);
    return (
      <Link
        key={midnight}
        to={linkToDay(midnight)}
        replace
        preventScrollReset
        aria-label={says}
        aria-current={chosen ? "date" : undefined}
      >
        <rect x={x0} y={0} width={x1 - x0} height={24} rx={3} fill={chosen ? "var(--color-wash)" : "transparent"} />
        {written && (
          <text
            x={middle}
            y={17}
            textAnchor="middle"
            className={`${narrow ? "text-[12px]" : "text-[14px]"} ${chosen ? "fill-verdigris font-bold" : "fill-ink font-semibold"}`}
          >
            {narrow ? says.split(" ").slice(1).join(" ") : says}
          </text>
        )}
      </Link>
    );
  });
}

const FLAG = { width: 36, height: 15 };

/** The present, with its time, where the calendar reaches it. */
export function AxisNow({ axis, now, bottom }: { axis: TimeAxis; now: WallMinutes | null; bottom: number }) {
  if (now === null || now < axis.from || now >= axis.to) return null;
  const x = axis.at(now);
  return (
    <g>
      <line x1={x} x2={x} y1={AXIS_HEADER - 2} y2={bottom} stroke="var(--color-verdigris)" strokeWidth={2} />
      <rect x={x - FLAG.width / 2} y={AXIS_HEADER} {...FLAG} rx={2} fill="var(--color-verdigris)" />
      <text x={x} y={AXIS_HEADER + 11.5} textAnchor="middle" className="fill-board text-[11px] font-semibold">
        {sayClock(now)}
      </text>
    </g>
  );
}
