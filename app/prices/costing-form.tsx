import { Form } from "react-router";
import { MEASURES, NUMBER_FORMATS } from "#core/shelf/book";
import { Field, TextField } from "~/forms/edit-form-parts";
import { useVoice } from "~/shelf/voice";
import { sayNumber } from "~/words/measures";
import { Hidden, type Loaded, useAnswer, Wrong } from "./answers";

const COSTING: readonly (readonly [
  name: "hourly" | "overhead" | "margin" | "tax" | "touchUp" | "validDays",
  label: string,
  hint: string,
])[] = [
  ["hourly", "Hands-on hour", "what an hour of work costs the client before overhead and margin"],
  ["overhead", "Overhead, %", "on materials and work: rent, heat, tools, driving"],
  ["margin", "Margin, %", "on everything, overhead included"],
  ["tax", "Tax, %", "added at the end; 0 for none"],
  ["touchUp", "Put aside for touching up, ml", "of each colour, job by job"],
  ["validDays", "A quote is valid for, days", ""],
];

/** How the shop works out a price, and how it writes numbers. */
export function CostingForm({ loaded }: { loaded: Loaded }) {
  const voice = useVoice();
  const answer = useAnswer("costing");
  const { costing, measures, numbers } = loaded.book;
  const values = answer?.values;
  return (
    <Form
      method="post"
      key={loaded.version}
      aria-label="Costing"
      className="grid max-w-[900px] gap-x-8 sm:grid-cols-2 gap-y-3"
    >
      <Hidden does="costing" to="/shelf/prices?show=costing" version={loaded.version} />
      <div className="sm:col-span-2">
        <Wrong answer={answer} />
      </div>
      {COSTING.map(([name, label, hint]) => (
        <TextField
          key={name}
          name={name}
          label={label}
          hint={hint || undefined}
          keys="decimal"
          fault={answer?.faults[name]}
          value={values?.[name] ?? sayNumber(costing[name], name === "hourly" ? 2 : 0, voice)}
        />
      ))}
      <Field name="materialsBy" label="Materials are charged" fault={undefined}>
        {(field) => (
          <select {...field} defaultValue={values?.materialsBy ?? costing.materialsBy}>
            <option value="use">by what is used of a pack</option>
            <option value="packs">by whole packs</option>
          </select>
        )}
      </Field>
      <TextField
        name="currency"
        label="Currency (optional)"
        placeholder="none"
        value={values?.currency ?? costing.currency}
        fault={answer?.faults.currency}
      />
      <Field name="measures" label="Measures" hint="Everything is stored in metric." fault={undefined}>
        {(field) => (
          <select {...field} defaultValue={values?.measures ?? measures}>
            {MEASURES.map((measure) => (
              <option key={measure}>{measure}</option>
            ))}
          </select>
        )}
      </Field>
      <Field name="numbers" label="Numbers are written" fault={undefined}>
        {(field) => (
          <select {...field} defaultValue={values?.numbers ?? numbers}>
            {NUMBER_FORMATS.map((numberFormat) => (
              <option key={numberFormat}>{numberFormat}</option>
            ))}
          </select>
        )}
      </Field>
      <div className="sm:col-span-2">
        <Field name="terms" label="Your terms, for the client's page of a quote" fault={answer?.faults.terms}>
          {(field) => <textarea {...field} rows={4} defaultValue={values?.terms ?? costing.terms} />}
        </Field>
      </div>
      <button className="button button-main justify-self-start">Save</button>
    </Form>
  );
}
