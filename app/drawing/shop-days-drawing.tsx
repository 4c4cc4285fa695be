import { Link } from "react-router";
import type { WallMinutes } from "#core/units/units";
import { sayMoment } from "#core/units/when";
import { AXIS_HEADER, AxisDays, AxisHours, AxisNow } from "./axis-parts";
import { LaneLabel, short } from "./lane-label";
import { HANDS, Hands, type Props } from "./shop-hands";
import type { Drying, HandsLane } from "./shop-lane";
import type { TimeAxis } from "./time-axis";

const TITLE = 20;
const PIECE = { least: 30, most: 84 };
const ZONE = 20;
const PLACES = 28;

const UPRIGHT = 4;

/** What is laid, as an upright where it begins, and its drying as a wedge to the point at which the next may go on. */
function Wedge({ drying, axis, middle, half }: { drying: Drying; axis: TimeAxis; middle: number; half: number }) {
  const from = axis.at(drying.from);
  const to = axis.at(drying.ready);
  const laid = Math.min(to, Math.max(from + UPRIGHT, axis.at(drying.laid)));
  const bend = laid + (to - laid) * 0.55;
  return (
    <g>
      <title>{drying.says}</title>
      {to - from > UPRIGHT + 1 && (
        <path
          d={`M${from} ${middle - half}H${laid}Q${bend} ${middle - half * 0.8} ${to} ${middle}Q${bend} ${middle + half * 0.8} ${laid} ${middle + half}H${from}Z`}
          fill={drying.colour}
          fillOpacity={0.3}
          stroke={`color-mix(in oklab, ${drying.colour} 70%, black)`}
          strokeOpacity={0.3}
          strokeWidth={0.7}
        />
      )}
      <rect
        x={from}
        y={middle - half}
        width={UPRIGHT}
        height={half * 2}
        rx={1.5}
        fill={drying.colour}
        stroke="var(--color-ink)"
        strokeOpacity={0.7}
        strokeWidth={0.8}
      />
    </g>
  );
}

/**
 * The days of the whole shop: who does what when, a lane a pair of hands; what dries on which piece, a lane a piece; and when
 * every place to dry is taken.
 */
