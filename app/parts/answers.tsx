import type { Crust, Step } from "#core/plan/plan";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { EditForm } from "~/forms/edit-form-parts";

/** The answers of an inspection: their names, which one is planned, and the steps under each. */
export function Answers({ crust, step }: { crust: Crust; step: Step }) {
  const { plan } = useJob();
  const branches = step.branches ?? [];
  const expected = step.expected ?? branches[0]?.id;
  const after = crust.steps.slice(crust.steps.indexOf(step) + 1);
  const run = after.slice(
    0,
    after.findIndex((step) => step.branch === undefined) < 0
      ? after.length
      : after.findIndex((step) => step.branch === undefined),
  );
  const firstCommon = after[run.length];
  return (
    <div className="mb-3">
      <EditForm
        key={JSON.stringify(step)}
        does="set answers"
        about={{ crustId: crust.id, stepId: step.id }}
        autosave
        label="Answers and what follows"
      >
        <fieldset>
          <legend className="mb-0.5 text-note text-soft">Answers; mark the one to plan by</legend>
          {branches.map((branch) => (
            <div key={branch.id} className="mb-1">
              <span className="flex items-center gap-2">
                <input
                  type="radio"
                  name="expected"
                  value={branch.id}
                  defaultChecked={branch.id === expected}
                  aria-label={`Plan by: ${branch.name}`}
                  className="accent-verdigris"
                />
                <input
                  type="text"
                  name={`way-${branch.id}`}
                  defaultValue={branch.name}
                  aria-label="Name of this answer"
                  className="field"
                />
              </span>
              <span className="block pl-6 text-note text-soft">
                {run
                  .filter((step) => step.branch === branch.id)
                  .map((step) => stepName(plan, step).toLowerCase())
                  .join(", then ") || "nothing more, carry on"}
              </span>
            </div>
          ))}
          {branches.length < 4 && (
            <input
              type="text"
              name="way-new"
              placeholder="another answer"
              aria-label="Another answer"
              className="field"
            />
          )}
        </fieldset>
        <noscript>
          <button className="button mt-1">Save the answers</button>
        </noscript>
      </EditForm>
      {[...run, ...(firstCommon ? [firstCommon] : [])].map((step) => (
        <EditForm
          key={`${step.id}/${step.branch}`}
          does="set answer"
          about={{ crustId: crust.id, stepId: step.id }}
          autosave
          className="mt-1 flex items-center gap-2"
          label={`When is ${stepName(plan, step)} done?`}
        >
          <span className="min-w-0 flex-1 truncate text-note">{stepName(plan, step)}</span>
          <select
            name="branch"
            aria-label={`When is ${stepName(plan, step)} done?`}
            className="field !w-36"
            defaultValue={step.branch ?? ""}
          >
            <option value="">always</option>
            {branches.map((branch) => (
              <option key={branch.id} value={branch.id}>
                if {branch.name}
              </option>
            ))}
          </select>
          <noscript>
            <button className="button">Save</button>
          </noscript>
        </EditForm>
      ))}
    </div>
  );
}
