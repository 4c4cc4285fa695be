import { cracksOver } from "../../surface/laws/laying.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital } from "../words.ts";

export const paintOnWetGlue: Rule = {
  meta: {
    id: "K7",
    title: "Over wet glue, few strokes",
    reason:
      "Glue cracks paint because it skins while the paint is wet. Every extra stroke mixes the two, and a mixture dries whole.",
    origin: "common practice",
    schools: [],
    subsumes: ["B1", "K3"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["paint"] },
  check(seam) {
    const { technique, step } = seam.phase;
    const material = seam.phase.material!;
    const glue = seam.films.find(
      ({ film }) => film.material.binder === "glue" && cracksOver(film, material, seam.at),
    )?.film;
    if (!glue || technique.rubbing <= 0.2) return [];
    return [
      {
        severity: "caution",
        title: `"${capital(technique.name)}" may work the paint into the glue`,
        because: "Lay it on thick with a full brush, one stroke beside the next, and leave it.",
        lower: glue.stepId,
        fixes: (place) => [
          { label: "Brush it in single strokes", commands: patchStep(place, step.id, { how: "brush" }) },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "single strokes into wet glue",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "craft-glue"],
          ["brush", "chalk-bone-white"],
        ],
      },
    ],
    faulty: [
      {
        shows: "cross-hatched into wet glue",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: '"Cross-hatch" may work the paint into the glue. Lay it on thick with a full brush, one stroke beside the next, and leave it.',
            repairs: ["Brush it in single strokes"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "craft-glue"],
          ["cross-hatch", "chalk-bone-white"],
        ],
      },
    ],
  },
};
