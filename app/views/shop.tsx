import { type FormEvent, useEffect, useRef } from "react";
import { Link, useActionData, useFetcher, useLoaderData } from "react-router";
import { MOST_PAINTERS } from "#core/plan/hours";
import { type Painter, SKILLS, type Skill } from "#core/plan/shop";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { Faults, FormFields } from "~/forms/fields";
import { sayExceptions, sayHours, WEEKDAYS } from "~/forms/hours-form";
import { prefixOf, sayOwnHours } from "~/forms/shop-form";
import { WhenInput } from "~/forms/when-input";
import { PageHead } from "~/parts/brand";
import { PlanNotice } from "~/plan-of-work/plan-notice";
import { useStanding } from "~/plan-of-work/use-standing";
import type { loader } from "~/routes/shop";

const CANNOT: Record<Skill, string> = { spray: "does not spray", gilding: "does not lay leaf" };

interface PainterProps {
  painter: Painter;
  at: number;
  alone: boolean;
  faults: Faults;
  values: FormFields | null;
}

function PainterFields({ painter, at, alone, faults, values }: PainterProps) {
  const prefix = prefixOf(at);
  const own = (name: string) => values?.[`${prefix}${name}`];
  const wrong = WEEKDAYS.some((day) => faults[`${prefix}${day}`]);
  return (
    <fieldset className="border-t border-line py-3">
      <legend className="sr-only">{painter.name}</legend>
      <div className="grid items-end gap-3 sm:grid-cols-[minmax(0,1fr)_auto]">
        <TextField
          name={`${prefix}name`}
          label="Painter"
          fault={faults[`${prefix}name`]}
          value={own("name") ?? painter.name}
        />
        {!alone && (
          <button className="button" name="without" value={at}>
            Remove {painter.name.toLowerCase()}
          </button>
        )}
      </div>
      <p className="mt-2 flex flex-wrap gap-4">
        {SKILLS.map((skill) => (
          <label key={skill} className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox"
              name={`${prefix}cannot-${skill}`}
              defaultChecked={values ? own(`cannot-${skill}`) !== undefined : painter.cannot.includes(skill)}
              className="accent-verdigris"
            />
            {CANNOT[skill]}
          </label>
        ))}
      </p>
      <div className="mt-2">
        <Field
          name={`${prefix}exceptions`}
          label="Days off, or with different hours"
          fault={faults[`${prefix}exceptions`]}
        >
          {(field) => (
            <textarea
              {...field}
              rows={2}
              placeholder={"2026-12-24: closed\n2026-12-19: 9:00–13:00"}
              defaultValue={own("exceptions") ?? sayExceptions(painter.exceptions)}
            />
          )}
        </Field>
      </div>
      <details className="mt-2" open={painter.weekdays !== undefined || wrong}>
        <summary className="cursor-pointer text-soft">Different hours from the shop's</summary>
        <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-2">
          {WEEKDAYS.map((day, index) => (
            <TextField
              key={day}
              name={`${prefix}${day}`}
              label={day}
              fault={faults[`${prefix}${day}`]}
              placeholder={painter.weekdays ? "off" : "as the shop"}
              value={own(day) ?? sayOwnHours(painter, index)}
            />
          ))}
        </div>
      </details>
    </fieldset>
  );
}

type Answer = { faults: Faults; values: FormFields };

