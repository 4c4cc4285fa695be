import { Link } from "react-router";
import { bodyColour } from "#core/colour/material-colour";
import type { JudgedPhase, Judgement, ZoneJudgement } from "#core/judge/judge";
import type { Booking } from "#core/schedule/schedule";
import { DAY, HOUR, type WallMinutes } from "#core/units/units";
import { sayClock, sayDate } from "~/words/when";
import type { TimeAxis } from "./time-axis";

interface Props {
  axis: TimeAxis;
  judgement: Judgement;
  bookings: readonly Booking[];
  width: number;
  height: number;
  labelWidth: number;
  day: WallMinutes | null;
  linkToDay: (midnight: WallMinutes) => string;
  nameOf: (placed: JudgedPhase) => string;
}

const HEADER = 46;
const TIGHT = 48 * HOUR;
const LONG_WAIT = 12 * HOUR;

/** When the layer laid by a phase is ready for what comes next: the latest opening that anything waits for, else touch dry. */
function readyAt(judged: ZoneJudgement, placed: JudgedPhase, booking: Booking): WallMinutes | null {
  const { material } = placed.phase;
  if (!material) return null;
  let wait = 0;
  for (const later of judged.phases)
    for (const demand of later.demands)
      if (demand.from === placed.phase.id)
        wait = Math.max(wait, Math.min(...demand.gates.map((gate) => gate.opens.safe)));
  return booking.ends + (wait || material.drying.touch.safe);
}

function Wedge({
  from,
  to,
  middle,
  half,
  colour,
}: {
  from: number;
  to: number;
  middle: number;
  half: number;
  colour: string;
}) {
  if (to - from < 3) return null;
  const bend = from + (to - from) * 0.55;
  return (
    <path
      d={`M${from} ${middle - half}Q${bend} ${middle - half * 0.8} ${to} ${middle}Q${bend} ${middle + half * 0.8} ${from} ${middle + half}Z`}
      fill={colour}
      fillOpacity={0.5}
      stroke={`color-mix(in oklab, ${colour} 50%, black)`}
      strokeOpacity={0.55}
      strokeWidth={0.8}
    />
  );
}

function Bracket({
  x,
  middle,
  half,
  opens,
  heavy,
}: {
  x: number;
  middle: number;
  half: number;
  opens: boolean;
  heavy: boolean;
}) {
  const lip = opens ? 5 : -5;
  return (
    <path
      d={`M${x + lip} ${middle - half}H${x}V${middle + half}H${x + lip}`}
      fill="none"
      stroke={heavy ? "var(--color-sienna)" : "var(--color-soft)"}
      strokeWidth={heavy ? 2.4 : 1.3}
    />
  );
}

function Lane({
  judged,
  props,
  top,
  laneHeight,
}: {
  judged: ZoneJudgement;
  props: Props;
  top: number;
  laneHeight: number;
}) {
  const { axis, bookings, width, nameOf } = props;
  const middle = top + laneHeight / 2;
  const half = Math.min(26, laneHeight * 0.28);
  const mine = new Map(
    bookings.filter((booking) => booking.zoneId === judged.zone.id).map((booking) => [booking.phaseId, booking]),
  );
  const first = axis.days[0]!.midnight;
  const last = axis.days.at(-1)!.midnight + DAY;
  const inside = (from: WallMinutes, to: WallMinutes) => to > first && from < last;
  return (
    <g>
      <line x1={0} x2={width} y1={top + laneHeight} y2={top + laneHeight} stroke="var(--color-line)" />
      <text x={0} y={middle - 2} className="fill-ink text-[14px] font-semibold">
        {judged.zone.name.length > 18 ? `${judged.zone.name.slice(0, 17)}…` : judged.zone.name}
      </text>
      <text x={0} y={middle + 15} className="fill-soft text-[12.5px]">
        {judged.crust.steps.length} steps
      </text>
      <g clipPath="url(#days-clip)">
        {judged.phases.map((placed) => {
          const booking = mine.get(placed.phase.id);
          if (!booking) return null;
          const ready = readyAt(judged, placed, booking);
          const { material } = placed.phase;
          const windows = placed.demands
            .map((demand) => ({ demand, gate: demand.gates[0]!, from: mine.get(demand.from) }))
            .filter(
              ({ gate, from }) => from && ((gate.shuts && gate.shuts.safe <= TIGHT) || gate.opens.safe >= LONG_WAIT),
            );
          return (
            <g key={placed.phase.id}>
              {ready !== null && material && inside(booking.ends, ready) && (
                <Wedge
                  from={axis.at(booking.ends)}
                  to={axis.at(ready)}
                  middle={middle}
                  half={half * 0.86}
                  colour={bodyColour(material)}
                />
              )}
              {windows.map(({ demand, gate, from }) => {
                const opens = from!.ends + gate.opens.safe;
                const shuts = gate.shuts ? from!.ends + gate.shuts.safe : null;
                const heavy = shuts !== null && shuts - opens <= HOUR;
                return (
                  <g key={`${demand.rule}-${demand.from}`}>
                    {gate.opens.safe > 0 && inside(opens, opens) && (
                      <Bracket x={axis.at(opens)} middle={middle} half={half + 5} opens heavy={heavy} />
                    )}
                    {shuts !== null && shuts - from!.ends <= TIGHT && inside(shuts, shuts) && (
                      <Bracket x={axis.at(shuts)} middle={middle} half={half + 5} opens={false} heavy={heavy} />
                    )}
                  </g>
                );
              })}
              {inside(booking.starts, booking.ends) && (
                <rect
                  x={axis.at(booking.starts)}
                  y={middle - half}
                  width={Math.max(5, axis.at(booking.ends) - axis.at(booking.starts))}
                  height={half * 2}
                  rx={2}
                  fill={material ? bodyColour(material) : "var(--color-board)"}
                  stroke="var(--color-ink)"
                  strokeWidth={1}
                  strokeDasharray={material ? undefined : "3 2"}
                >
                  <title>{`${nameOf(placed)}: ${sayDate(booking.starts)} ${sayClock(booking.starts)} to ${sayClock(booking.ends)}`}</title>
                </rect>
              )}
            </g>
          );
        })}
      </g>
    </g>
  );
}

