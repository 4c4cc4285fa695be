import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { coatsToHide } from "#core/colour/coats-to-hide";
import { labOf } from "#core/colour/difference";
import { bodyColour, isTranslucent, onChart } from "#core/colour/material-colour";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material, Origin } from "#core/materials/material";
import { densityOf, isPowder, sheetOf } from "#core/materials/measures";
import { nonsenseIn } from "#core/materials/sense";
import { materialsIn } from "#core/plan/mix";
import { shortDuration, writeDuration } from "#core/units/duration";
import { DrawDown } from "~/drawing/draw-down";
import { Swatch } from "~/drawing/swatch";
import { useJob } from "~/editor/job-editor";
import { EditForm, Field, TextField } from "~/forms/edit-form-parts";
import { panes } from "~/parts/panes";
import { SearchField } from "~/parts/search-field";
import { SidePane } from "~/parts/side-pane";
import { Explained } from "~/parts/term";

const ROLE_TITLES: Record<Material["role"], string> = {
  primer: "Primers",
  paint: "Paints",
  "tint-base": "Tint-bases",
  stain: "Stains",
  medium: "Crackle mediums",
  paste: "Pastes",
  crumb: "Texture",
  glaze: "Glazes",
  size: "Leaf size",
  leaf: "Leaf",
  tissue: "Tissue",
  transfer: "Transfers",
  ink: "Inks",
  pigment: "Pigments",
  patina: "Patinas",
  wax: "Waxes",
  oil: "Oils",
  clear: "Clear coats",
};

interface Figure {
  typical: number;
  safe: number;
  origin: Origin;
}

const range = (figure: Figure, say: (value: number) => string) =>
  figure.typical === figure.safe ? say(figure.typical) : `${say(figure.typical)}, to be safe ${say(figure.safe)}`;

function FigureLine({ name, value, origin }: { name: string; value: string; origin: Origin | null }) {
  return (
    <tr className="border-b border-hair">
      <th scope="row" className="py-1 pr-3 text-left font-normal text-soft">
        <Explained text={name} />
      </th>
      <td className="py-1 pr-3 font-semibold">{value}</td>
      <td
        className={`whitespace-nowrap py-1 text-right text-note ${origin === "label" ? "font-semibold text-verdigris" : "text-soft"}`}
      >
        {origin === "label" ? "your tin's label" : origin}
      </td>
    </tr>
  );
}

const percent = (value: number) => `${Math.round(value * 100)} %`;

