import { lightness } from "../../colour/difference.ts";
import { zoneArea } from "../../plan/plan.ts";
import { isTinted, stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const aBrushForDarkWax: Rule = {
  meta: {
    id: "H2",
    title: "Keep a brush for dark wax",
    reason:
      "Dark wax stays in the bristles for good and comes out in the next white. Offload to a plate so that the tin stays clean; use lint-free cloths, a dry one for every damp one.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["wax"] },
  check(seam) {
    const { material } = seam.phase;
    if (material?.binder !== "wax" || !isTinted(material) || lightness(material.colour) > 50) return [];
    if (seam.past.some(({ phase }) => phase.material?.binder === "wax" && isTinted(phase.material))) return [];
    return [
      {
        severity: "note",
        title: `Keep one brush for the ${named(material)}`,
        because: `Lay out a plate to offload on and about ${Math.max(3, Math.ceil(zoneArea(seam.zone) * 4))} clean cloths for ${seam.zone.name}.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "clear wax only",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "dark wax",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s2",
            says: "Keep one brush for the dark wax. Lay out a plate to offload on and about 3 clean cloths for Panel.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
          ["wax", "wax-dark"],
        ],
      },
    ],
  },
};
