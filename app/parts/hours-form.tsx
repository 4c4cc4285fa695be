import { useJobEditor } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { sayHours, WEEKDAYS } from "~/forms/hours-form";

export function HoursForm() {
  const { plan } = useJobEditor();
  const { weekdays } = plan.pinned.hours;
  return (
    <EditForm key={JSON.stringify(weekdays)} does="set hours" autosave label="Working hours" className="grid gap-y-2">
      {({ faults, values }) => (
        <>
          {WEEKDAYS.map((name, index) => (
            <Field key={name} name={name} label={name} fault={faults[name]}>
              {(field) => (
                <input
                  {...field}
                  type="text"
                  placeholder="free"
                  defaultValue={values?.[name] ?? sayHours(weekdays[index]!)}
                />
              )}
            </Field>
          ))}
          <noscript className="col-span-2">
            <button className="press">Save the working hours</button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
