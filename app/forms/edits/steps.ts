import { z } from "zod";
import { workingFixes } from "#core/judge/fixes";
import { judge } from "#core/judge/judge";
import { CATALOGUE } from "#core/materials/catalogue";
import { Effort, sayEffort } from "#core/plan/effort";
import { own } from "#core/plan/own";
import { type Crust, INTENTS, type Intent, PLACES, type Step, WHERE } from "#core/plan/plan";
import { Again } from "#core/plan/rounds";
import { findTechnique, techniquesFor } from "#core/surface/techniques";
import { readAmountFields } from "../amount-form";
import { type Faults, type FormFields, sentence } from "../fields";
import { readMixFields } from "../mix-form";
import { readWait } from "../wait-form";
import { type FilledForm, type FormEdit, inCrust, onStep, pinOf, refuse, stepName } from "./form-edit";

function addStep(filled: FilledForm): FormEdit {
  return inCrust(filled, (crust) => {
    const { plan, fields } = filled;
    const [how = "", what] = (fields.pick ?? "").split("|");
    const technique = findTechnique(how);
    if (!technique) return refuse("Choose a material.", "pick");
    const at = fields.at === undefined || fields.at === "" ? crust.steps.length : Number(fields.at);
    if (!Number.isInteger(at) || at < 0 || at > crust.steps.length)
      return refuse("That place in the crust does not exist.");
    const pin = what ? pinOf(plan, what) : [];
    if (pin === null) return refuse("That material is not on the shelf.", "pick");
    const step: Step = {
      id: filled.newId(),
      kind: technique.kind,
      how,
      ...(what ? { what } : {}),
      where: {
        on: technique.id === "stencil" ? "motif" : "everywhere",
        over: 1,
      },
      coats: 1,
      intents: [],
      ...branchAt(crust, at),
      ...(technique.kind === "inspect" ? twoAnswers(filled) : {}),
    };
    return {
      ok: true,
      label: `Add ${stepName(plan, step)}`,
      commands: [...pin, { do: "insert step", crustId: crust.id, at, step }],
      step: step.id,
    };
  });
}

/** A step added among those of one answer of an inspection belongs to that answer. */
function branchAt(crust: Crust, at: number): Pick<Step, "branch"> {
  const [under, over] = [crust.steps[at - 1]?.branch, crust.steps[at]?.branch];
  return under !== undefined && under === over ? { branch: under } : {};
}

/** A new inspection has the two most common answers. */
function twoAnswers({ newId }: FilledForm): Pick<Step, "branches" | "expected"> {
  const good = newId();
  return {
    branches: [
      { id: good, name: "as wanted" },
      { id: newId(), name: "not yet" },
    ],
    expected: good,
  };
}

const Coats = z.coerce
  .number("Write the number of coats, like 2.")
  .int("Write a whole number of coats.")
  .min(1, "At least one coat.")
  .max(12, "12 coats at most.");
const Share = z.coerce
  .number("Write the share as a percentage, like 60.")
  .gt(0, "The share must be more than 0 %.")
  .max(100, "The share cannot be more than 100 %.");

/** How often and how hard a step's form says it is worked; null for once and as usual. */
function readEffort(fields: FormFields, step: Step): { effort: Effort | null } | { fault: string; field?: string } {
  if (fields.passes === undefined && fields.pressure === undefined) return { effort: step.effort ?? null };
  const until = (fields.until ?? "").trim().replace(",", ".");
  const share = Number(until) / 100;
  if (until !== "" && !(share >= 0.01 && share <= 0.9))
    return { fault: "Write how much is to show, from 1 to 90 %.", field: "until" };
  const read = Effort.safeParse({
    passes: Number(fields.passes || "1"),
    pressure: fields.pressure || "usual",
    // without a layer that is meant to show there is nothing to go on until
    ...(until !== "" && fields.reveals !== "" ? { until: share } : {}),
  });
  if (!read.success) return { fault: sentence(read.error.issues[0]!.message) };
  return { effort: sayEffort(read.data) === "" ? null : read.data };
}

/** What an inspection's form says of going round again; null for once. */
function readAgain(fields: FormFields, step: Step): { again: Again | null } | { fault: string; field: string } {
  if (fields.againFrom === undefined) return { again: step.again ?? null };
  if (fields.againFrom === "") return { again: null };
  const read = Again.safeParse({ from: fields.againFrom, rounds: Number(fields.rounds || "2") });
  if (read.success) return { again: read.data };
  const [issue] = read.error.issues;
  return { fault: sentence(issue!.message), field: issue!.path[0] === "rounds" ? "rounds" : "againFrom" };
}

/** Whether a step is worked in one session with the one before; what is usual for it otherwise. */
const ONE_GO: Readonly<Record<string, boolean>> = { together: true, apart: false };

/** Shares are shown to a tenth of a per cent: a smaller difference means the share was not changed. */
const SHOWN_SHARE = 0.0005;

