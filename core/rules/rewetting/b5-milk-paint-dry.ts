import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

export const milkPaintDry: Rule = {
  meta: {
    id: "B5",
    title: "Distress milk paint dry",
    reason: "Casein hardly dissolves in water once it is dry: a damp cloth only streaks it and raises the grain.",
    origin: "common practice",
    schools: [],
    subsumes: ["B2", "B3"],
  },
  looksAt: ["take"],
  dependsOn: "films",
  when: { does: ["dissolve"] },
  check(seam) {
    const milk = seam.films.find(({ film }) => film.material.binder === "casein");
    if (!milk) return [];
    return [
      {
        severity: "caution",
        title: `${capital(named(milk.film.material))} may streak under a damp cloth`,
        because: "The cloth streaks it rather than wearing it. Milk paint is distressed dry.",
        lower: milk.film.stepId,
        fixes: (place) => [
          { label: "Sand it dry instead", commands: patchStep(place, seam.phase.step.id, { how: "sand-220" }) },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "milk paint sanded dry",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "milk-ochre"], ["sand-220"]],
      },
    ],
    faulty: [
      {
        shows: "milk paint rubbed wet",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Ochre milk paint may streak under a damp cloth. The cloth streaks it rather than wearing it. Milk paint is distressed dry.",
            repairs: ["Sand it dry instead"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "milk-ochre"], ["wet-distress"]],
      },
    ],
  },
};
