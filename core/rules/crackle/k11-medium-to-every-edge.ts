import { stepOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";

export const mediumToEveryEdge: Rule = {
  meta: {
    id: "K11",
    title: "Take the medium to every edge, or bare spots stay whole",
    reason: "Paint beside the medium dries without a crack, and the border between the two shows clearly.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["medium"] },
  onFirstCoat: true,
  check(seam) {
    const { step, where } = seam.phase;
    if (where.on === "everywhere" && where.share >= 1) return [];
    return [
      {
        severity: "note",
        title: "Where the medium stops, the cracks stop",
        because: "It does not cover the whole face. Feather its borders, or they show as a line in the cracks.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => [
          {
            label: "Take it to every edge",
            commands: patchStep(place, step.id, { where: { on: "everywhere", over: 1 } }),
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "medium everywhere",
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
        shows: "medium on two thirds",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s1",
            says: "Where the medium stops, the cracks stop. It does not cover the whole face. Feather its borders, or they show as a line in the cracks.",
            repairs: ["Take it to every edge"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium", { where: { on: "everywhere", over: 0.65 } }],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
  },
};
