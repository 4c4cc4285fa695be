import fc from "fast-check";
import { namedFixes } from "#core/judge/fixes";
import { judge } from "#core/judge/judge";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import type { Plan } from "#core/plan/plan";
import type { Room } from "#core/plan/room";
import { type ExampleStack, examplePlan } from "#core/rules/example";
import type { Finding } from "#core/rules/rule";
import { RULES } from "#core/rules/rules";
import { techniquesFor } from "#core/surface/techniques";
import { plan as anyPlan } from "../random-crusts";

/** A finding with the labels of its repairs. */
export interface SaidFinding extends Finding {
  repairs: string[];
}

const ROOMS: Partial<Room>[] = [
  { celsius: 17, relativeHumidity: 60 },
  { celsius: 6, relativeHumidity: 90 },
  {
    celsius: 20,
    relativeHumidity: 55,
    course: { kind: "day and night", night: { celsius: 9, relativeHumidity: 80 } },
  },
];

/** The example with each of its materials exchanged in turn for every other that goes on in the same way. */
function exchanged(example: ExampleStack): ExampleStack[] {
  return example.steps.flatMap(([how, what, more], position) => {
    const material = CATALOGUE.find(({ id }) => id === what);
    if (!material) return [];
    const fits = (other: Material) => other.id !== what && techniquesFor(other).some(({ id }) => id === how);
    return CATALOGUE.filter(fits).map((other) => ({
      ...example,
      steps: example.steps.map((step, index): ExampleStack["steps"][number] =>
        index === position ? (more ? [how, other.id, more] : [how, other.id]) : step,
      ),
    }));
  });
}

function plans(random: number): Plan[] {
  const examples = RULES.flatMap(({ examples: { clean, faulty } }) => [...clean, ...faulty]);
  return [
    ...examples.flatMap((example) => [example, ...exchanged(example)]).map(examplePlan),
    ...examples.flatMap((example) =>
      ROOMS.map((room) => examplePlan({ ...example, room: { ...example.room, ...room } })),
    ),
    ...fc.sample(anyPlan, { numRuns: random, seed: 11 }),
  ];
}

/** What the rules say over the whole catalogue, each wording once. */
export function allFindings(random = 600): SaidFinding[] {
  const found = new Map<string, SaidFinding>();
  for (const plan of plans(random))
    for (const zone of judge(plan).zones)
      for (const finding of zone.findings) {
        const key = `${finding.rule} ${finding.severity} ${finding.title} ${finding.because}`;
        if (!found.has(key))
          found.set(key, {
            ...finding,
            repairs: namedFixes(plan, finding).map(({ label, look }) => (look ? `${label} (${look})` : label)),
          });
      }
  return [...found.values()];
}
