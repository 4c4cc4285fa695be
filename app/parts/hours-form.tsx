import { MOST_PAINTERS } from "#core/plan/hours";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField } from "~/forms/edit-form-parts";
import { sayExceptions, sayHours, WEEKDAYS } from "~/forms/hours-form";

export function HoursForm() {
  const { plan } = useJob();
  const { weekdays, exceptions, painters, dryingPlaces, timeZone } = plan.pinned.hours;
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
          <Field name="painters" label="Painters" fault={faults.painters}>
            {(field) => (
              <input {...field} type="number" min={1} max={MOST_PAINTERS} defaultValue={values?.painters ?? painters} />
            )}
          </Field>
          <Field name="dryingPlaces" label="Drying places" fault={faults.dryingPlaces}>
            {(field) => (
              <input
                {...field}
                type="number"
                min={1}
                max={40}
                placeholder="no limit"
                defaultValue={values?.dryingPlaces ?? dryingPlaces ?? ""}
              />
            )}
          </Field>
          <TextField
            name="timeZone"
            label="Time zone, if the clocks change during a job"
            fault={faults.timeZone}
            hint="Waits then count the hours that really pass."
            placeholder="Europe/London"
            value={values?.timeZone ?? timeZone ?? ""}
          />
          <noscript className="col-span-2">
            <button className="button">Save the working hours</button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
