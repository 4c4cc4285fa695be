import { type Announcements, closestCenter, DndContext, type DragEndEvent, type UniqueIdentifier } from "@dnd-kit/core";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { useMemo } from "react";
import type { ZoneJudgement } from "#core/judge/judge";
import { materialName, type Step } from "#core/plan/plan";
import { SeamMark } from "~/drawing/severity";
import { useJob } from "~/editor/job-editor";
import { useDragSensors } from "~/parts/drag-sensors";
import type { Selection } from "~/parts/selection";
import { GroundRow } from "./row";
import { RunRow } from "./run-row";
import { RungRow } from "./rung-row";
import type { Named } from "./rung-words";
import { surfaceSays } from "./rungs";
import { SeamText } from "./seam";
import type { LadderLayout } from "./use-ladder";

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
  const sensors = useDragSensors();
  const { plan } = useJob();
  const named = useMemo<Named>(() => {
    const byId = new Map(judged.crust.steps.map((step) => [step.id, step]));
    const stepNamed = (id: string) => (byId.has(id) ? nameOf(byId.get(id)!).toLowerCase() : id);
    return { material: materialName(plan), step: stepNamed };
  }, [plan, judged.crust, nameOf]);
  const surface = surfaceSays(judged);
  const rungs = rows.flatMap((row) => (row.is === "run" ? [] : [row.rung]));
  const drop = ({ active, over }: DragEndEvent) => {
    const onto = rungs.find(({ step }) => step.id === over?.id);
    if (onto && active.id !== over?.id) onMove(String(active.id), onto.number - 1);
  };
  const saying = (id: UniqueIdentifier | undefined) => {
    const rung = rungs.find(({ step }) => step.id === id);
    return rung ? nameOf(rung.step) : "";
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${saying(active.id)} is being moved.`,
    onDragOver: ({ over }) => (over ? `To the place of ${saying(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) => (over ? `${saying(active.id)} is where ${saying(over.id)} was.` : undefined),
    onDragCancel: ({ active }) => `${saying(active.id)} stays where it was.`,
  };
  const list = (
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
          <RungRow key={row.rung.step.id} rung={row.rung} {...{ judged, sizes, selection, named, nameOf }} />
        ),
      )}
      <li>
        <GroundRow judged={judged} sizes={sizes} />
      </li>
    </ol>
  );
  return (
    <DndContext
      id="ladder-rows"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{ announcements, screenReaderInstructions: { draggable: "" } }}
    >
      <SortableContext items={rungs.map(({ step }) => step.id)} strategy={verticalListSortingStrategy}>
        {list}
      </SortableContext>
    </DndContext>
  );
}