export function ShopDaysDrawing(props: Props) {
  const { axis, hands, pieces, places, width, height, labelWidth, day, now, chosen, linkToDay } = props;
  const opened = pieces.reduce((sum, { open, zones }) => sum + (open ? zones.length : 0), 0);
  const fixed = AXIS_HEADER + 2 * TITLE + opened * ZONE + (places ? PLACES : 0) + 6;
  const share = (height - fixed) / Math.max(1, hands.length + pieces.length);
  const handsHeight = Math.max(HANDS.least, Math.min(HANDS.most, share));
  const left = height - fixed - handsHeight * hands.length;
  const pieceHeight = Math.max(PIECE.least, Math.min(PIECE.most, left / Math.max(1, pieces.length)));
  let y = AXIS_HEADER + TITLE;
  const handRows = hands.map((lane) => {
    const top = y;
    y += handsHeight;
    return { lane, top };
  });
  const handsEnd = y;
  y += TITLE;
  const pieceRows = pieces.map((lane) => {
    const top = y;
    y += pieceHeight + (lane.open ? lane.zones.length * ZONE : 0);
    return { lane, top };
  });
  const piecesEnd = y;
  const bottom = piecesEnd + (places ? PLACES : 0);
  const most = Math.floor(labelWidth / 8.2);
  const inside = ({ from, to }: { from: WallMinutes; to: WallMinutes }) => to >= axis.from && from < axis.to;
  const visible = (films: readonly Drying[]) => films.filter((film) => inside({ from: film.from, to: film.ready }));
  const shown = (lane: HandsLane): HandsLane => ({ ...lane, blocks: lane.blocks.filter(inside) });
  return (
    <svg
      viewBox={`0 0 ${width} ${bottom + 4}`}
      width={width}
      height={bottom + 4}
      className="block select-none"
      role="group"
      aria-label="Work and drying by day"
    >
      <defs>
        <clipPath id="shop-days-clip">
          <rect x={labelWidth} y={AXIS_HEADER - 20} width={width - labelWidth} height={bottom - AXIS_HEADER + 20} />
        </clipPath>
      </defs>
      <AxisHours axis={axis} bottom={bottom} />
      <AxisDays axis={axis} day={day} linkToDay={linkToDay} />
      <text x={0} y={AXIS_HEADER + 14} className="kicker fill-soft text-[13px]">
        painters
      </text>
      <text x={0} y={handsEnd + 14} className="kicker fill-soft text-[13px]">
        pieces, drying
      </text>
      {handRows.map(({ lane, top }) => (
        <g key={lane.id} data-lane="hands">
          <line x1={0} x2={width} y1={top + handsHeight} y2={top + handsHeight} stroke="var(--color-line)" />
          <LaneLabel name={lane.name} note={lane.note} middle={top + handsHeight / 2} most={most} />
          <g clipPath="url(#shop-days-clip)">
            <Hands
              lane={shown(lane)}
              props={props}
              middle={top + handsHeight / 2}
              half={Math.min(20, handsHeight * 0.36)}
            />
          </g>
        </g>
      ))}
      {pieceRows.map(({ lane, top }) => {
        const middle = top + pieceHeight / 2;
        const half = Math.min(28, pieceHeight * 0.36);
        const all = pieceHeight + (lane.open ? lane.zones.length * ZONE : 0);
        const faint = lane.faint || (chosen !== null && chosen !== lane.planId);
        return (
          <g key={lane.id} data-lane="piece" data-piece={lane.id}>
            <line x1={0} x2={width} y1={top + all} y2={top + all} stroke="var(--color-line)" />
            <Link to={lane.opens} replace preventScrollReset aria-expanded={lane.open} className="group outline-none">
              <rect
                x={-4}
                y={top + 1}
                width={labelWidth - 2}
                height={pieceHeight - 2}
                fill="transparent"
                stroke="var(--color-verdigris)"
                strokeWidth={2}
                strokeOpacity={0}
                className="group-focus-visible:[stroke-opacity:1]"
              />
              <LaneLabel name={lane.name} note={lane.note} middle={middle} most={most} />
              {lane.trouble && (
                <path d={`M${labelWidth - 16} ${middle + 6}l6 -11l6 11z`} fill="var(--color-ochre)">
                  <title>Late, or a clash</title>
                </path>
              )}
            </Link>
            <g clipPath="url(#shop-days-clip)" opacity={faint ? 0.4 : 1}>
              {visible(lane.films).map((drying) => (
                <Wedge key={drying.id} drying={drying} axis={axis} middle={middle} half={half} />
              ))}
            </g>
            {lane.open &&
              lane.zones.map((zone, index) => {
                const line = top + pieceHeight + index * ZONE + ZONE / 2;
                return (
                  <g key={zone.id}>
                    <text x={12} y={line + 4} className="fill-soft text-[12px]">
                      {short(zone.name, most)}
                    </text>
                    <g clipPath="url(#shop-days-clip)">
                      {visible(zone.films).map((drying) => (
                        <Wedge key={drying.id} drying={drying} axis={axis} middle={line} half={ZONE * 0.36} />
                      ))}
                    </g>
                  </g>
                );
              })}
          </g>
        );
      })}
      {places && (
        <g data-lane="places">
          <text x={0} y={piecesEnd + 18} className="fill-soft text-[12.5px]">
            {places.note}
          </text>
          <g clipPath="url(#shop-days-clip)">
            {places.full.filter(inside).map(({ from, to }) => {
              const x = axis.at(from);
              const wide = Math.max(3, axis.at(to) - x);
              const says = `All drying places are full from ${sayMoment(from)} to ${sayMoment(to)}`;
              return (
                <g key={from}>
                  <title>{says}</title>
                  <rect
                    x={x}
                    y={piecesEnd + 6}
                    width={wide}
                    height={16}
                    fill="var(--color-ochre)"
                    fillOpacity={0.22}
                    stroke="var(--color-ochre)"
                    strokeWidth={0.8}
                  />
                  {wide > 34 && (
                    <text x={x + 5} y={piecesEnd + 18} className="fill-ink text-[11.5px]">
                      full
                    </text>
                  )}
                </g>
              );
            })}
          </g>
        </g>
      )}
      <AxisNow axis={axis} now={now} bottom={bottom} />
    </svg>
  );
}
