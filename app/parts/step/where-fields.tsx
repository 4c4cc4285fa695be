import { PLACES, type Step, WHERE } from "#core/plan/plan";
import { shareCovered } from "#core/surface/coverage";
import { findTechnique } from "#core/surface/techniques";
import { Field, TextField } from "~/forms/edit-form-parts";
import type { FormFields } from "~/forms/fields";
import { COVER_WORDS, sayCovered, WHERE_WORDS } from "../step-words";
import { useShelfMaterials } from "./shelf-materials";
import type { StepFieldsProps } from "./step-fields";

/** The kinds of step that go on part of a face. */
const PLACED: ReadonlySet<string> = new Set(["prepare", "coat", "take"]);

const isMixedPlace = ({ where: { also = [], but = [] } }: Step) => also.length + but.length > 0;

/** Places to tick: joined to where the step goes, or left out of it. */
function Places({
  name,
  legend,
  of,
  step,
  values,
}: {
  name: "also" | "but";
  legend: string;
  of: readonly Step["where"]["on"][];
  step: Step;
  values: FormFields | null;
}) {
  const chosen: readonly string[] = values ? (values[name] ?? "").split(",") : (step.where[name] ?? []);
  return (
    <fieldset>
      <legend className="text-note text-soft">{legend}</legend>
      {of.map((place) => (
        <label key={place} className="flex min-h-[26px] items-center gap-2">
          <input
            type="checkbox"
            name={name}
            value={place}
            defaultChecked={chosen.includes(place)}
            className="size-4 shrink-0 accent-verdigris"
          />
          {WHERE_WORDS[place]}
        </label>
      ))}
    </fieldset>
  );
}

/** Where a step goes, and how much of the face that is. */
export function WhereFields({ step, zone, faults, values }: StepFieldsProps) {
  const technique = findTechnique(step.how);
  const material = useShelfMaterials().find((shelfMaterial) => shelfMaterial.id === step.what);
  const covered = material && technique ? shareCovered(step, technique, material, zone) : null;
  const looks = COVER_WORDS[step.how];
  return (
    <>
      {PLACED.has(step.kind) && (
        <div className="col-span-2 grid grid-cols-[minmax(0,1fr)_6.5rem] gap-x-3">
          <Field name="on" label="Where" fault={faults.on}>
            {(field) => (
              <select {...field} defaultValue={values?.on ?? step.where.on}>
                {WHERE.map((place) => (
                  <option key={place} value={place}>
                    {WHERE_WORDS[place]}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <TextField
            name="share"
            label="Worked over, %"
            fault={faults.share}
            keys="decimal"
            value={values?.share ?? Math.round(step.where.over * 1000) / 10}
          />
        </div>
      )}
      {PLACED.has(step.kind) && (
        <details className="col-span-2" open={isMixedPlace(step) || faults.but !== undefined}>
          <summary className="cursor-pointer text-note text-soft">More places, or all but some</summary>
          <input type="hidden" name="hasPlaces" value="yes" />
          <div className="mt-1 grid grid-cols-2 gap-x-3">
            {step.where.on !== "everywhere" && (
              <Places
                name="also"
                legend="And on"
                of={WHERE.filter((place) => place !== "everywhere")}
                step={step}
                values={values}
              />
            )}
            <Places name="but" legend="But not on" of={PLACES} step={step} values={values} />
          </div>
          {faults.but && (
            <p role="alert" className="text-note font-semibold text-sienna">
              {faults.but}
            </p>
          )}
        </details>
      )}
      {covered !== null && (
        <p className="col-span-2 text-note text-soft">
          {covered > 0
            ? `Covers ${sayCovered(covered)}${looks ? `, ${looks}` : ""}.`
            : "It does not reach there: nothing comes to lie."}
        </p>
      )}
    </>
  );
}
