import type { JudgedPhase, ZoneJudgement } from "#core/judge/judge";
import type { Material } from "#core/materials/material";
import type { Step } from "#core/plan/plan";
import type { Minutes } from "#core/units/units";
import { type SeamSays, sayGo, seamSays } from "./seam-words";

/** One step of the ladder, with the seam under it. */
export interface Rung {
  step: Step;
  number: number;
  seam: SeamSays;
  /** it is worked in one session with the step under it */
  joined: boolean;
  /** what it lays; none where it takes off or prepares */
  material: Material | undefined;
  /** minutes of work on this zone */
  hands: Minutes;
}

/** The steps of a zone's crust from the surface down. */
export function rungsOf(judged: ZoneJudgement): Rung[] {
  const phasesOf = new Map<string, JudgedPhase[]>();
  for (const placed of judged.phases) {
    const { id } = placed.phase.step;
    phasesOf.set(id, [...(phasesOf.get(id) ?? []), placed]);
  }
  return judged.crust.steps
    .map((step, index): Rung => {
      const phases = phasesOf.get(step.id) ?? [];
      const first = phases[0];
      return {
        step,
        number: index + 1,
        joined: first !== undefined && sayGo(first) !== null,
        material: first?.phase.material ?? undefined,
        hands: phases.reduce((sum, { phase }) => sum + phase.hands, 0),
        seam: seamSays(
          first,
          judged.findings.filter((finding) => finding.stepId === step.id && !finding.surface),
        ),
      };
    })
    .reverse();
}

/** What is said of the finished surface stands over the first row. */
export const surfaceSays = (judged: ZoneJudgement): SeamSays =>
  seamSays(
    undefined,
    judged.findings.filter((finding) => finding.surface),
  );

export const isLoud = ({ severity }: SeamSays): boolean => severity === "stop" || severity === "caution";