const LEAST_BETWEEN_MARKS = 30;

/** Whole hours inside the working windows, as many as have room for their figures. */
function hourMarks(axis: TimeAxis): { wall: WallMinutes; x: number }[] {
  const marks: { wall: WallMinutes; x: number }[] = [];
  for (const { from, to, open } of axis.stretches) {
    if (!open) continue;
    for (let wall = Math.ceil(from / HOUR) * HOUR; wall <= to; wall += HOUR) {
      const x = axis.at(wall === to ? wall - 0.001 : wall);
      if (marks.length === 0 || x - marks.at(-1)!.x >= LEAST_BETWEEN_MARKS) marks.push({ wall, x });
    }
  }
  return marks;
}

/** The calendar strip: work as solid uprights, drying as wedges that close, windows as gates, nights squeezed and shaded. */
export function DaysDrawing(props: Props) {
  const { axis, judgement, width, height, labelWidth, day, linkToDay } = props;
  const lanes = judgement.zones;
  const laneHeight = Math.max(46, Math.min(136, (height - HEADER - 8) / Math.max(1, lanes.length)));
  const bottom = HEADER + laneHeight * lanes.length;
  return (
    <svg
      viewBox={`0 0 ${width} ${bottom + 4}`}
      width={width}
      height={bottom + 4}
      className="block"
      role="group"
      aria-label="Work and drying of every zone by day"
    >
      <defs>
        <clipPath id="days-clip">
          <rect x={labelWidth} y={HEADER} width={width - labelWidth} height={bottom - HEADER} />
        </clipPath>
      </defs>
      {axis.stretches.map((stretch) => (
        <rect
          key={stretch.from}
          x={stretch.x0}
          y={HEADER}
          width={stretch.x1 - stretch.x0}
          height={bottom - HEADER}
          fill={stretch.open ? "var(--color-board)" : "var(--color-wash)"}
        />
      ))}
      {hourMarks(axis).map(({ wall, x }) => (
        <g key={wall}>
          <line x1={x} x2={x} y1={HEADER} y2={bottom} stroke="var(--color-hair)" />
          <text x={x} y={HEADER - 6} textAnchor="middle" className="fill-soft text-[11.5px]">
            {Number(sayClock(wall).slice(0, 2))}
          </text>
        </g>
      ))}
      {axis.days.map(({ midnight, x0, x1, works }) =>
        works ? (
          <Link
            key={midnight}
            to={linkToDay(midnight)}
            replace
            preventScrollReset
            aria-current={day === midnight ? "date" : undefined}
          >
            <rect
              x={x0}
              y={0}
              width={Math.max(1, x1 - x0)}
              height={24}
              fill={day === midnight ? "var(--color-wash)" : "transparent"}
              rx={3}
            />
            <text
              x={(x0 + x1) / 2}
              y={17}
              textAnchor="middle"
              className={`text-[14px] ${day === midnight ? "fill-verdigris font-bold" : "fill-ink font-semibold"}`}
            >
              {sayDate(midnight)}
            </text>
          </Link>
        ) : null,
      )}
      {lanes.map((judged, index) => (
        <Lane
          key={judged.zone.id}
          judged={judged}
          props={props}
          top={HEADER + index * laneHeight}
          laneHeight={laneHeight}
        />
      ))}
    </svg>
  );
}
