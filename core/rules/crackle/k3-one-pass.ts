import type { Film } from "../../surface/film.ts";
import { cracksOver } from "../../surface/laws/laying.ts";
import { patchStep } from "../repair.ts";
import type { FilmSeam, Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

/** From this rubbing a technique goes over the same place twice. */
const GOES_BACK = 0.25;

const underCracks = (seam: FilmSeam): Film | null => {
  const { material } = seam.phase;
  if (material?.role !== "paint") return null;
  return seam.films.find(({ film }) => cracksOver(film, material, seam.at))?.film ?? null;
};

export const onePass: Rule = {
  meta: {
    id: "K3",
    title: "Over crackle, one pass and no going back",
    reason:
      "The medium floats as the paint wets it. A second stroke drags skin and medium together and closes the cracks; they follow the stroke.",
    origin: "common practice",
    schools: [],
    subsumes: ["B1"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["paint"] },
  check(seam) {
    const { technique, step } = seam.phase;
    const medium = underCracks(seam);
    if (!medium || medium.material.binder === "glue" || technique.rubbing < GOES_BACK) return [];
    return [
      {
        severity: "caution",
        title: `"${capital(technique.name)}" may close the cracks`,
        because: `It goes over the same place twice. On ${named(medium.material)}, lay each stroke once, the same way as the medium.`,
        lower: medium.stepId,
        fixes: (place) => [
          {
            label: "Brush it in single strokes",
            commands: patchStep(place, step.id, { how: "brush" }),
            look: "cracks along the stroke",
          },
          {
            label: "Roll it",
            commands: patchStep(place, step.id, { how: "roller" }),
            look: "cracks in all directions, finer",
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "one stroke over the medium",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
    faulty: [
      {
        shows: "cross-hatched over the medium",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: '"Cross-hatch" may close the cracks. It goes over the same place twice. On crackle medium, lay each stroke once, the same way as the medium.',
            repairs: ["Brush it in single strokes", "Roll it"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium"],
          ["cross-hatch", "mineral-oyster"],
        ],
      },
    ],
  },
};
