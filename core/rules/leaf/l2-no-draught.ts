import { stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";

export const noDraught: Rule = {
  meta: {
    id: "L2",
    title: "Lay leaf in still air",
    reason: "A breath folds a sheet of leaf, and a folded sheet is lost.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["leaf"] },
  check(seam) {
    if (!seam.room.draught) return [];
    return [
      {
        severity: "caution",
        title: "A draught may fold the leaf",
        because: "The room is set as draughty. Shut doors and windows, switch off fans, and turn away to breathe.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "leaf in still air",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-genuine-gold"],
        ],
      },
    ],
    faulty: [
      {
        shows: "leaf with the fan on",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "A draught may fold the leaf. The room is set as draughty. Shut doors and windows, switch off fans, and turn away to breathe.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        room: { draught: true },
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-genuine-gold"],
        ],
      },
    ],
  },
};
