import { useRef } from "react";
import { Link } from "react-router";
import { bodyColour } from "#core/colour/material-colour";
import type { Booking } from "#core/schedule/schedule";
import { DAY, HOUR, type WallMinutes } from "#core/units/units";
import { sayClocks, sayDate } from "#core/units/when";
import { KEYS } from "~/keys/keys";
import { pressed } from "~/keys/use-key";
import { FocusRing } from "./focus-ring";
import { endsOfPhases, gatesHere, type Lane, type LaneBooking, LONG_WAIT, readyOf, TIGHT, takesATime } from "./lane";
import { LaneLabel } from "./lane-label";
import type { TimeAxis } from "./time-axis";

export interface Props {
  axis: TimeAxis;
  lanes: readonly Lane[];
  /** wall time of instant 0 by plan */
  startOf: (planId: string) => WallMinutes;
  width: number;
  height: number;
  labelWidth: number;
  day: WallMinutes | null;
  now: WallMinutes | null;
  chosen: string | null;
  /** fades everything but the chain that sets the finish */
  chain: boolean;
  linkToDay: (midnight: WallMinutes) => string;
  linkTo: (booking: Booking) => string;
  /** a booking is dragged over another time; null when it is dropped */
  onDrag?: (booking: Booking, starts: WallMinutes | null) => void;
  onDrop?: (booking: Booking, starts: WallMinutes) => void;
}
const SNAP = 5;
/** How far one press of a key moves work, in minutes. */
const PRESS = 15;

