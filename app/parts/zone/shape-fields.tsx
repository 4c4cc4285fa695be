import { useState } from "react";
import type { ShapeKind } from "#core/quantity/shape";
import { Field, TextField } from "~/forms/edit-form-parts";
import { RELIEFS, SHAPE_SIZES } from "~/forms/zone-form";
import { FieldGroup } from "../plain-field";
import { Choice } from "./choice";
import type { ZoneFieldsProps } from "./zone-fields-props";

const isShape = (text: string | undefined): text is ShapeKind => text !== undefined && Object.hasOwn(SHAPE_SIZES, text);

/** What a zone is called, and how large and how shaped it is. Sizes are named after the shape. */
export function ShapeFields({ values, faults }: ZoneFieldsProps) {
  const [shape, setShape] = useState<ShapeKind>(isShape(values.shape) ? values.shape : "panel");
  const { sizes } = SHAPE_SIZES[shape];
  return (
    <FieldGroup
      title="Zone"
      says="a part that gets one finish; sizes in millimetres, off the tape; relief is how it is shaped"
    >
      <div className="col-span-3">
        <TextField
          name="zoneName"
          label="Name"
          fault={faults.zoneName}
          placeholder="Back panel"
          value={values.zoneName}
        />
      </div>
      <div className="col-span-3">
        <Field name="shape" label="Shape" fault={faults.shape}>
          {(field) => (
            <select
              {...field}
              value={shape}
              onChange={(event) => isShape(event.target.value) && setShape(event.target.value)}
            >
              {Object.entries(SHAPE_SIZES).map(([kind, { name }]) => (
                <option key={kind} value={kind}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
      {[0, 1, 2].map((index) => {
        const size = sizes[index];
        const name = `size${index + 1}`;
        if (!size) return null;
        return (
          <div key={name} className="col-span-2">
            <TextField
              name={name}
              label={`${size.label}, mm`}
              fault={faults[name]}
              keys="decimal"
              value={values[name]}
            />
          </div>
        );
      })}
      {(shape === "disc" || shape === "leg") && (
        <div className="col-span-2">
          <Choice
            name="tape"
            label="Measured"
            values={values}
            faults={faults}
            usual="across"
            choices={[
              ["across", "across it"],
              ["round", "with the tape round it"],
            ]}
          />
          {faults.size1?.includes("unusual") && (
            <label className="mt-1 flex min-h-7 items-center gap-2 text-note">
              <input type="checkbox" name="sure" className="accent-verdigris" /> It is as I say
            </label>
          )}
        </div>
      )}
      <div className="col-span-2">
        <TextField name="count" label="How many" fault={faults.count} keys="numeric" value={values.count ?? "1"} />
      </div>
      <div className="col-span-2">
        <Choice
          name="reliefKind"
          label="Relief"
          values={values}
          faults={faults}
          usual="plain"
          choices={Object.entries(RELIEFS).map(([kind, { name }]) => [kind, name])}
        />
      </div>
      <div className="col-span-2">
        <Choice
          name="orientation"
          label="Position"
          values={values}
          faults={faults}
          usual="upright"
          choices={[
            ["upright", "upright"],
            ["flat", "flat"],
          ]}
        />
      </div>
      <div className="col-span-2">
        <Choice
          name="faces"
          label="Faces finished"
          values={values}
          faults={faults}
          usual="1"
          choices={[
            ["1", "one"],
            ["2", "both"],
          ]}
        />
      </div>
    </FieldGroup>
  );
}
