import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { Id } from "#core/plan/plan";
import { editPlan, getJob, stepThroughEdits, type Written } from "#db/plans";
import { sayAirCsv } from "~/forms/air-csv";
import { readEditForm } from "~/forms/edit-form";
import { type Faults, type FormFields, fieldsOf } from "~/forms/fields";
import { type Selects, searchAfter } from "~/forms/search-after";
import { readForm } from "./body.server";
import { askSensor, sensorAddress } from "./room-sensor.server";
import { noSuchJob, planIdOf, withStore } from "./trouble.server";
import { noteWritten } from "./written.server";

/** A form that could not be carried out: what is wrong, and everything that was typed. */
export interface FormResult {
  faults: Faults;
  values: FormFields;
}

const again = (faults: Faults, values: FormFields, status = 422) => data<FormResult>({ faults, values }, { status });

function backTo(
  { request, planId }: { request: Request; planId: string },
  written: Written,
  fields: FormFields,
  to: Selects & { view?: string },
) {
  if (written.is === "missing") throw noSuchJob(planId);
  if (written.is === "refused") return again({ "": written.because }, fields);
  if (written.is === "overtaken")
    return again(
      {
        "": `This job was changed in another window: ${written.since.join("; ") || "an undo"}. What you typed is still here. Check it, then save it again.`,
      },
      fields,
      409,
    );
  noteWritten(written.plan);
  const url = to.view ? new URL(`/jobs/${planId}/${to.view}`, request.url) : new URL(request.url);
  return redirect(url.pathname + searchAfter(url.search, to));
}

/** Where no script has asked the room's logger, it is asked here: its hours, or what is wrong with it. */
async function sensorFields(): Promise<FormFields> {
  const address = sensorAddress(process.env);
  if (address === null) return { says: "This shop has no room sensor." };
  const air = await askSensor(address);
  return air.ok ? { hours: sayAirCsv(air) } : { says: air.says };
}

/** Every form of a job's pages, sent without scripts; afterwards it shows the same page, or another view of the job. */
export async function jobAction(request: Request, params: { planId: string }, view?: string) {
  const planId = planIdOf(params);
  const fields = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const base = Number(fields.base);
    if (!Number.isInteger(base))
      return again({ "": "The form arrived incomplete. Reload the page and try again." }, fields);
    if (fields.do === "undo" || fields.do === "redo")
      return backTo({ request, planId }, await stepThroughEdits(store, planId, base, fields.do), fields, {});
    if (fields.do === "import sensor") Object.assign(fields, await sensorFields());
    // ids made from the form's own, so that sending the same form twice makes the same edit
    const edit = Id.safeParse(fields.edit).data ?? nanoid();
    let made = 0;
    const read = readEditForm(job.plan, fields, () => `${edit.slice(0, 50)}-${++made}`);
    if (!read.ok) return again(read.faults, fields);
    const written = await editPlan(store, planId, { id: edit, base, label: read.label, commands: read.commands });
    return backTo({ request, planId }, written, fields, view === undefined ? read : { ...read, view });
  });
}