function patchStep(filled: FilledForm): FormEdit {
  return onStep(filled, (crust, step) => {
    const { plan, fields } = filled;
    const faults: Faults = {};
    const technique = findTechnique(fields.how ?? step.how);
    const what = fields.what ?? step.what;
    const material =
      plan.pinned.materials.find((material) => material.id === what) ??
      CATALOGUE.find((material) => material.id === what);
    if (!technique) faults.how = "Choose how it is done.";
    else if (technique.lays.length > 0 && !material) faults.what = `${technique.name} needs a material.`;
    else if (technique.lays.length > 0 && material && !techniquesFor(material).includes(technique))
      faults.how = `${material.name} goes on by: ${techniquesFor(material)
        .map((technique) => technique.name.toLowerCase())
        .join(", ")}.`;
    const coats = Coats.safeParse(fields.coats ?? step.coats);
    if (!coats.success) faults.coats = coats.error.issues[0]!.message;
    const share = Share.safeParse(fields.share ?? step.where.over * 100);
    if (!share.success) faults.share = share.error.issues[0]!.message;
    const on = WHERE.find((place) => place === (fields.on ?? step.where.on));
    if (!on) faults.on = "Choose where it goes.";
    const chosen = <One extends string>(name: string, of: readonly One[], before: readonly One[] = []): One[] =>
      fields.hasPlaces ? of.filter((place) => (fields[name] ?? "").split(",").includes(place)) : [...before];
    const also = chosen("also", WHERE, step.where.also).filter((place) => place !== on);
    const but = chosen("but", PLACES, step.where.but);
    if (but.some((place) => place === on || also.includes(place)))
      faults.but = "A place cannot be worked and left out at once.";
    const note = (fields.note ?? step.note ?? "").trim();
    if (note.length > 400) faults.note = "400 characters at most.";
    const amount = readAmountFields(fields, step.amount);
    if ("fault" in amount) faults.amountOf = amount.fault;
    const mixed = readMixFields(fields, step.mix);
    if ("faults" in mixed) Object.assign(faults, mixed.faults);
    const mix = "mix" in mixed ? mixed.mix : null;
    const potPins = (mix?.with ?? []).map((part) => pinOf(plan, part.what));
    potPins.forEach((pins, index) => {
      if (pins === null) faults[`mixWith${index + 1}`] = "That material is not on the shelf.";
    });
    const effort = readEffort(fields, step);
    if ("fault" in effort) faults[effort.field ?? "passes"] = effort.fault;
    const again = readAgain(fields, step);
    if ("fault" in again) faults[again.field] = again.fault;
    const wait = readWait(fields, step, crust);
    if ("fault" in wait) faults.wait = wait.fault;
    if (!technique || !on || !coats.success || !share.success || "fault" in wait || Object.keys(faults).length > 0)
      return { ok: false, faults };
    const lays = technique.lays.length > 0;
    const pin = lays && what ? (pinOf(plan, what) ?? []) : [];
    const intents =
      fields.intents === undefined
        ? fields.hasIntents
          ? []
          : step.intents
        : fields.intents.split(",").filter((text): text is Intent => INTENTS.some((intent) => intent === text));
    const reveals = fields.reveals === undefined ? (step.reveals ?? null) : fields.reveals || null;
    return {
      ok: true,
      label: `Change ${stepName(plan, step)}`,
      commands: [
        ...pin,
        ...potPins.flatMap((potPin) => potPin ?? []),
        {
          do: "patch step",
          crustId: crust.id,
          stepId: step.id,
          patch: {
            kind: technique.kind,
            how: technique.id,
            what: lays ? (what ?? null) : null,
            coats: coats.data,
            where: {
              on,
              ...(also.length > 0 ? { also } : {}),
              ...(but.length > 0 ? { but } : {}),
              over: Math.abs(share.data / 100 - step.where.over) < SHOWN_SHARE ? step.where.over : share.data / 100,
            },
            intents,
            wait: wait.wait,
            oneGo: fields.oneGo === undefined ? (step.oneGo ?? null) : (own(ONE_GO, fields.oneGo) ?? null),
            reveals,
            again: technique.kind === "inspect" && "again" in again ? again.again : null,
            uneven: !lays || (fields.lies === undefined ? !step.uneven : fields.lies !== "unevenly") ? null : true,
            effort: !lays && "effort" in effort ? effort.effort : null,
            amount: lays && "amount" in amount ? amount.amount : null,
            mix: lays ? mix : null,
            note: note || null,
          },
        },
      ],
      step: step.id,
    };
  });
}

function moveStep(filled: FilledForm): FormEdit {
  return onStep(filled, (crust, step, index) => {
    const to =
      filled.fields.to === "up" ? index + 1 : filled.fields.to === "down" ? index - 1 : Number(filled.fields.to);
    if (!Number.isInteger(to) || to < 0 || to >= crust.steps.length) return refuse("It cannot move any further.");
    return {
      ok: true,
      label: `Move ${stepName(filled.plan, step)}`,
      commands: [{ do: "move step", crustId: crust.id, stepId: step.id, to }],
      step: step.id,
    };
  });
}

function removeStep(filled: FilledForm): FormEdit {
  return onStep(filled, (crust, step, index) => ({
    ok: true,
    label: `Remove ${stepName(filled.plan, step)}`,
    commands: [{ do: "remove step", crustId: crust.id, stepId: step.id }],
    step: (crust.steps[index + 1] ?? crust.steps[index - 1])?.id,
  }));
}

function applyFix({ plan, fields }: FilledForm): FormEdit {
  const finding = judge(plan)
    .zones.flatMap((zone) => zone.findings)
    .find((finding) => finding.id === fields.finding);
  if (!finding) return refuse("This finding is already gone.");
  const fix = workingFixes(plan, finding).find((workingFix) => workingFix.label === fields.fix);
  if (!fix) return refuse("This repair no longer fits the plan.");
  return { ok: true, label: fix.label, commands: fix.commands, step: finding.stepId };
}

export const STEP_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "add step": addStep,
  "patch step": patchStep,
  "move step": moveStep,
  "remove step": removeStep,
  fix: applyFix,
};
