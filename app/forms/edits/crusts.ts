import { type Crust, findCrust, type Plan, type Step, type Zone, zonesWithCrust } from "#core/plan/plan";
import { type FilledForm, type FormEdit, inCrust, onStep, refuse, stepName } from "./form-edit";

// Copying, sharing and splitting crusts, and the answers of inspections.

const findZoneOf = ({ plan, fields }: FilledForm): Zone | undefined =>
  plan.pieces.flatMap((piece) => piece.zones).find((zone) => zone.id === fields.zoneId);

const freshName = (plan: Plan, name: string) => {
  for (let count = 2; ; count++) {
    const next = `${name.slice(0, 70)}, ${count}`;
    if (!plan.crusts.some((crust) => crust.name === next)) return next;
  }
};

/** A copy of a crust; used on a zone if one is named, which then no longer shares. */
function duplicateCrust(filled: FilledForm): FormEdit {
  return inCrust(filled, (crust) => {
    const { plan, newId } = filled;
    const zone = findZoneOf(filled);
    const copy: Crust = { ...crust, id: newId(), name: freshName(plan, crust.name) };
    const at = plan.crusts.indexOf(crust) + 1;
    return {
      ok: true,
      label: zone ? `Give ${zone.name} a crust of its own` : `Copy the crust ${crust.name}`,
      commands: [
        { do: "insert crust", at, crust: copy },
        ...(zone ? [{ do: "patch zone" as const, zoneId: zone.id, patch: { crustId: copy.id, overrides: [] } }] : []),
      ],
      ...(zone ? { zone: zone.id } : {}),
    };
  });
}

/** Ends a crust under a step: what lies above becomes a crust of its own, to use on other zones. */
function splitCrust(filled: FilledForm): FormEdit {
  return onStep(filled, (crust, step, index) => {
    if (index === 0) return refuse("There is nothing under the first step to split off.");
    if (step.branch !== undefined) return refuse("Split above or below an inspection, not between its answers.");
    const { plan, newId } = filled;
    const lower: Crust = {
      ...crust,
      id: newId(),
      name: freshName(plan, crust.name),
      steps: crust.steps.slice(0, index),
    };
    return {
      ok: true,
      label: `Split ${crust.name} under ${stepName(plan, step)}`,
      commands: [{ do: "insert crust", at: plan.crusts.indexOf(crust) + 1, crust: lower }],
      step: step.id,
    };
  });
}

/** Uses another crust of the plan on a zone. */
function layCrust(filled: FilledForm): FormEdit {
  return inCrust(filled, (crust) => {
    const zone = findZoneOf(filled);
    if (!zone) return refuse("This zone is no longer in the plan.");
    return {
      ok: true,
      label: `Use ${crust.name} on ${zone.name}`,
      commands: [{ do: "patch zone", zoneId: zone.id, patch: { crustId: crust.id, overrides: [] } }],
      zone: zone.id,
    };
  });
}

function removeCrust(filled: FilledForm): FormEdit {
  return inCrust(filled, (crust) => {
    if (zonesWithCrust(filled.plan, crust.id).length > 0) return refuse(`"${crust.name}" is still used on a zone.`);
    return {
      ok: true,
      label: `Remove the crust ${crust.name}`,
      commands: [{ do: "remove crust", crustId: crust.id }],
    };
  });
}

/** What differs on one zone from the crust it shares: a step skipped there. */
function overrideStep(filled: FilledForm): FormEdit {
  return onStep(filled, (_crust, step) => {
    const zone = findZoneOf(filled);
    if (!zone) return refuse("This zone is no longer in the plan.");
    const others = zone.overrides.filter((override) => override.stepId !== step.id);
    const skip = filled.fields.skip === "yes";
    return {
      ok: true,
      label: `${skip ? "Skip" : "Use"} ${stepName(filled.plan, step)} on ${zone.name}`,
      commands: [
        {
          do: "patch zone",
          zoneId: zone.id,
          patch: { overrides: skip ? [...others, { stepId: step.id, skip: true }] : others },
        },
      ],
      zone: zone.id,
      step: step.id,
    };
  });
}

/** The names of an inspection's answers, and which one is planned. */
function setAnswers(filled: FilledForm): FormEdit {
  return onStep(filled, (crust, step) => {
    const { fields, plan, newId } = filled;
    const branches = (step.branches ?? []).flatMap((branch) => {
      const name = (fields[`way-${branch.id}`] ?? branch.name).trim().slice(0, 80);
      return name === "" ? [] : [{ ...branch, name }];
    });
    if (branches.length < 2) return refuse("An inspection needs at least two answers; name both.");
    const more = (fields["way-new"] ?? "").trim();
    if (more !== "" && branches.length < 4) branches.push({ id: newId(), name: more.slice(0, 80) });
    const expected = branches.find((branch) => branch.id === fields.expected)?.id ?? branches[0]!.id;
    return {
      ok: true,
      label: `Change ${stepName(plan, step)}`,
      commands: [{ do: "patch step", crustId: crust.id, stepId: step.id, patch: { branches, expected } }],
      step: step.id,
    };
  });
}

/** Puts a step under one answer of the inspection beneath it, or under all of them. */
function setWay(filled: FilledForm): FormEdit {
  return onStep(filled, (crust, step, index) => {
    const { fields, plan } = filled;
    const branch = fields.branch || null;
    const inspection = inspectionUnder(crust.steps, index);
    if (branch !== null && !inspection?.branches?.some((one) => one.id === branch))
      return refuse("The inspection beneath this step does not have that answer.");
    return {
      ok: true,
      label: `Move ${stepName(plan, step)} to another answer`,
      commands: [{ do: "patch step", crustId: crust.id, stepId: step.id, patch: { branch } }],
      step: step.id,
    };
  });
}

/** The inspection that a step follows, with only its answers between. */
export function inspectionUnder(steps: readonly Step[], at: number): Step | null {
  for (let below = at - 1; below >= 0; below--) {
    const step = steps[below]!;
    if (step.branches) return step;
    if (step.branch === undefined) return null;
  }
  return null;
}

function renameCrust({ plan, fields }: FilledForm): FormEdit {
  const crust = findCrust(plan, fields.crustId ?? "");
  const name = (fields.crustName ?? "").trim();
  if (!crust) return refuse("This crust is no longer in the plan.");
  if (name === "" || name.length > 80) return refuse("Give the crust a name of up to 80 characters.", "crustName");
  return { ok: true, label: `Name the crust ${name}`, commands: [{ do: "rename crust", crustId: crust.id, name }] };
}

export const CRUST_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "rename crust": renameCrust,
  "duplicate crust": duplicateCrust,
  "split crust": splitCrust,
  "use crust": layCrust,
  "remove crust": removeCrust,
  "override step": overrideStep,
  "set answers": setAnswers,
  "set answer": setWay,
};
