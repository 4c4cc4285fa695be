import { Field } from "~/forms/edit-form-parts";
import type { Faults, FormFields } from "~/forms/fields";

interface ChoiceProps {
  name: string;
  label: string;
  values: FormFields;
  faults: Faults;
  /** what is shown until something else is chosen */
  usual: string;
  choices: readonly (readonly [value: string, says: string])[];
}

/** A field with a few answers to choose from. */
export function Choice({ name, label, values, faults, usual, choices }: ChoiceProps) {
  return (
    <Field name={name} label={label} fault={faults[name]}>
      {(field) => (
        <select {...field} defaultValue={values[name] ?? usual}>
          {choices.map(([value, says]) => (
            <option key={value} value={value}>
              {says}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
