import { HouseRules } from "#core/plan/house-rules";
import { JOB_STATES, type JobState, stateOf } from "#core/plan/plan";
import { readHoursFields } from "../hours-form";
import { readJobFields } from "../job-form";
import { type FilledForm, type FormEdit, refuse } from "./form-edit";

function setJob({ fields }: FilledForm): FormEdit {
  const read = readJobFields(fields);
  if (!read.ok) return read;
  const { title, client, start, due } = read.job;
  return {
    ok: true,
    label: "Change the job",
    commands: [{ do: "set job", patch: { title, start, client: client ?? null, due: due ?? null } }],
  };
}

const STATE_LABELS: Record<JobState, string> = {
  idea: "Make the job an idea",
  promised: "Promise the job",
  "under way": "Begin the job",
  finished: "Finish the job",
  "put away": "Put the job away",
};

function setState({ plan, fields }: FilledForm): FormEdit {
  const state = JOB_STATES.find((jobState) => jobState === fields.state);
  if (!state) return refuse("Choose how far the job has come.", "state");
  if (state === stateOf(plan)) return refuse("That is how far it has come already.", "state");
  return { ok: true, label: STATE_LABELS[state], commands: [{ do: "set job", patch: { state } }] };
}

function setHouseRules({ plan, fields }: FilledForm): FormEdit {
  const read = HouseRules.safeParse({
    ...plan.pinned.houseRules,
    ...Object.fromEntries(
      Object.keys(plan.pinned.houseRules).flatMap((key) => (fields[key] ? [[key, fields[key]]] : [])),
    ),
  });
  if (!read.success) return refuse("Choose one of the schools.");
  return { ok: true, label: "Change the house rules", commands: [{ do: "set house rules", houseRules: read.data }] };
}

function setHours({ plan, fields }: FilledForm): FormEdit {
  const read = readHoursFields(fields, plan.pinned.hours);
  if (!read.ok) return read;
  return { ok: true, label: "Change the working hours", commands: [{ do: "set hours", hours: read.hours }] };
}

function setHoursFrom({ plan, fields }: FilledForm): FormEdit {
  const whose = fields.hoursFrom;
  if (whose !== "shop" && whose !== "job") return refuse("Choose whose hours the job keeps.", "hoursFrom");
  if (whose === (plan.hoursFrom ?? "job")) return refuse("It keeps those already.", "hoursFrom");
  const label = whose === "shop" ? "Keep the shop's hours" : "Keep hours of its own";
  return { ok: true, label, commands: [{ do: "set job", patch: { hoursFrom: whose } }] };
}

export const JOB_FORMS: Record<string, (filled: FilledForm) => FormEdit> = {
  "set job": setJob,
  "set state": setState,
  "set house rules": setHouseRules,
  "set hours": setHours,
  "set hours from": setHoursFrom,
};