function Figures({ material }: { material: Material }) {
  const { drying, windows, solubility } = material;
  const times: [string, Figure][] = [
    ["Touch dry", drying.touch],
    ["Recoat from", drying.recoat],
    ...(windows.recoatUntil ? ([["Recoat until, unscuffed", windows.recoatUntil]] as [string, Figure][]) : []),
    ...(windows.open ? ([["Stays open", windows.open]] as [string, Figure][]) : []),
    ...(windows.tack
      ? ([
          ["Tack from", windows.tack.opens],
          ["Tack until", windows.tack.shuts],
        ] as [string, Figure][])
      : []),
    ...(windows.buff
      ? ([
          ["Buff from", windows.buff.opens],
          ["Buff until", windows.buff.shuts],
        ] as [string, Figure][])
      : []),
    ...(windows.closed
      ? ([
          ["Do not recoat from", windows.closed.from],
          ["Recoat again from", windows.closed.until],
        ] as [string, Figure][])
      : []),
    ["Before wax or clear coat", drying.beforeClear],
    ["Full cure", drying.cure],
  ];
  const shares: [string, Figure][] = [
    ["Hides, one coat", material.contrastRatio],
    ["Absorbency", material.absorbency],
    ["Tooth for the next coat", material.tooth],
    ["Grip on slick ground", material.grip],
    ["Hardness", material.hardness],
    ["Gloss", material.gloss],
  ];
  return (
    <table className="mt-3 w-full">
      <caption className="sr-only">Figures for {material.name}, each with its origin</caption>
      <tbody>
        {times.map(([name, figure]) => (
          <FigureLine key={name} name={name} value={range(figure, shortDuration)} origin={figure.origin} />
        ))}
        <FigureLine
          name="Redissolves in"
          value={
            solubility
              ? `${solubility.by}, ${solubility.curve.at(-1)![1] > 0.05 ? "always" : `until ${shortDuration(solubility.curve.at(-1)![0])}`}`
              : "nothing"
          }
          origin={solubility?.origin ?? null}
        />
        <FigureLine
          name="Spreads"
          value={`${material.spreadingRate.typical} m²/L`}
          origin={material.spreadingRate.origin}
        />
        <FigureLine
          name="Solids by volume"
          value={`${material.volumeSolids.typical} %`}
          origin={material.volumeSolids.origin}
        />
        <FigureLine
          name={sheetOf(material) ? "A sheet" : "Density"}
          value={
            sheetOf(material)
              ? `${sheetOf(material)!.width} × ${sheetOf(material)!.height} mm`
              : `${densityOf(material)} g/ml`
          }
          origin={sheetOf(material) ? null : (material.density?.origin ?? "from memory")}
        />
        {shares.map(([name, figure]) => (
          <FigureLine key={name} name={name} value={percent(figure.typical)} origin={figure.origin} />
        ))}
        <FigureLine
          name="Also"
          value={[
            `carried by ${material.carrier}`,
            `takes ${material.wear} use`,
            material.tannin === "blocks" && "blocks tannin",
            material.yellows && "ambers whites",
            material.tarnishes && "tarnishes unsealed",
            material.underHeat !== "stands" && `${material.underHeat} under heat`,
            material.outdoors && "fit for outdoors",
          ]
            .filter(Boolean)
            .join(", ")}
          origin={null}
        />
      </tbody>
    </table>
  );
}

const LABEL_FIELDS = [
  ["touch", "Touch dry"],
  ["recoat", "Recoat from"],
  ["beforeClear", "Before wax or clear coat"],
  ["cure", "Full cure"],
] as const;

function LabelForm({ material }: { material: Material }) {
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

/** A material's colour: by picker, as a colour code, or by what one coat looks like over white and over black. */
function ColourForm({ material }: { material: Material }) {
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
              <Field name="overWhite" label="One coat over white" fault={faults.overWhite}>
                {(field) => (
                  <input {...field} type="text" maxLength={40} defaultValue={values?.overWhite ?? chart.overWhite} />
                )}
              </Field>
              <Field name="overBlack" label="and over black" fault={faults.overBlack}>
                {(field) => (
                  <input {...field} type="text" maxLength={40} defaultValue={values?.overBlack ?? chart.overBlack} />
                )}
              </Field>
              <button className="button">Use both</button>
            </>
          )}
        </EditForm>
      </div>
    </div>
  );
}

function sayHiding(material: Material): string {
  const { onChart: coats } = coatsToHide(material, "#6b4a2c");
  return coats === null
    ? "Never hides: what lies beneath shows through."
    : `Hides black and white in ${coats} ${coats === 1 ? "coat" : "coats"}.`;
}

