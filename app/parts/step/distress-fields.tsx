import { isTimber } from "#core/plan/ground";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { Field, TextField } from "~/forms/edit-form-parts";
import { countOf } from "~/words/amount";
import type { StepFieldsProps } from "./step-fields";

/** What wear is to show, and how much of it. */
export function DistressFields({ crust, step, zone, faults, values }: StepFieldsProps) {
  const { plan, judgement } = useJob();
  const distress = step.how === "wet-distress" || step.how.startsWith("sand-");
  const below = crust.steps.slice(0, crust.steps.indexOf(step)).filter((step) => step.what);
  const here = judgement.zones.find((judged) => judged.zone.id === zone.id);
  const gone =
    step.effort?.until === undefined
      ? null
      : (here?.phases.find(({ phase }) => phase.step.id === step.id)?.phase.passes ?? null);
  return (
    <>
      {distress && (
        <>
          <Field name="reveals" label="Should show">
            {(field) => (
              <select {...field} defaultValue={values?.reveals ?? step.reveals ?? ""}>
                <option value="">whatever it exposes</option>
                {below.map((earlier) => (
                  <option key={earlier.id} value={earlier.id}>
                    {stepName(plan, earlier)}
                  </option>
                ))}
                <option value="ground">the bare {isTimber(zone.ground.kind) ? "timber" : zone.ground.kind}</option>
              </select>
            )}
          </Field>
          <TextField
            name="until"
            label="Until it shows over, %"
            fault={faults.until}
            hint={gone !== null ? `needs ${countOf(gone, "pass", "passes")} here` : undefined}
            keys="decimal"
            placeholder="by passes"
            value={values?.until ?? (step.effort?.until === undefined ? "" : Math.round(step.effort.until * 1000) / 10)}
          />
        </>
      )}
    </>
  );
}