/** What all jobs share: the hours of the shop, its drying places and clock, and who paints when. */
export default function ShopRoute() {
  const { row, standing } = useLoaderData<typeof loader>();
  const { shop, version, undo } = row;
  const { known, ask } = useStanding({ standing }, "/plan-of-work", version);
  const fetcher = useFetcher<Answer>();
  const native = useActionData<Answer>();
  const said = fetcher.data ?? native ?? null;
  // what was wrong before something was saved is settled
  const answer = said?.values.base === String(version) ? said : null;
  const form = useRef<HTMLFormElement>(null);
  const faults = answer?.faults ?? {};
  const values = answer?.values ?? null;
  const sent = useRef("");
  const asText = () => (form.current ? JSON.stringify([...new FormData(form.current)]) : "");
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was saved is the form as it now stands
  useEffect(() => {
    sent.current = asText();
  }, [version]);
  // saved whenever a changed field is left
  const leave = () => {
    const text = asText();
    if (!form.current || text === sent.current) return;
    sent.current = text;
    void fetcher.submit(form.current, { method: "post" });
  };
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const { submitter } = event.nativeEvent as SubmitEvent;
    void fetcher.submit(submitter as HTMLButtonElement | HTMLFormElement, { method: "post" });
  };
  return (
    <div className="flex min-h-screen flex-col">
      <PageHead title="Hours and painters">
        <Link className="button mr-2" to="/shop/devices">
          Devices
        </Link>
        <Link className="button mr-2" to="/shop/backup">
          Backup
        </Link>
        <a className="button mr-2" href="/shop/export" download>
          Export the whole shop
        </a>
        <fetcher.Form method="post">
          <input type="hidden" name="base" value={version} />
          <button className="button" name="do" value="undo" disabled={undo === null}>
            {undo === null ? "Nothing to undo" : `Undo: ${undo}`}
          </button>
        </fetcher.Form>
      </PageHead>
      <main className="mx-auto w-full max-w-[1080px] px-6 py-5">
        <h1 className="text-2xl">Hours and painters</h1>
        <p className="mb-4 text-soft">
          Shared by all jobs. After a change the shop is scheduled again, and you decide whether to use the new dates. A
          job can keep its own hours: see its House rules.
        </p>
        <form ref={form} key={version} method="post" aria-label="The shop" onSubmit={submit} onBlur={leave}>
          <input type="hidden" name="base" value={version} />
          <input type="hidden" name="do" value="save" />
          {faults[""] && (
            <p role="alert" className="mb-3 border-l-4 border-l-ochre bg-board px-3 py-2 text-ochre">
              {faults[""]}
            </p>
          )}
          <div className="grid gap-10 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.25fr)]">
            <section aria-label="Hours of the shop">
              <h2 className="mb-2 text-lg">Hours of the shop</h2>
              <div className="grid grid-cols-2 gap-x-4 gap-y-2">
                {WEEKDAYS.map((day, index) => (
                  <TextField
                    key={day}
                    name={day}
                    label={day}
                    fault={faults[day]}
                    placeholder="closed"
                    value={values?.[day] ?? sayHours(shop.hours.weekdays[index]!)}
                  />
                ))}
                <Field name="dryingPlaces" label="Drying places" fault={faults.dryingPlaces}>
                  {(field) => (
                    <input
                      {...field}
                      type="number"
                      min={1}
                      max={40}
                      placeholder="no limit"
                      defaultValue={values?.dryingPlaces ?? shop.hours.dryingPlaces ?? ""}
                    />
                  )}
                </Field>
              </div>
              <div className="mt-2 grid gap-2">
                <Field name="exceptions" label="Days off, or with different hours" fault={faults.exceptions}>
                  {(field) => (
                    <textarea
                      {...field}
                      rows={3}
                      placeholder={"2026-12-24: closed\n2026-12-19: 9:00–13:00"}
                      defaultValue={values?.exceptions ?? sayExceptions(shop.hours.exceptions)}
                    />
                  )}
                </Field>
                <Field
                  name="from"
                  label="Schedule unfinished work from (optional)"
                  fault={faults.from}
                  hint="Work not marked as done then starts no earlier."
                >
                  {(field) => (
                    <WhenInput {...field} type="datetime-local" defaultValue={values?.from ?? shop.from ?? ""} />
                  )}
                </Field>
                <TextField
                  name="timeZone"
                  label="Time zone, if the clocks change during a job"
                  fault={faults.timeZone}
                  hint="Waits then count the hours that really pass."
                  placeholder="Europe/London"
                  value={values?.timeZone ?? shop.hours.timeZone ?? ""}
                />
              </div>
            </section>
            <section aria-label="Who paints">
              <h2 className="mb-2 text-lg">Who paints</h2>
              {shop.painters.map((painter, index) => (
                <PainterFields
                  key={painter.id}
                  painter={painter}
                  at={index}
                  alone={shop.painters.length === 1}
                  faults={faults}
                  values={values}
                />
              ))}
              <div className="border-t border-line pt-3">
                {shop.painters.length < MOST_PAINTERS && (
                  <button className="button" name="way" value="add painter">
                    Add a painter
                  </button>
                )}
              </div>
            </section>
          </div>
          <noscript>
            <button className="button button-main mt-4">Save</button>
          </noscript>
        </form>
      </main>
      <PlanNotice standing={known.standing} ask={ask} />
    </div>
  );
}
