import { stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";

export const wipingMarks: Rule = {
  meta: {
    id: "W11",
    title: "The wiping can show",
    reason:
      "A cloth that turns back on the face leaves a curve in the wax, and it catches the light on a plain dark face. Paper towel leaves lint, which some do not mind.",
    origin: "common practice; schools differ",
    schools: ["wiping"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["wax"] },
  check(seam) {
    const { wiping } = seam.houseRules;
    if (wiping === "full length, off the edge" || seam.phase.where.on !== "everywhere") return [];
    const plain = seam.zone.relief.field > 0.85;
    if (!plain) return [];
    return [
      {
        severity: "note",
        title: "Curves from the cloth are normal on a plain face",
        because: `Your house rule wipes ${wiping === "circular" ? "in circles" : "any way"}. Finish along the grain and off over the edge.`,
        schools: "Others wipe in full lengths with a flat cloth that never turns back.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "wiped full length",
        ground: "raw timber",
        species: "pine",
        zone: { relief: { arris: 0.06, field: 0.94, high: 0, recess: 0 } },
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-dark"],
        ],
      },
    ],
    faulty: [
      {
        shows: "a plain top wiped in circles",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s1",
            says: "Curves from the cloth are normal on a plain face. Your house rule wipes in circles. Finish along the grain and off over the edge.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        houseRules: { wiping: "circular" },
        zone: { relief: { arris: 0.06, field: 0.94, high: 0, recess: 0 } },
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
  },
};
