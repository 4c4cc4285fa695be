import type { Measured } from "#core/board/shares";
import { shownInAll } from "#core/board/shares";
import { bodyColour } from "#core/colour/material-colour";
import type { ZoneJudgement } from "#core/judge/judge";
import { RELIEF_CLASSES, type ReliefClass } from "#core/plan/plan";
import { groundNamed, named } from "#core/rules/words";
import { Term } from "~/parts/term";

const WORTH_A_LINE = 0.01;
const TERMS: Record<ReliefClass, string> = { arris: "Arris", field: "Field", high: "Bead", recess: "Groove" };
const HEADS: Record<ReliefClass, string> = { arris: "arris", field: "field", high: "bead", recess: "groove" };

const percent = (share: number | undefined) => {
  const value = Math.round(100 * (share ?? 0));
  return value === 0 ? "·" : `${value}`;
};

/** What shows of each layer, by relief class and of the whole picture, as measured on it. */
export function ShowsTable({ measured, judged }: { measured: Measured; judged: ZoneJudgement }) {
  const { shown, classes } = measured;
  const { zone, phases } = judged;
  const all = shownInAll(shown, classes);
  const materials = new Map(phases.flatMap(({ phase }) => (phase.material ? [[phase.step.id, phase.material]] : [])));
  const rows = [...all].filter(([, share]) => share >= WORTH_A_LINE).sort((a, b) => b[1] - a[1]);
  return (
    <table className="w-full" data-shows="">
      <caption className="sr-only">What shows, as a percentage of each relief class</caption>
      <thead>
        <tr className="border-b border-line text-note text-soft">
          <th scope="col" className="py-1 text-left font-normal">
            What shows, %
          </th>
          <th scope="col" className="w-8 text-right font-semibold text-ink">
            all
          </th>
          {RELIEF_CLASSES.map((name) => (
            <th key={name} scope="col" className="w-11 text-right font-normal">
              <Term of={TERMS[name]}>{HEADS[name]}</Term>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([key, share]) => {
          const material = materials.get(key);
          return (
            <tr key={key} className="border-b border-hair">
              <th
                scope="row"
                className="max-w-0 truncate py-1 pr-2 text-left font-normal"
                title={material ? material.name : undefined}
              >
                <span
                  className="mr-2 inline-block size-2.5 rounded-full border border-edge align-baseline"
                  style={{ background: material ? bodyColour(material) : zone.ground.colour }}
                  aria-hidden="true"
                />
                {material ? named(material) : groundNamed(zone.ground)}
              </th>
              <td className="text-right font-semibold">{percent(share)}</td>
              {RELIEF_CLASSES.map((name) => (
                <td key={name} className="text-right text-soft">
                  {classes[name] > 0 ? percent(shown[name].get(key)) : ""}
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
