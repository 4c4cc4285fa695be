import { absorbs, stepOf, THIRSTY, topName } from "../read-surface.ts";
import { sealFirst } from "../repair.ts";
import type { Rule } from "../rule.ts";

export const sizeOnThirstyPaint: Rule = {
  meta: {
    id: "L4",
    title: "Size needs a sealed base",
    reason:
      "On thirsty paint the size sinks in before it comes to tack: the leaf sticks in patches, and the dry ones brush off with the skewings.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  when: { lays: ["size"] },
  onFirstCoat: true,
  check(seam) {
    const thirsty = seam.seen.find(({ stack }) => absorbs(seam, stack) >= THIRSTY);
    if (!thirsty) return [];
    return [
      {
        severity: "caution",
        title: `The size may sink into the ${topName(seam, thirsty.stack)}`,
        because: "It is thirsty and unsealed. Seal it, or lay two coats of size and test the tack in several places.",
        lower: stepOf(thirsty.stack),
        fixes: (place) => sealFirst(place, seam.phase.step.id),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "size on sealed chalk-type paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-oxide-red", { coats: 2 }],
          ["brush", "shellac-sealer"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-genuine-gold"],
        ],
      },
    ],
    faulty: [
      {
        shows: "size straight on chalk-type paint",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "The size may sink into the oxide red chalk-type paint. It is thirsty and unsealed. Seal it, or lay two coats of size and test the tack in several places.",
            repairs: ["Seal it with satin clear coat first"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-oxide-red", { coats: 2 }],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-genuine-gold"],
        ],
      },
    ],
  },
};
