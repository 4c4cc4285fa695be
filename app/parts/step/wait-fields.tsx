import type { Step } from "#core/plan/plan";
import { WAIT_KINDS } from "#core/plan/wait";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { Field, TextField } from "~/forms/edit-form-parts";
import { stepsBefore, WAIT_WORDS, waitText } from "~/forms/wait-form";
import type { StepFieldsProps } from "./step-fields";

/** The kinds of step that can be worked in one session with the step before. */
const IN_A_GO: ReadonlySet<string> = new Set(["coat", "take", "help"]);

const goValue = ({ oneGo }: Step) => (oneGo === undefined ? "usual" : oneGo ? "together" : "apart");

/** What is waited for before a step, and what an inspection goes back to. */
export function WaitFields({ crust, step, faults, values }: StepFieldsProps) {
  const { plan } = useJob();
  const before = stepsBefore(crust, step);
  return (
    <>
      <Field name="waitKind" label="Wait before it">
        {(field) => (
          <select {...field} defaultValue={values?.waitKind ?? step.wait?.kind ?? "as needed"}>
            <option value="as needed">as needed</option>
            {WAIT_KINDS.map((waitKind) => (
              <option key={waitKind} value={waitKind}>
                {WAIT_WORDS[waitKind]}
              </option>
            ))}
          </select>
        )}
      </Field>
      <TextField
        name="wait"
        label="How long, or which sign"
        fault={faults.wait}
        placeholder="45 min, 2 h, 1 day"
        value={values?.wait ?? waitText(step)}
      />
      {before.length > 0 && (
        <>
          <Field name="waitAfter" label="Counted from">
            {(field) => (
              <select {...field} defaultValue={values?.waitAfter ?? step.wait?.after ?? ""}>
                <option value="">the step before</option>
                {before.map((earlier) => (
                  <option key={earlier.id} value={earlier.id}>
                    {stepName(plan, earlier)}
                  </option>
                ))}
              </select>
            )}
          </Field>
          {IN_A_GO.has(step.kind) && (
            <Field name="oneGo" label="Worked">
              {(field) => (
                <select {...field} defaultValue={values?.oneGo ?? goValue(step)}>
                  <option value="usual">as is usual for it</option>
                  <option value="together">in one session with the step before</option>
                  <option value="apart">on its own</option>
                </select>
              )}
            </Field>
          )}
        </>
      )}
      {step.kind === "inspect" && before.length > 0 && (
        <>
          <div className="col-span-2">
            <Field name="againFrom" label="Repeat until it is right" fault={faults.againFrom}>
              {(field) => (
                <select {...field} defaultValue={values?.againFrom ?? step.again?.from ?? ""}>
                  <option value="">no repeating</option>
                  {before
                    .filter(({ branch }) => branch === undefined)
                    .map((earlier) => (
                      <option key={earlier.id} value={earlier.id}>
                        again from {stepName(plan, earlier).toLowerCase()}
                      </option>
                    ))}
                </select>
              )}
            </Field>
          </div>
          <TextField
            name="rounds"
            label="Rounds expected in all"
            fault={faults.rounds}
            keys="numeric"
            value={values?.rounds ?? step.again?.rounds ?? 2}
          />
        </>
      )}
    </>
  );
}
