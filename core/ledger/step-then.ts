import { findZone, type Plan } from "../plan/plan.ts";
import { judgementOf } from "../schedule/kept.ts";
import { workTitle } from "./card.ts";
import type { LedgerEvent, StepThen } from "./event.ts";

/** What a line is about, as the plan has it when the line is written; undefined where it is about the whole job. */
export function stepThen(plan: Plan, { on }: Pick<LedgerEvent, "on">): StepThen | undefined {
  const [first] = on;
  const zone = first && findZone(plan, first.zoneId);
  if (!zone) return undefined;
  const judged = judgementOf(plan).zones.find((zoneJudgement) => zoneJudgement.zone.id === zone.id);
  const phase = judged?.phases.find((phase) => phase.phase.id === first.phaseId)?.phase;
  if (!phase) return undefined;
  const names = [...new Set(on.map(({ zoneId }) => findZone(plan, zoneId)?.name).filter((name) => name !== undefined))];
  const { material } = phase;
  return {
    name: workTitle(phase).slice(0, 160),
    zones: names.join(", ").slice(0, 400),
    how: phase.technique.id,
    ...(material
      ? {
          material: {
            id: material.id,
            name: material.name,
            colour: material.colour,
            family: material.family,
          },
        }
      : {}),
  };
}
