import { findTechnique, TECHNIQUES, techniquesFor } from "#core/surface/techniques";
import { Field, TextField } from "~/forms/edit-form-parts";
import { MaterialOptions } from "../material-options";
import { useShelfMaterials } from "./shelf-materials";
import type { StepFieldsProps } from "./step-fields";

/** What is laid, or what is done, and how. */
export function HowFields({ step, faults, values }: StepFieldsProps) {
  const materials = useShelfMaterials();
  const technique = findTechnique(step.how);
  const material = materials.find((material) => material.id === step.what);
  const ways = material
    ? techniquesFor(material)
    : TECHNIQUES.filter(
        (technique) => technique.lays.length === 0 && (technique.kind === step.kind || step.kind === "prepare"),
      );
  return (
    <>
      {material && (
        <div className="col-span-2">
          <Field name="what" label="Material" fault={faults.what}>
            {(field) => (
              <select {...field} defaultValue={values?.what ?? step.what}>
                <MaterialOptions of={materials.filter((one) => one.role === material.role)} />
              </select>
            )}
          </Field>
        </div>
      )}
      <Field name="how" label="How" fault={faults.how}>
        {(field) => (
          <select {...field} defaultValue={values?.how ?? step.how}>
            {ways.map((way) => (
              <option key={way.id} value={way.id}>
                {way.name}
              </option>
            ))}
            {!ways.some((way) => way.id === step.how) && (
              <option value={step.how}>{technique?.name ?? step.how}</option>
            )}
          </select>
        )}
      </Field>
      {material ? (
        <TextField name="coats" label="Coats" fault={faults.coats} keys="numeric" value={values?.coats ?? step.coats} />
      ) : (
        <p className="self-end pb-1.5 text-note text-soft">{technique?.hint}</p>
      )}
    </>
  );
}
