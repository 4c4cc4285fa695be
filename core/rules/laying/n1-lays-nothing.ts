import { isReliefClass, RELIEF_CLASSES, type ReliefClass } from "../../plan/plan.ts";
import { TRACE } from "../../surface/film.ts";
import { lawOf } from "../../surface/laws/laws.ts";
import type { Phase } from "../../surface/phase.ts";
import { isSimple } from "../../surface/places.ts";
import { techniquesFor } from "../../surface/techniques.ts";
import { stepOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

const PLACE: Record<ReliefClass, string> = {
  arris: "on the arrises",
  field: "on the flats",
  high: "on what stands proud",
  recess: "in the grooves",
};

/** Whether a laying leaves more than a trace on a relief class. */
const reaches = ({ effects }: Phase, relief: ReliefClass) =>
  effects.some((effect) => {
    const law = lawOf(effect);
    return law.way === "lays" && law.amount(effect, relief, { drawnBy: 0, soaked: false }) >= TRACE;
  });

export const laysNothing: Rule = {
  meta: {
    id: "N1",
    title: "A tool lays only where it reaches",
    reason:
      "A dry brush, a finger and a stamp touch what stands proud, and a roller rides over grooves. Where a tool does not reach, nothing comes to lie, however much is on it.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  onFirstCoat: true,
  check(seam) {
    const { phase } = seam;
    const { material, technique, step } = phase;
    const { on } = phase.where;
    if (!material || !RELIEF_CLASSES.some((relief) => reaches(phase, relief))) return [];
    if (!isSimple(phase.where) || !isReliefClass(on) || reaches(phase, on)) return [];
    const other = techniquesFor(material).find(({ id, profile }) => id !== technique.id && profile[on] > 0);
    return [
      {
        severity: "caution",
        title: `"${technique.name}" may lay nothing ${PLACE[on]}`,
        because: `It does not reach there: of the ${named(material)}, no more than a trace would lie.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => [
          ...(other
            ? [
                {
                  label: `Lay it with "${other.name}" instead`,
                  commands: patchStep(place, step.id, { how: other.id }),
                },
              ]
            : []),
          {
            label: "Lay it on what stands proud instead",
            commands: patchStep(place, step.id, { where: { on: "high", over: step.where.over } }),
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a dry brush over everything",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-bottle", { coats: 2 }],
          ["dry-brush", "mineral-oyster"],
        ],
      },
      {
        shows: "a dry brush on the beads",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-bottle", { coats: 2 }],
          ["dry-brush", "mineral-oyster", { where: { on: "high", over: 1 } }],
        ],
      },
    ],
    faulty: [
      {
        shows: "a dry brush in the grooves",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: '"Dry-brush" may lay nothing in the grooves. It does not reach there: of the oyster acrylic mineral paint, no more than a trace would lie.',
            repairs: ['Lay it with "Brush" instead', "Lay it on what stands proud instead"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-bottle", { coats: 2 }],
          ["dry-brush", "mineral-oyster", { where: { on: "recess", over: 1 } }],
        ],
      },
    ],
  },
};
