import { useMemo, useState } from "react";
import type { ZoneJudgement } from "#core/judge/judge";
import { materialName, type Step } from "#core/plan/plan";
import { SeamMark } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import type { Selection } from "~/parts/selection";
import { GroundRow } from "./row";
import { RunRow } from "./run-row";
import { type Dragging, RungRow } from "./rung-row";
import type { Named } from "./rung-words";
import { surfaceSays } from "./rungs";
import { SeamText } from "./seam";
import type { LadderLayout } from "./use-ladder";

/** Steps are dragged to where another is; `onMove` says where to, counted from the ground. */
function useDragging(onMove: (stepId: string, to: number) => void): Dragging {
  const [dragged, setDragged] = useState<string | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const end = () => {
    setDragged(null);
    setOver(null);
  };
  return {
    dragged,
    over,
    begin: setDragged,
    hover: setOver,
    end,
    drop: (to) => {
      if (dragged) onMove(dragged, to);
      end();
    },
  };
}

interface Props {
  judged: ZoneJudgement;
  layout: LadderLayout;
  selection: Selection;
  nameOf: (step: Step) => string;
  /** a row was dragged to another place, counted from the ground */
  onMove: (stepId: string, to: number) => void;
}

/** A crust as its steps, from the surface down to the ground. */
export function Ladder({ judged, layout: { rows, sizes }, selection, nameOf, onMove }: Props) {
  const dragging = useDragging(onMove);
  const { plan } = useJob();
  const named = useMemo<Named>(() => {
    const byId = new Map(judged.crust.steps.map((step) => [step.id, step]));
    const stepNamed = (id: string) => (byId.has(id) ? nameOf(byId.get(id)!).toLowerCase() : id);
    return { material: materialName(plan), step: stepNamed };
  }, [plan, judged.crust, nameOf]);
  const surface = surfaceSays(judged);
  return (
    <ol aria-label="Steps, from the surface down to the ground" id="ladder" data-rows={sizes.kind}>
      {surface.text && (
        <li className="flex items-center gap-2 pr-4 pl-[44px]" style={{ height: sizes.surface }}>
          <SeamMark severity={surface.severity} />
          <SeamText seam={surface} />
        </li>
      )}
      {rows.map((row) =>
        row.is === "run" ? (
          <RunRow key={row.run.rungs[0]!.step.id} run={row.run} {...{ sizes, selection, nameOf }} />
        ) : (
          <RungRow key={row.rung.step.id} rung={row.rung} {...{ judged, sizes, selection, named, nameOf, dragging }} />
        ),
      )}
      <li>
        <GroundRow judged={judged} sizes={sizes} />
      </li>
    </ol>
  );
}
