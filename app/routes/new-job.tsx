import { nanoid } from "nanoid";
import { data, Form, Link, redirect, useNavigation } from "react-router";
import { factorsOf, SURE_FROM } from "#core/ledger/learned";
import { hoursOfShop } from "#core/plan/shop";
import { DAY } from "#core/units/units";
import { midnightBefore, sayWallTime, weekday } from "#core/units/wall-time";
import { addPlan } from "#db/plans";
import { getShop } from "#db/shop";
import { Field, TextField } from "~/forms/edit-form-parts";
import { type Faults, type FormFields, fieldsOf } from "~/forms/fields";
import { readNewJob } from "~/forms/job-form";
import { readForm } from "~/http/body.server";
import { learnedOf } from "~/http/ledger.server";
import { withStore } from "~/http/trouble.server";
import { noteWritten } from "~/http/written.server";
import { Brand } from "~/parts/brand";
import { FieldGroup } from "~/parts/plain-field";
import { ZoneFields } from "~/parts/zone-fields";
import type { Route } from "./+types/new-job";

const NINE = 9 * 60;

/** Nine o'clock on the next working day. */
function nextMorning(now: Date): string {
  let day = midnightBefore(now.getTime() / 60_000) + DAY;
  while (weekday(day) > 4) day += DAY;
  return sayWallTime(day + NINE);
}

export const loader = () => ({ id: nanoid(10), start: nextMorning(new Date()) });

export async function action({ request }: Route.ActionArgs) {
  const values = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    const read = readNewJob(values, hoursOfShop((await getShop(store)).shop));
    if (!read.ok) return data({ faults: read.faults, values }, { status: 422 });
    // a new job waits as long as things have been seen to dry here
    const drying = factorsOf(await learnedOf(store), SURE_FROM);
    const known = Object.keys(drying).length > 0;
    const plan = known ? { ...read.plan, pinned: { ...read.plan.pinned, drying } } : read.plan;
    // a form sent twice finds its job already there
    if (await addPlan(store, plan)) noteWritten(plan);
    return redirect(`/jobs/${plan.id}/crust`);
  });
}

export const meta: Route.MetaFunction = () => [{ title: "New job · Jolly Crust" }];

export default function NewJob({ loaderData, actionData }: Route.ComponentProps) {
  const values: FormFields = actionData?.values ?? {};
  const faults: Faults = actionData?.faults ?? {};
  const busy = useNavigation().state !== "idle";
  const wrong = Object.keys(faults).length;
  return (
    <div className="mx-auto max-w-3xl px-8 py-6">
      <header className="flex items-center justify-between border-b border-line pb-4">
        <Brand />
        <Link to="/" className="link text-soft">
          Back to jobs
        </Link>
      </header>
      <main>
        <h1 className="mt-6 text-2xl">New job</h1>
        <p className="mb-5 text-soft">The piece and its first zone; you can add more later. The crust comes next.</p>
        {wrong > 0 && (
          <p role="alert" className="mb-4 border-l-4 border-l-ochre bg-board px-4 py-2.5 font-medium text-ochre">
            {faults[""] ??
              `${wrong === 1 ? "One field needs" : `${wrong} fields need`} another look. Everything you typed is still here.`}
          </p>
        )}
        <Form method="post" className="flex flex-col gap-6" noValidate>
          <input type="hidden" name="id" value={values.id ?? loaderData.id} />
          <FieldGroup title="Job">
            <div className="col-span-3">
              <TextField
                name="title"
                label="Job name"
                fault={faults.title}
                placeholder="Carved settle"
                value={values.title}
              />
            </div>
            <div className="col-span-3">
              <TextField name="client" label="Client (optional)" fault={faults.client} value={values.client} />
            </div>
            <div className="col-span-2">
              <TextField name="piece" label="Piece" fault={faults.piece} placeholder="Settle" value={values.piece} />
            </div>
            <div className="col-span-2">
              <Field name="start" label="Work can begin" fault={faults.start}>
                {(field) => <input {...field} type="datetime-local" defaultValue={values.start ?? loaderData.start} />}
              </Field>
            </div>
            <div className="col-span-2">
              <Field name="due" label="Due (optional)" fault={faults.due}>
                {(field) => <input {...field} type="datetime-local" defaultValue={values.due} />}
              </Field>
            </div>
          </FieldGroup>
          <ZoneFields values={values} faults={faults} />
          <div className="flex justify-end border-t border-line pt-4">
            <button className="button button-main px-6 text-base" disabled={busy}>
              {busy ? "Creating the job …" : "Create the job"}
            </button>
          </div>
        </Form>
      </main>
    </div>
  );
}
