import type { Material } from "#core/materials/material";
import { spokenName } from "#core/materials/spoken-name";
import { MIX_BY, type Mix } from "#core/plan/mix";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { Faults, FormFields } from "~/forms/fields";
import { OTHER_TINS } from "~/forms/mix-form";
import { MaterialOptions } from "./material-options";

/** Kinds that anything is stirred into, or that are stirred in. */
const MIXABLE: ReadonlySet<string> = new Set(["paint", "glaze", "wax", "tint-base", "clear", "pigment", "paste"]);

export const canBeMixed = ({ role }: Material) => MIXABLE.has(role);

const BY_WORDS: Record<Mix["by"], string> = { volume: "by volume", weight: "by weight", scoop: "by the scoop" };

interface Props {
  mix: Mix | undefined;
  own: Material;
  materials: readonly Material[];
  /** a brush that carries two colours takes one more, beside the first */
  beside: boolean;
  faults: Faults;
  values: FormFields | null;
}

/** What is stirred together for a step: its own material, up to three more, and water. */
export function MixFields({ mix, own, materials, beside, faults, values }: Props) {
  const filled = mix?.with.length ?? 0;
  const rows = OTHER_TINS.slice(0, beside ? 1 : Math.min(OTHER_TINS.length, filled + 1));
  const parts = (name: string, label: string, shown: string | number) => (
    <TextField name={name} label={label} fault={faults[name]} keys="decimal" value={values?.[name] ?? shown} />
  );
  return (
    <fieldset className="col-span-2 border-hair border-t pt-2">
      <legend className="sr-only">Mix</legend>
      <div className="grid grid-cols-[1fr_4.5rem] gap-x-3 gap-y-2">
        <p className="self-end pb-1.5 text-note">{spokenName(own)}</p>
        {parts("mixParts", "Parts", mix?.parts ?? 1)}
        {rows.map((row) => {
          const part = mix?.with[row - 1];
          const name = `mixWith${row}`;
          return (
            <div key={row} className="contents">
              <Field
                name={name}
                fault={faults[name]}
                label={beside ? "On the other half of the brush" : row === 1 ? "Mixed with" : "And with"}
              >
                {(field) => (
                  <select {...field} defaultValue={values?.[name] ?? part?.what ?? ""}>
                    <option value="">nothing else</option>
                    <MaterialOptions
                      of={materials.filter((material) => canBeMixed(material) && material.id !== own.id)}
                    />
                  </select>
                )}
              </Field>
              {parts(`mixParts${row}`, "Parts", part?.parts ?? "")}
            </div>
          );
        })}
        <Field name="mixBy" label="Measured">
          {(field) => (
            <select {...field} defaultValue={values?.mixBy ?? mix?.by ?? "volume"}>
              {MIX_BY.map((by) => (
                <option key={by} value={by}>
                  {BY_WORDS[by]}
                </option>
              ))}
            </select>
          )}
        </Field>
        {parts("mixThinner", "Water, parts", mix && mix.thinner > 0 ? mix.thinner : "")}
      </div>
    </fieldset>
  );
}