export default function MaterialsView() {
  const { plan } = useJob();
  const [params] = useSearchParams();
  const [typed, setTyped] = useState("");
  const { materials: pinned } = plan.pinned;
  const all = [...pinned, ...CATALOGUE.filter((one) => !pinned.some((known) => known.id === one.id))];
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = all.filter((one) => words.every((word) => `${one.name} ${one.family}`.toLowerCase().includes(word)));
  const chosen = all.find((one) => one.id === params.get("material")) ?? shown[0];
  const isPinned = chosen !== undefined && pinned.includes(chosen);
  const inUse =
    chosen !== undefined &&
    plan.crusts.some((crust) => crust.steps.some((step) => materialsIn(step).includes(chosen.id)));
  const doubts = chosen ? nonsenseIn(chosen) : [];
  const link = (id: string) => {
    const next = new URLSearchParams(params);
    next.set("material", id);
    return `?${next}`;
  };
  return (
    <div className="panes" style={panes("minmax(0, 1fr) 500px")}>
      <section className="pane px-6 pt-4 pb-8 max-sm:px-4" aria-label="Materials">
        <div className="flex flex-wrap items-baseline gap-4">
          <h1 className="text-view">Materials</h1>
          <span className="flex-1 text-note text-soft">
            {all.length} known, {pinned.length} in this job
          </span>
          <SearchField
            label="Find a material"
            placeholder="Find: milk, wax, umber …"
            value={typed}
            onType={setTyped}
            className="!w-56"
          />
        </div>
        {(Object.keys(ROLE_TITLES) as Material["role"][]).map((role) => {
          const group = shown.filter((one) => one.role === role);
          if (group.length === 0) return null;
          return (
            <section key={role} aria-label={ROLE_TITLES[role]} className="mt-4">
              <h2 className="kicker border-b border-line pb-0.5 text-soft">{ROLE_TITLES[role]}</h2>
              <ul className="grid gap-x-5 sm:grid-cols-2">
                {group.map((one) => (
                  <li key={one.id}>
                    <Link
                      to={link(one.id)}
                      replace
                      preventScrollReset
                      aria-current={one === chosen ? "true" : undefined}
                      className={`flex min-h-9 items-center gap-2 border-b border-l-[3px] border-b-hair px-2 ${one === chosen ? "border-l-verdigris bg-board" : "border-l-transparent hover:bg-board/60"}`}
                    >
                      <Swatch material={one} />
                      <span className="min-w-0 flex-1 truncate font-medium">{one.name}</span>
                      <span className="shrink-0 text-note text-soft">
                        {pinned.includes(one) ? (one.copyOf ? "our own" : "in this job") : ""}
                      </span>
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
        {shown.length === 0 && <p className="mt-6 text-soft">Nothing matches. Try fewer letters, or a kind.</p>}
      </section>
      <SidePane
        label="Selected material"
        button={chosen?.name ?? "Material"}
        wake={params.get("material") ?? ""}
        className="px-5 py-4"
      >
        {chosen && (
          <>
            <div className="flex items-center gap-2.5">
              <Swatch material={chosen} size={34} />
              <div className="min-w-0 flex-1">
                <h2 className="text-view">{chosen.name}</h2>
                <p className="text-note text-soft">
                  {chosen.family}
                  {chosen.copyOf
                    ? `, copied from ${CATALOGUE.find((one) => one.id === chosen.copyOf)?.name ?? chosen.copyOf}`
                    : ""}
                </p>
              </div>
            </div>
            {doubts.length > 0 && (
              <ul className="mt-2 border-l-4 border-l-sienna bg-board px-3 py-2 text-note">
                {doubts.map(({ where, says }) => (
                  <li key={where}>{says}</li>
                ))}
              </ul>
            )}
            <div className="mt-3 flex gap-2">
              <EditForm does="own copy" about={{ materialId: chosen.id }} label={`Copy ${chosen.name}`}>
                <button className="button">Make our own copy</button>
              </EditForm>
              {isPinned && !inUse && (
                <EditForm does="unpin material" about={{ materialId: chosen.id }} label={`Remove ${chosen.name}`}>
                  <button className="button">Remove from this job</button>
                </EditForm>
              )}
            </div>
            <details className="mt-3 border-t border-line" open>
              <summary className="py-1.5 font-head text-lg font-semibold">Colour</summary>
              <ColourForm material={chosen} />
            </details>
            <details className="mt-3 border-t border-line" open={isPinned && chosen.copyOf !== undefined}>
              <summary className="py-1.5 font-head text-lg font-semibold">From my tin's label</summary>
              <p className="text-note text-soft">
                The label overrides every figure here. It applies to this job
                {isPinned ? "" : "; the material is added to it"}.
              </p>
              <LabelForm material={chosen} />
            </details>
            <Figures material={chosen} />
          </>
        )}
      </SidePane>
    </div>
  );
}
