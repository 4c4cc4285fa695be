import { absorbs, isTinted, THIRSTY, topName } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const missedSlipCoat: Rule = {
  meta: {
    id: "D3",
    title: "A missed patch of slip coat shows",
    reason: "Where the clear glaze was missed the tint grabs at once, as a dark freckle that cannot be wiped out.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["glaze"] },
  onFirstCoat: true,
  check(seam) {
    const material = seam.phase.material!;
    if (!isTinted(material)) return [];
    const slip = seam.pairs.find(
      ({ stack }) => stack?.film.material.family === "clear glaze medium" && absorbs(seam, stack.below) >= THIRSTY,
    )?.stack;
    if (!slip) return [];
    const under = slip.below;
    return [
      {
        severity: "note",
        title: "Look for misses in the slip coat before the tint",
        because: `Seen against the light, a miss is dull on the ${topName(seam, under)}; the ${named(material)} grabs there.`,
        lower: slip.film.stepId,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "glaze on sealing paint",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]],
      },
    ],
    faulty: [
      {
        shows: "glaze on a slip coat over chalk paint",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s2",
            says: "Look for misses in the slip coat before the tint. Seen against the light, a miss is dull on the bone white chalk-type paint; the raw umber glaze grabs there.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["brush", "glaze-clear", { wait: { kind: "at least", minutes: 1440 } }],
          ["brush", "glaze-umber"],
          ["wipe-back"],
        ],
      },
    ],
  },
};
