import { GROUND_KINDS, SPECIES } from "#core/plan/ground";
import { Field, TextField } from "~/forms/edit-form-parts";
import { FieldGroup } from "../plain-field";
import { Choice } from "./choice";
import type { ZoneFieldsProps } from "./zone-fields-props";

/** What a zone is made of, and what is on it. */
export function GroundFields({ values, faults }: ZoneFieldsProps) {
  return (
    <FieldGroup title="Ground" says="what is there now; oak, chestnut, mahogany and cedar bleed through pale paint">
      <div className="col-span-3">
        <Choice
          name="groundKind"
          label="Kind"
          values={values}
          faults={faults}
          usual="raw timber"
          choices={GROUND_KINDS.map((kind) => [kind, kind])}
        />
      </div>
      <div className="col-span-2">
        <Choice
          name="species"
          label="Timber"
          values={values}
          faults={faults}
          usual="unknown"
          choices={SPECIES.map((species) => [species, species])}
        />
      </div>
      <div className="col-span-1">
        <TextField name="knots" label="Knots" fault={faults.knots} keys="numeric" value={values.knots ?? "0"} />
      </div>
      {(values.groundKind ?? "raw timber") !== "raw timber" && (
        <>
          <div className="col-span-3">
            <Choice
              name="age"
              label="Age of old finish"
              values={values}
              faults={faults}
              usual="unknown"
              choices={[
                ["unknown", "unknown"],
                ["before 1978", "before 1978"],
                ["after 1978", "after 1978"],
              ]}
            />
          </div>
          <div className="col-span-3">
            <TextField
              name="inSight"
              label="Meant to stay visible, %"
              fault={faults.inSight}
              keys="decimal"
              value={values.inSight ?? "0"}
            />
          </div>
        </>
      )}
      {values.groundColour && (
        <div className="col-span-2">
          <Field name="groundColour" label="Colour of the ground" fault={faults.groundColour}>
            {(field) => (
              <input {...field} type="color" defaultValue={values.groundColour} className="field !h-8 !p-0.5" />
            )}
          </Field>
        </div>
      )}
    </FieldGroup>
  );
}
