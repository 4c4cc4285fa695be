import { DAY, type WallMinutes } from "#core/units/units";
import { midnightBefore } from "#core/units/wall-time";
import { sayDate, sayMoment } from "#core/units/when";
import { useSize } from "~/days/calendar";

interface Span {
  from: WallMinutes;
  to: WallMinutes;
}

export interface Compared {
  id: string;
  zone: string;
  name: string;
  planned: Span | null;
  real: Span | null;
  /** when it is planned now, where it has still to be done */
  ahead: Span | null;
}

const ROW = 20;
const HEAD = 22;
/** Room for the names, at most this part of the drawing. */
const NAMES = { most: 212, part: 0.45 };
/** About the breadth of a letter. */
const LETTER = 6.2;
const LEAST_BAR = 4;
const NIGHT = 0.35;

/** A name cut to so many letters; which coat it is stays. */
function cut(name: string, letters: number): string {
  if (name.length <= letters) return name;
  const coat = /, coat \d+$/.exec(name)?.[0] ?? "";
  return `${name.slice(0, letters - 1 - coat.length).trimEnd()}…${coat}`;
}

/** What was planned, hollow, over what was done, filled; what lies ahead is dashed. The rows are the steps in the order they come. */
export function PlanAndReal({ rows }: { rows: readonly Compared[] }) {
  const { frame, size } = useSize();
  const spans = rows.flatMap(({ planned, real, ahead }) => [planned, real, ahead].filter((span) => span !== null));
  if (spans.length === 0) return <p className="text-soft">Nothing is planned yet.</p>;
  const days = [...new Set(spans.flatMap(({ from, to }) => [midnightBefore(from), midnightBefore(to)]))].sort(
    (a, b) => a - b,
  );
  // days without work take no room
  const width = Math.max(280, size.width);
  const names = Math.min(NAMES.most, NAMES.part * width);
  const each = (width - names - 8) / days.length;
  const xOf = (wall: WallMinutes) => {
    const day = midnightBefore(wall);
    const at = days.findIndex((from) => from >= day);
    const part = Math.min(1, Math.max(0, (wall - day - NIGHT * DAY) / (DAY * 0.4)));
    return names + Math.max(0, at) * each + part * each;
  };
  const bar = ({ from, to }: Span) => ({ x: xOf(from), width: Math.max(LEAST_BAR, xOf(to) - xOf(from)) });
  const height = HEAD + rows.length * ROW;
  const every = Math.max(1, Math.ceil(56 / each));
  const says = rows
    .filter(({ real }) => real)
    .map(
      ({ zone, name, planned, real }) =>
        `${name}, ${zone}: planned ${planned ? sayMoment(planned.from) : "at no time"}, done ${sayMoment(real!.from)}`,
    )
    .join("; ");
  return (
    <div ref={frame} className="w-full">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Plan and real. ${says || "Nothing done yet"}`}
        className="max-w-full"
      >
        {days.map((day, index) => (
          <g key={day}>
            <line
              x1={names + index * each}
              x2={names + index * each}
              y1={HEAD - 6}
              y2={height}
              className="stroke-hair"
            />
            {index % every === 0 && (
              <text x={names + index * each + 4} y={13} className="fill-soft text-[0.75rem]">
                {sayDate(day)}
              </text>
            )}
          </g>
        ))}
        {rows.map(({ id, zone, name, planned, real, ahead }, index) => {
          const y = HEAD + index * ROW;
          const label = rows[index - 1]?.zone === zone ? name : `${zone}: ${name.toLowerCase()}`;
          return (
            <g key={id}>
              <text x={0} y={y + 13} className={`text-[0.75rem] ${real ? "fill-ink" : "fill-soft"}`}>
                {cut(label, Math.floor(names / LETTER) - 1)}
                <title>{`${zone}: ${name}`}</title>
              </text>
              {planned && (
                <rect {...bar(planned)} y={y + 2} height={6} className="fill-none stroke-edge" strokeWidth={1} />
              )}
              {real && <rect {...bar(real)} y={y + 9} height={7} className="fill-verdigris" />}
              {ahead && (
                <rect
                  {...bar(ahead)}
                  y={y + 9}
                  height={7}
                  className="fill-board stroke-verdigris"
                  strokeDasharray="3 2"
                />
              )}
            </g>
          );
        })}
      </svg>
      <p className="text-note text-soft">Hollow: as planned. Filled: as done. Dashed: as it stands now.</p>
    </div>
  );
}
