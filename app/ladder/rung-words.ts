import type { ZoneJudgement } from "#core/judge/judge";
import { sayEffort } from "#core/plan/effort";
import { sayMix } from "#core/plan/mix";
import type { Step } from "#core/plan/plan";
import { findTechnique } from "#core/surface/techniques";
import { INTENT_SHORT, sayAmount, sayShare, sayWhere } from "~/parts/step-words";
import { countOf } from "~/words/amount";
import { differingIn, patternOf, type Run } from "./runs";

export interface Named {
  material: (id: string) => string;
  step: (id: string) => string;
}

/** Passes that a step needs here until what it is meant to show does. */
const passesOf = ({ phases }: ZoneJudgement, { id, effort }: Step): string => {
  const phase = effort?.until === undefined ? undefined : phases.find((phase) => phase.phase.step.id === id)?.phase;
  return phase ? `, ${countOf(phase.passes, "pass", "passes")} here` : "";
};

/** How a step is done, in the few words that follow its name: "cross-hatch, 2 coats, on the arrises". */
export function detailOf(step: Step, judged: ZoneJudgement, named: Named): string {
  const technique = findTechnique(step.how);
  const words: string[] = [];
  if (step.what && technique && technique.name !== "Brush") words.push(technique.name.toLowerCase());
  if (step.coats > 1) words.push(`${step.coats} coats`);
  const where = sayWhere(step.where);
  if (where) words.push(where);
  if (step.where.over < 1) words.push(sayShare(step.where.over));
  if (step.again) words.push(`then again from ${named.step(step.again.from)}, ${step.again.rounds} rounds in all`);
  if (step.effort) words.push(`${sayEffort(step.effort)}${passesOf(judged, step)}`);
  if (step.amount) words.push(sayAmount(step.amount));
  if (step.uneven) words.push("thin here, thick there");
  if (step.mix) words.push(sayMix(step.mix, named.material));
  for (const intent of step.intents) words.push(INTENT_SHORT[intent]);
  if (!step.what && technique) words.push(technique.hint);
  return words.join(", ");
}

/** "4 times chalk-type paint, wet-distress, matt clear coat", where a material that is the same each time goes by its own name. */
export function sayRun(run: Run, nameOf: (step: Step) => string): string {
  const differs = new Set(differingIn(run).map(({ step }) => step.id));
  const parts = patternOf(run).map(({ step, material }) =>
    differs.has(step.id) && material ? material.family : nameOf(step).toLowerCase(),
  );
  return `${run.times} times ${parts.join(", ")}`;
}

/** The answer of an inspection that a step belongs to, by name. */
export function wayOf(steps: readonly Step[], step: Step): string | null {
  if (step.branch === undefined) return null;
  for (const other of steps) {
    const branch = other.branches?.find((branch) => branch.id === step.branch);
    if (branch) return branch.name;
  }
  return null;
}
