import { PRESSURES } from "#core/plan/effort";
import type { Technique } from "#core/surface/technique";
import { findTechnique } from "#core/surface/techniques";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { StepFieldsProps } from "./step-fields";

/** Effects that more passes and more pressure change. */
const TAKES: ReadonlySet<string> = new Set(["abrade", "dissolve", "chip", "thin", "lift"]);
const isTaking = ({ kind, effects }: Technique) => kind === "take" && effects.some(({ does }) => TAKES.has(does));

/** How often and how hard something is taken off. */
export function EffortFields({ step, faults, values }: StepFieldsProps) {
  const technique = findTechnique(step.how);
  return (
    <>
      {technique && isTaking(technique) && (
        <>
          <TextField
            name="passes"
            label="Passes"
            fault={faults.passes}
            keys="numeric"
            value={values?.passes ?? step.effort?.passes ?? 1}
          />
          <Field name="pressure" label="Pressure">
            {(field) => (
              <select {...field} defaultValue={values?.pressure ?? step.effort?.pressure ?? "usual"}>
                {PRESSURES.map((pressure) => (
                  <option key={pressure} value={pressure}>
                    {pressure}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </>
      )}
    </>
  );
}
