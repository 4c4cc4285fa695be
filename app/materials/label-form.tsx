import type { Material } from "#core/materials/material";
import { densityOf, isPowder, sheetOf } from "#core/materials/measures";
import { writeDuration } from "#core/units/duration";
import { EditForm, TextField } from "~/forms/edit-form-parts";

const LABEL_FIELDS = [
  ["touch", "Touch dry"],
  ["recoat", "Recoat from"],
  ["beforeClear", "Before wax or clear coat"],
  ["cure", "Full cure"],
] as const;

export function LabelForm({ material }: { material: Material }) {
  return (
    <EditForm
      key={JSON.stringify(material)}
      does="from label"
      about={{ materialId: material.id }}
      label={`From the label of ${material.name}`}
      className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2"
    >
      {({ faults, values }) => (
        <>
          <div className="col-span-2">
            <TextField
              name="materialName"
              label="Name"
              fault={faults.materialName}
              value={values?.materialName ?? material.name}
            />
          </div>
          {LABEL_FIELDS.map(([name, label]) => (
            <TextField
              key={name}
              name={name}
              label={label}
              fault={faults[name]}
              value={values?.[name] ?? writeDuration(material.drying[name].safe)}
            />
          ))}
          <TextField
            name="recoatUntil"
            label="Recoat until (optional)"
            fault={faults.recoatUntil}
            value={
              values?.recoatUntil ??
              (material.windows.recoatUntil ? writeDuration(material.windows.recoatUntil.safe) : "")
            }
          />
          <TextField
            name="spreadingRate"
            label="Spreads, m²/L"
            fault={faults.spreadingRate}
            keys="decimal"
            value={values?.spreadingRate ?? material.spreadingRate.typical}
          />
          <TextField
            name="volumeSolids"
            label="Solids, % by volume"
            fault={faults.volumeSolids}
            keys="decimal"
            value={values?.volumeSolids ?? material.volumeSolids.typical}
          />
          {sheetOf(material) ? (
            (["sheetWidth", "sheetHeight"] as const).map((name) => (
              <TextField
                key={name}
                name={name}
                label={name === "sheetWidth" ? "A sheet's width, mm" : "A sheet's height, mm"}
                fault={faults[name]}
                keys="decimal"
                value={values?.[name] ?? sheetOf(material)![name === "sheetWidth" ? "width" : "height"]}
              />
            ))
          ) : (
            <TextField
              name="density"
              label={isPowder(material) ? "Density of its grains, g/ml" : "Density, g/ml"}
              fault={faults.density}
              keys="decimal"
              value={values?.density ?? densityOf(material)}
            />
          )}
          <button className="button button-main col-span-2">Save these figures</button>
        </>
      )}
    </EditForm>
  );
}
