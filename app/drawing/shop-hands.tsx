import { Link } from "react-router";
import type { WallMinutes } from "#core/units/units";
import { FocusRing } from "./focus-ring";
import type { Full, HandsLane, PieceLane } from "./shop-lane";
import type { TimeAxis } from "./time-axis";

export interface Props {
  axis: TimeAxis;
  hands: readonly HandsLane[];
  pieces: readonly PieceLane[];
  /** null where there is no limit */
  places: { note: string; full: readonly Full[] } | null;
  width: number;
  height: number;
  labelWidth: number;
  day: WallMinutes | null;
  now: WallMinutes | null;
  chosen: string | null;
  linkToDay: (midnight: WallMinutes) => string;
  linkToJob: (planId: string) => string;
}
export const HANDS = { least: 34, most: 54 };

const KEEPS_LABEL = 62;

export function Hands({ lane, props, middle, half }: { lane: HandsLane; props: Props; middle: number; half: number }) {
  const { axis, chosen, linkToJob } = props;
  return lane.blocks.map((block) => {
    const x = axis.at(block.from);
    const wide = Math.max(3, axis.at(block.to) - x);
    const faint = chosen !== null && chosen !== block.planId;
    return (
      <Link
        key={block.id}
        to={linkToJob(block.planId)}
        aria-label={block.says}
        className="group outline-none"
        data-hands={lane.id}
        data-from={block.from}
        data-to={block.to}
      >
        <title>{block.says}</title>
        <rect
          x={x}
          y={middle - half}
          width={wide}
          height={half * 2}
          rx={2}
          fill={block.colour}
          fillOpacity={faint ? 0.25 : 1}
          stroke="var(--color-ink)"
          strokeOpacity={faint ? 0.3 : 0.8}
          strokeWidth={0.9}
        />
        {block.parts.slice(1).map((part) => (
          <line
            key={part}
            x1={axis.at(part)}
            x2={axis.at(part)}
            y1={middle - half}
            y2={middle + half}
            stroke={`color-mix(in oklab, ${block.colour} 55%, ${faint ? "white" : "black"})`}
            strokeWidth={0.7}
            className="pointer-events-none"
          />
        ))}
        {wide > KEEPS_LABEL && !faint && (
          <foreignObject x={x + 4} y={middle - 10} width={wide - 8} height={20} className="pointer-events-none">
            <div
              className="truncate rounded-[2px] bg-board/85 px-1 text-[11.5px] leading-5 text-ink"
              style={{ width: "fit-content", maxWidth: "100%" }}
            >
              {block.title}
            </div>
          </foreignObject>
        )}
        <FocusRing x={x} y={middle - half} width={wide} height={half * 2} by={2} />
      </Link>
    );
  });
}
