import { coatsToHide } from "#core/colour/coats-to-hide";
import type { Material, Origin } from "#core/materials/material";
import { densityOf, sheetOf } from "#core/materials/measures";
import { shortDuration } from "#core/units/duration";
import { Explained } from "~/parts/term";

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

export function Figures({ material }: { material: Material }) {
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

export function sayHiding(material: Material): string {
  const { onChart: coats } = coatsToHide(material, "#6b4a2c");
  return coats === null
    ? "Never hides: what lies beneath shows through."
    : `Hides black and white in ${coats} ${coats === 1 ? "coat" : "coats"}.`;
}
