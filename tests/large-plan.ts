import { CATALOGUE } from "#core/materials/catalogue";
import { GROUND_KINDS, groundOf } from "#core/plan/ground";
import type { Plan } from "#core/plan/plan";
import { type ExampleStep, examplePlan } from "#core/rules/example";

/** Eight steps that a painter would repeat in a many-coats patina; nothing in them is a stop on raw timber. */
const PATINA: ExampleStep[] = [
  ["brush", "tint-base-walnut"],
  ["brush", "chalk-slate"],
  ["wet-distress"],
  ["brush", "clear-coat-matt"],
  ["brush", "milk-ochre", { where: { on: "everywhere", over: 0.6 }, intents: ["chips"] }],
  ["sand-220"],
  ["wash", "mineral-oyster"],
  ["brush", "clear-coat-satin"],
];

/** A plan of so many steps on so many zones with different grounds: the load that speed is measured under. */
export function largePlan(steps: number, zones: number): Plan {
  const list = Array.from({ length: steps }, (_, index) => PATINA[index % PATINA.length]!);
  const plan = examplePlan({ shows: "A many-coats patina", ground: "raw timber", species: "oak", steps: list });
  const zone = plan.pieces[0]!.zones[0]!;
  plan.pieces[0]!.zones = Array.from({ length: zones }, (_, index) => ({
    ...zone,
    id: `z${index + 1}`,
    name: `Zone ${index + 1}`,
    ground: groundOf(GROUND_KINDS[index % GROUND_KINDS.length]!, "oak", index % 4),
  }));
  plan.pinned.materials = [...CATALOGUE];
  return plan;
}
