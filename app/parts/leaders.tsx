import { useDeferredValue } from "react";
import type { ZoneJudgement } from "#core/judge/judge";
import { type columnRoom, useSection } from "./zone-column";

interface Props {
  judged: ZoneJudgement;
  /** the step that is selected, in the section too */
  stepId: string | null;
  room: ReturnType<typeof columnRoom>;
  /** y of the top of the ladder, in the same frame */
  ladderTop: number;
  middles: ReadonlyMap<string, number>;
  height: number;
}

/** Left edges of the section drawing and of the ladder's rows. */
const SECTION_LEFT = 10;
const LADDER_LEFT = 364;

const LEAST_GAP = 7;
const LANE = 2.6;

/**
 * Out to a lane of its own, along it, and over to the row, with rounded turns. The top layer takes the nearest lane,
 * so no two cross.
 */
function routed(x: number, y: number, lane: number, to: number, end: number): string {
  const turn = Math.min(9, Math.abs(to - y) / 2, lane - x, Math.max(2, end - lane));
  const way = to < y ? -1 : 1;
  return `M${x} ${y}H${lane - turn}Q${lane} ${y} ${lane} ${y + way * turn}V${to - way * turn}Q${lane} ${to} ${lane + turn} ${to}H${end}`;
}

/** Thin lines from each layer at the section's edge to its row. Anchors of thin layers are spread. */
export function Leaders(props: Props) {
  // with the section itself, once the edit is on the screen
  return useDeferredValue(<Lines {...props} />);
}

function Lines({ judged, stepId, room, ladderTop, middles, height }: Props) {
  const geometry = useSection({ judged, height: room.section, stepId });
  const at = geometry.xs.length - 3;
  const x = SECTION_LEFT + geometry.xs[at]!;
  const anchors = [...geometry.strips]
    .reverse()
    .map(({ layer, lower, upper }) => ({ id: layer.stepId, y: room.sectionTop + (lower[at]! + upper[at]!) / 2 }));
  anchors.push({ id: "ground", y: room.sectionTop + geometry.ground[at]! + 34 });
  for (let index = 1; index < anchors.length; index++)
    anchors[index]!.y = Math.max(anchors[index]!.y, anchors[index - 1]!.y + LEAST_GAP);
  const lanes = x + 11;
  // a long crust needs many lanes: they are closer together, and all of them end before the rows begin
  const lane = Math.min(LANE, (LADDER_LEFT - 9 - lanes) / Math.max(1, anchors.length));
  return (
    <svg className="pointer-events-none absolute inset-0" width={LADDER_LEFT + 10} height={height} aria-hidden="true">
      {anchors.map(({ id, y }, index) => {
        const row = middles.get(id);
        if (row === undefined) return null;
        const to = ladderTop + row;
        const chosen = id === stepId;
        return (
          <g
            key={id}
            stroke={chosen ? "var(--color-verdigris)" : "var(--color-edge)"}
            strokeWidth={chosen ? 1.8 : 0.9}
            fill="none"
          >
            <path d={routed(x, y, lanes + index * lane, to, LADDER_LEFT)} />
            <circle cx={x} cy={y} r={chosen ? 3 : 2.2} fill="var(--color-board)" />
          </g>
        );
      })}
    </svg>
  );
}
