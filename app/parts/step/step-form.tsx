import type { Crust, Step, Zone } from "#core/plan/plan";
import { findTechnique } from "#core/surface/techniques";
import { useJob } from "~/editor/job-editor";
import { stepName } from "~/forms/edit-form";
import { EditForm, TextField } from "~/forms/edit-form-parts";
import { canBeMixed, MixFields } from "../mix-fields";
import { AmountFields } from "./amount-fields";
import { DistressFields } from "./distress-fields";
import { EffortFields } from "./effort-fields";
import { HowFields } from "./how-fields";
import { IntentFields } from "./intent-fields";
import { useShelfMaterials } from "./shelf-materials";
import { WaitFields } from "./wait-fields";
import { WhereFields } from "./where-fields";

/** The selected step: every field is saved as it is left. */
export function StepForm({ crust, step, zone }: { crust: Crust; step: Step; zone: Zone }) {
  const { plan } = useJob();
  const materials = useShelfMaterials();
  const material = materials.find((material) => material.id === step.what);
  return (
    <EditForm
      key={`${crust.id}/${step.id}/${JSON.stringify(step)}`}
      does="patch step"
      about={{ crustId: crust.id, stepId: step.id }}
      autosave
      label={`Step: ${stepName(plan, step)}`}
    >
      {({ faults, values }) => {
        const props = { crust, step, zone, faults, values };
        return (
          <div className="grid grid-cols-2 gap-x-3 gap-y-2.5">
            <HowFields {...props} />
            <WhereFields {...props} />
            <AmountFields {...props} />
            <EffortFields {...props} />
            <WaitFields {...props} />
            {material && canBeMixed(material) && (
              <MixFields
                mix={step.mix}
                own={material}
                materials={materials}
                beside={findTechnique(step.how)?.carriesTwo ?? false}
                faults={faults}
                values={values}
              />
            )}
            <DistressFields {...props} />
            <IntentFields {...props} />
            <div className="col-span-2">
              <TextField
                name="note"
                label="Note to yourself"
                fault={faults.note}
                value={values?.note ?? step.note ?? ""}
              />
            </div>
            <noscript className="col-span-2">
              <button className="button button-main w-full" type="submit">
                Save the step
              </button>
            </noscript>
          </div>
        );
      }}
    </EditForm>
  );
}