function Wedge({
  from,
  to,
  middle,
  half,
  colour,
}: Record<"from" | "to" | "middle" | "half", number> & { colour: string }) {
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
}: Record<"x" | "middle" | "half", number> & Record<"opens" | "heavy", boolean>) {
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

/** One piece of work on its lane: a click selects it, dragging or the arrow keys set another time. */
function Work({ item, props, middle, half }: { item: LaneBooking; props: Props; middle: number; half: number }) {
  const { booking, placed } = item;
  const { axis, chosen, chain, linkTo, onDrag, onDrop } = props;
  const held = useRef<{ x: number; moved: boolean; starts: WallMinutes } | null>(null);
  const material = (item.dries ?? placed)?.phase.material ?? null;
  const x = axis.at(booking.starts);
  const width = Math.max(5, axis.at(booking.ends) - x);
  const faint = chain && !booking.critical;
  const says = `${booking.name}: ${sayDate(booking.starts)}, ${sayClocks(booking.starts, booking.ends)}${booking.pinned ? ", time set" : ""}${booking.critical ? ", sets the finish" : ""}`;
  const movable = onDrop !== undefined && placed !== null && takesATime(booking);
  return (
    <Link
      to={linkTo(booking)}
      replace
      preventScrollReset
      aria-label={says}
      aria-current={chosen === booking.id ? "true" : undefined}
      data-booking={booking.id}
      className="group outline-none"
      draggable={false}
      onClick={(event) => {
        if (held.current?.moved) event.preventDefault();
        held.current = null;
      }}
      onKeyDown={(event) => {
        const { earlier, later } = KEYS.days.keys;
        const by = pressed(earlier, event) ? -PRESS : pressed(later, event) ? PRESS : 0;
        if (!movable || by === 0) return;
        event.preventDefault();
        event.stopPropagation();
        onDrop(booking, booking.starts + by);
      }}
      onPointerDown={(event) => {
        if (!movable || event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = { x: event.clientX, moved: false, starts: booking.starts };
      }}
      onPointerMove={(event) => {
        const from = held.current;
        if (!from || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
        const by = event.clientX - from.x;
        if (!from.moved && Math.abs(by) < 4) return;
        from.moved = true;
        const starts = Math.round(axis.wallAt(axis.at(from.starts) + by) / SNAP) * SNAP;
        onDrag?.(booking, starts);
      }}
      onPointerUp={(event) => {
        const from = held.current;
        if (!from?.moved) return;
        const starts = Math.round(axis.wallAt(axis.at(from.starts) + event.clientX - from.x) / SNAP) * SNAP;
        onDrop?.(booking, starts);
      }}
      onPointerCancel={() => {
        held.current = null;
        onDrag?.(booking, null);
      }}
    >
      <rect
        x={x}
        y={middle - half}
        width={width}
        height={half * 2}
        rx={2}
        fill={material ? bodyColour(material) : "var(--color-board)"}
        fillOpacity={faint ? 0.35 : 1}
        stroke={booking.critical && chain ? "var(--color-verdigris)" : "var(--color-ink)"}
        strokeWidth={chosen === booking.id || (booking.critical && chain) ? 2.5 : 1}
        strokeOpacity={faint ? 0.4 : 1}
        strokeDasharray={material ? undefined : "3 2"}
        className={movable ? "cursor-ew-resize" : undefined}
      >
        <title>{says}</title>
      </rect>
      {booking.pinned && (
        <path
          d={`M${x + width / 2} ${middle - half - 3}l-4 -7h8z`}
          fill="var(--color-verdigris)"
          stroke="var(--color-board)"
          strokeWidth={0.8}
        />
      )}
      <FocusRing x={x} y={middle - half} width={width} height={half * 2} by={3} />
    </Link>
  );
}

/** Letters of a name that there is room for before a lane. */
const LETTERS = 18;

export function LaneRow({
  lane,
  props,
  top,
  laneHeight,
}: {
  lane: Lane;
  props: Props;
  top: number;
  laneHeight: number;
}) {
  const { axis, width, startOf } = props;
  const middle = top + laneHeight / 2;
  const half = Math.min(26, laneHeight * 0.28);
  const ends = endsOfPhases(lane.bookings);
  const first = axis.days[0]!.midnight;
  const last = axis.days.at(-1)!.midnight + DAY;
  const inside = (from: WallMinutes, to: WallMinutes) => to >= first && from < last;
  return (
    <g>
      <line x1={0} x2={width} y1={top + laneHeight} y2={top + laneHeight} stroke="var(--color-line)" />
      <LaneLabel name={lane.name} note={lane.note} middle={middle} most={LETTERS} />
      <g clipPath="url(#days-clip)">
        {lane.bookings.map((item) => {
          const { booking, dries } = item;
          const material = dries?.phase.material;
          const ready = readyOf(item, startOf(booking.planId));
          if (ready === null || !material || !inside(booking.ends, ready)) return null;
          return (
            <Wedge
              key={booking.id}
              from={axis.at(booking.ends)}
              to={axis.at(ready)}
              middle={middle}
              half={half * 0.86}
              colour={bodyColour(material)}
            />
          );
        })}
        {lane.bookings.flatMap((item) =>
          gatesHere(item, ends, startOf(item.booking.planId)).flatMap(({ opens, shuts, from }, index) => {
            const done = ends.get(`${item.booking.zoneId}:${from}`)!;
            const shutsSoon = shuts !== null && shuts - done <= TIGHT;
            if (!shutsSoon && opens - done < LONG_WAIT) return [];
            const heavy = shuts !== null && shuts - opens <= HOUR;
            const key = `${item.booking.id} ${index}`;
            return [
              opens > done && inside(opens, opens) && (
                <Bracket key={`${key} o`} x={axis.at(opens)} middle={middle} half={half + 5} opens heavy={heavy} />
              ),
              shutsSoon && inside(shuts, shuts) && (
                <Bracket
                  key={`${key} s`}
                  x={axis.at(shuts)}
                  middle={middle}
                  half={half + 5}
                  opens={false}
                  heavy={heavy}
                />
              ),
            ];
          }),
        )}
        {lane.bookings
          .filter(({ booking }) => inside(booking.starts, booking.ends))
          .map((item) => (
            <Work key={item.booking.id} item={item} props={props} middle={middle} half={half} />
          ))}
      </g>
    </g>
  );
}
