import { useJob } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { WhenInput } from "~/forms/when-input";

export function JobForm() {
  const { plan } = useJob();
  return (
    <EditForm
      key={`${plan.title}/${plan.client}/${plan.start}/${plan.due}`}
      does="set job"
      autosave
      label="The job"
      className="grid grid-cols-2 gap-3"
    >
      {({ faults, values }) => (
        <>
          {(
            [
              ["title", "Job", "text", plan.title],
              ["client", "Client", "text", plan.client ?? ""],
              ["start", "Work can begin", "datetime-local", plan.start],
              ["due", "Due", "datetime-local", plan.due ?? ""],
            ] as const
          ).map(([name, label, type, value]) => (
            <Field key={name} name={name} label={label} fault={faults[name]}>
              {(field) => {
                const given = values?.[name] ?? value;
                return type === "text" ? (
                  <input {...field} type={type} defaultValue={given} />
                ) : (
                  <WhenInput {...field} type={type} defaultValue={given} />
                );
              }}
            </Field>
          ))}
          <noscript className="col-span-2">
            <button className="button" type="submit">
              Save the job
            </button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
