import { bodyColour } from "#core/colour/material-colour";
import { surfaceAfter, type ZoneJudgement } from "#core/judge/judge";
import { RELIEF_CLASSES, type ReliefClass } from "#core/plan/plan";
import { groundNamed, named } from "#core/rules/words";
import { shows } from "#core/surface/shares";
import type { Surface } from "#core/surface/surface";
import { Term } from "./term";

const OPENS = new Set(["dissolve", "abrade", "chip", "scrape", "thin", "lift"]);
const CLASS_WORDS: Record<ReliefClass, string> = { arris: "Arris", field: "Field", high: "Bead", recess: "Groove" };
const LEAST = 0.02;

const only = (relief: ReliefClass) => ({ arris: 0, field: 0, high: 0, recess: 0, [relief]: 1 });

interface Part {
  key: string;
  name: string;
  colour: string;
  before: number;
  after: number;
}

function partsOf(judged: ZoneJudgement, before: Surface, after: Surface, relief: ReliefClass): Part[] {
  const layers = new Map(
    judged.phases.flatMap(({ phase }) =>
      phase.material
        ? [[phase.step.id, { name: named(phase.material), colour: bodyColour(phase.material) }] as const]
        : [],
    ),
  );
  const [was, is] = [shows(before, only(relief)), shows(after, only(relief))];
  return [...new Set([...was.keys(), ...is.keys()])]
    .map((key) => ({
      key,
      ...(layers.get(key) ?? { name: groundNamed(judged.zone.ground), colour: judged.zone.ground.colour }),
      before: was.get(key) ?? 0,
      after: is.get(key) ?? 0,
    }))
    .filter((part) => part.after >= LEAST)
    .sort((a, b) => b.after - a.after);
}

/** The phase of a step that removes something, with its place in the line; null if the step lays or prepares. */
function takingAt(judged: ZoneJudgement, stepId: string | null): number | null {
  const at = judged.phases.findIndex(({ phase }) => phase.step.id === stepId);
  const phase = judged.phases[at]?.phase;
  return phase && !phase.material && [...phase.does].some((does) => OPENS.has(does)) ? at : null;
}

/** The surface as a distressing step leaves it, and per relief class the layer it exposes most; for the section. */
export function reachOnSection(judged: ZoneJudgement, stepId: string | null) {
  const at = takingAt(judged, stepId);
  if (at === null) return null;
  const [before, after] = [surfaceAfter(judged, at - 1), surfaceAfter(judged, at)];
  const opened = new Map<ReliefClass, Part>();
  for (const relief of RELIEF_CLASSES) {
    const most = partsOf(judged, before, after, relief)
      .filter((part) => part.after - part.before > LEAST)
      .sort((a, b) => b.after - b.before - (a.after - a.before))[0];
    if (most) opened.set(relief, most);
  }
  return { after, opened };
}

/** What a step exposes, by relief class: what shows there before and after it. */
export function DistressReach({ judged, stepId }: { judged: ZoneJudgement; stepId: string }) {
  const at = takingAt(judged, stepId);
  if (at === null) return null;
  const [before, after] = [surfaceAfter(judged, at - 1), surfaceAfter(judged, at)];
  return (
    <section aria-label="What it exposes" className="border-y border-line py-2" data-reach="">
      <h3 className="text-[0.9375rem]">What it exposes</h3>
      <table className="mt-1 w-full text-note">
        <tbody>
          {RELIEF_CLASSES.filter((relief) => judged.zone.relief[relief] > 0).map((relief) => {
            const parts = partsOf(judged, before, after, relief);
            const opened = parts.filter((part) => part.after - part.before > LEAST);
            return (
              <tr key={relief} className="border-t border-hair">
                <th scope="row" className="w-14 py-1 pr-2 text-left align-top font-normal text-soft">
                  <Term of={CLASS_WORDS[relief]} />
                </th>
                <td className="w-24 py-1 pr-2 align-top">
                  <span className="flex h-3.5 overflow-hidden rounded-std border border-edge" aria-hidden="true">
                    {parts.map((part) => (
                      <span key={part.key} style={{ flexGrow: part.after, background: part.colour }} />
                    ))}
                  </span>
                </td>
                <td className="py-1">
                  {opened.length === 0
                    ? "unchanged"
                    : opened.map((part) => `${part.name} ${Math.round(part.after * 100)} %`).join(", ")}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
