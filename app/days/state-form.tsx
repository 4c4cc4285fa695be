import { JOB_STATES, stateOf } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field } from "~/forms/edit-form-parts";

/** How far the job has come, and the choice of another. */
export function StateForm() {
  const { plan } = useJob();
  const state = stateOf(plan);
  return (
    <EditForm key={state} does="set state" autosave label="How far the job has come" className="mt-2">
      {({ faults, values }) => (
        <>
          <Field name="state" label="This job is" fault={faults.state}>
            {(field) => (
              <select {...field} defaultValue={values?.state ?? state}>
                {JOB_STATES.map((jobState) => (
                  <option key={jobState} value={jobState}>
                    {jobState === "idea" ? "an idea" : jobState === "finished" ? "finished, and curing" : jobState}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <noscript>
            <button className="button mt-1">Save</button>
          </noscript>
        </>
      )}
    </EditForm>
  );
}
