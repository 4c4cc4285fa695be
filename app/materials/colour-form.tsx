import { labOf } from "#core/colour/difference";
import { bodyColour, isTranslucent, onChart } from "#core/colour/material-colour";
import type { Material } from "#core/materials/material";
import { DrawDown } from "~/drawing/draw-down";
import { EditForm, Field } from "~/forms/edit-form-parts";
import { sayHiding } from "./figures";

/** A material's colour: by picker, as a colour code, or by what one coat looks like over white and over black. */
export function ColourForm({ material }: { material: Material }) {
  const { colour } = material;
  const { l, a, b } = labOf(colour);
  const chart = onChart(material);
  const about = { materialId: material.id };
  return (
    <div className="mt-1 grid grid-cols-[150px_minmax(0,1fr)] gap-x-4 gap-y-3">
      <div>
        <DrawDown
          colour={bodyColour(material)}
          chart={chart}
          label={`${material.name}, thick, and one coat over white and over black`}
          width={150}
          height={112}
        />
        <p className="mt-1 text-note text-soft">
          {isTranslucent(material)
            ? "Translucent: predicted from its two swatches."
            : "Opaque: predicted from its masstone and hiding power."}
        </p>
        <p className="text-note text-soft">{sayHiding(material)}</p>
      </div>
      <div className="flex flex-col gap-3">
        {(
          [
            ["picked", "Pick", "Colour picker", { type: "color", className: "field !h-8 !p-0.5" }],
            [
              "written",
              "Write",
              `Colour code: ${colour}, or Lab ${l.toFixed(0)} ${a.toFixed(0)} ${b.toFixed(0)}`,
              { type: "text", maxLength: 40 },
            ],
          ] as const
        ).map(([way, verb, label, input]) => (
          <EditForm
            key={`${way} ${colour}`}
            does="set colour"
            about={{ ...about, way }}
            label={`${verb} the colour of ${material.name}`}
            className="flex items-end gap-2"
          >
            {({ faults, values }) => (
              <>
                <div className="flex-1">
                  <Field name={way} label={label} fault={faults[way]}>
                    {(field) => <input {...field} {...input} defaultValue={values?.[way] ?? colour} />}
                  </Field>
                </div>
                <button className="button">Use it</button>
              </>
            )}
          </EditForm>
        ))}
        <EditForm
          key={JSON.stringify(material.swatches)}
          does="set colour"
          about={{ ...about, way: "swatches" }}
          label={`Swatches of ${material.name}`}
          className="flex items-end gap-2"
        >
          {({ faults, values }) => (
            <>
              <Field name="overWhite" label="1 coat on white" fault={faults.overWhite}>
                {(field) => (
                  <input {...field} type="text" maxLength={40} defaultValue={values?.overWhite ?? chart.overWhite} />
                )}
              </Field>
              <Field name="overBlack" label="1 coat on black" fault={faults.overBlack}>
                {(field) => (
                  <input {...field} type="text" maxLength={40} defaultValue={values?.overBlack ?? chart.overBlack} />
                )}
              </Field>
              <button className="button shrink-0">Use both</button>
            </>
          )}
        </EditForm>
      </div>
    </div>
  );
}
