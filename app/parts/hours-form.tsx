import { Link } from "react-router";
import { hoursOfShop } from "#core/plan/shop";
import { useJobEditor } from "~/editor/job-editor";
import { EditForm, Field, TextField } from "~/forms/edit-form-parts";
import { sayExceptions, sayHours, WEEKDAYS } from "~/forms/hours-form";

/** Whose hours the job keeps: the shop's, as they are, or its own, to be set here. */
export function HoursForm() {
  const { plan, plans } = useJobEditor();
  const ofShop = plan.hoursFrom === "shop";
  return (
    <>
      <EditForm key={String(ofShop)} does="set hours from" autosave label="Whose hours">
        {({ values }) => (
          <>
            <fieldset className="mb-2">
              <legend className="sr-only">Whose hours this job keeps</legend>
              {(["shop", "job"] as const).map((whose) => (
                <label key={whose} className="flex min-h-8 items-center gap-2">
                  <input
                    type="radio"
                    name="hoursFrom"
                    value={whose}
                    defaultChecked={(values?.hoursFrom ?? (ofShop ? "shop" : "job")) === whose}
                    className="accent-verdigris"
                  />
                  {whose === "shop" ? "those of the shop" : "its own"}
                </label>
              ))}
            </fieldset>
            <noscript>
              <button className="button mb-2">Save</button>
            </noscript>
          </>
        )}
      </EditForm>
      {ofShop ? <ShopHours weekdays={hoursOfShop(plans.shop).weekdays} /> : <OwnHours />}
    </>
  );
}

function ShopHours({ weekdays }: { weekdays: readonly [number, number][][] }) {
  return (
    <>
      <dl className="grid grid-cols-[7rem_1fr] gap-y-1">
        {WEEKDAYS.map((name, index) => (
          <div key={name} className="contents">
            <dt className="text-soft">{name}</dt>
            <dd>{sayHours(weekdays[index]!) || "closed"}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-2">
        <Link to="/shop" className="link">
          Change the shop's hours and hands
        </Link>
      </p>
    </>
  );
}

function OwnHours() {
  const { plan } = useJobEditor();
  const { weekdays, exceptions } = plan.pinned.hours;
  return (
    <EditForm
      key={JSON.stringify(plan.pinned.hours)}
      does="set hours"
      autosave
      label="Working hours"
      className="grid gap-y-2"
    >
      {({ faults, values }) => (
        <>
          {WEEKDAYS.map((name, index) => (
            <TextField
              key={name}
              name={name}
              label={name}
              fault={faults[name]}
              placeholder="closed"
              value={values?.[name] ?? sayHours(weekdays[index]!)}
            />
          ))}
          <Field name="exceptions" label="Days that differ" fault={faults.exceptions}>
            {(field) => (
              <textarea
                {...field}
                rows={3}
                placeholder={"2026-12-24: closed\n2026-12-19: 9:00–13:00"}
                defaultValue={values?.exceptions ?? sayExceptions(exceptions)}
              />
            )}
          </Field>
          <p className="text-note text-soft">
            Painters, drying places and the time zone are{" "}
            <Link to="/shop" className="link">
              the shop's
            </Link>
            ; her days off count here too.
          </p>
          <noscript className="col-span-2">
            <button className="button">Save the working hours</button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
