import { MEASURED } from "~/forms/amount-form";
import { Field, TextField } from "~/forms/edit-form-parts";
import { useShelfMaterials } from "./shelf-materials";
import type { StepFieldsProps } from "./step-fields";

/** How much of a material is laid, and how evenly. */
export function AmountFields({ step, faults, values }: StepFieldsProps) {
  const material = useShelfMaterials().find((shelfMaterial) => shelfMaterial.id === step.what);
  return (
    <>
      {material && (
        <>
          <Field name="amount" label="How much">
            {(field) => (
              <select {...field} defaultValue={values?.amount ?? step.amount?.kind ?? "usual"}>
                <option value="usual">the usual</option>
                <option value="light">a light coat</option>
                <option value="heavy">a heavy coat</option>
                {Object.entries(MEASURED).map(([kind, unit]) => (
                  <option key={kind} value={kind}>
                    … {unit}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <TextField
            name="amountOf"
            label="Measured as"
            fault={faults.amountOf}
            keys="decimal"
            value={values?.amountOf ?? (step.amount && "of" in step.amount ? step.amount.of : "")}
          />
          <div className="col-span-2">
            <Field name="lies" label="Laid">
              {(field) => (
                <select {...field} defaultValue={values?.lies ?? (step.uneven ? "unevenly" : "evenly")}>
                  <option value="evenly">evenly</option>
                  <option value="unevenly">unevenly, thin here and thick there</option>
                </select>
              )}
            </Field>
          </div>
        </>
      )}
    </>
  );
}
