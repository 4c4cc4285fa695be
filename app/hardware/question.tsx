import type { ReactNode } from "react";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { Name } from "~/routes/hardware";

export const KNOB = "Square and quarter lines of a round knob";

interface Asked {
  name: Name;
  label: string;
  read: { fault?: string };
  placeholder?: string;
}

/** One question: its measures, and what follows from them. */
export function Question({
  title,
  hint,
  asks,
  values,
  children,
}: {
  title: string;
  hint?: string;
  asks: readonly Asked[];
  values: Record<Name, string>;
  children: ReactNode;
}) {
  return (
    <section className="border border-line bg-board px-4 py-3 print:hidden" aria-label={title}>
      <h2 className="text-lg">{title}</h2>
      {hint && <p className="mb-2 text-note text-soft">{hint}</p>}
      <div className="mt-2 grid grid-cols-2 gap-3">
        {asks.map(({ name, label, read, placeholder }) => (
          <TextField
            key={name}
            name={name}
            label={label}
            keys="decimal"
            value={values[name]}
            fault={read.fault}
            placeholder={placeholder}
          />
        ))}
        {title === KNOB && (
          <Field name="tape" label="How" fault={undefined}>
            {(field) => (
              <select {...field} defaultValue={values.tape}>
                <option value="across">across it</option>
                <option value="round">with the tape round it</option>
              </select>
            )}
          </Field>
        )}
      </div>
      {children}
    </section>
  );
}
