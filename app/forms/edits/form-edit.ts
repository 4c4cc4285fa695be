import type { Command } from "#core/edit/command";
import { CATALOGUE } from "#core/materials/catalogue";
import { type Crust, findCrust, type Plan, type Step } from "#core/plan/plan";
import { findTechnique } from "#core/surface/techniques";
import type { Faults, FormFields } from "../fields";

/** What a form asks for: one edit, and what to select afterwards. */
export type FormEdit =
  | {
      ok: true;
      label: string;
      commands: Command[];
      step?: string;
      zone?: string;
      material?: string;
      face?: string;
      /** what was being drawn is done */
      isDrawn?: true;
    }
  | { ok: false; faults: Faults };

export const refuse = (says: string, field = ""): FormEdit => ({ ok: false, faults: { [field]: says } });

/** A name for a step in labels and lists: "Brush, bone white" or "Wet distress". */
export function stepName(plan: Plan, step: Pick<Step, "how" | "what">): string {
  const technique = findTechnique(step.how)?.name ?? step.how;
  if (!step.what) return technique;
  const material =
    plan.pinned.materials.find((material) => material.id === step.what) ??
    CATALOGUE.find((material) => material.id === step.what);
  return material?.name ?? step.what;
}

/** The commands that pin a catalogue material; none if it is pinned, null if it does not exist. */
export function pinOf(plan: Plan, materialId: string): Command[] | null {
  if (plan.pinned.materials.some((material) => material.id === materialId)) return [];
  const material = CATALOGUE.find((material) => material.id === materialId);
  return material ? [{ do: "pin material", material }] : null;
}

/** What a form is read against. */
export interface FilledForm {
  plan: Plan;
  fields: FormFields;
  newId: () => string;
}

export function inCrust(
  filled: FilledForm,
  work: (crust: Crust, step: Step | undefined, at: number) => FormEdit,
): FormEdit {
  const crust = findCrust(filled.plan, filled.fields.crustId ?? "");
  if (!crust) return refuse("This crust is no longer in the plan.");
  const at = crust.steps.findIndex((step) => step.id === filled.fields.stepId);
  return work(crust, crust.steps[at], at);
}

export const onStep = (filled: FilledForm, work: (crust: Crust, step: Step, at: number) => FormEdit): FormEdit =>
  inCrust(filled, (crust, step, index) =>
    step ? work(crust, step, index) : refuse("This step is no longer in the crust."),
  );
