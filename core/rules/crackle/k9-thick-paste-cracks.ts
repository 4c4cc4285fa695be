import { dryFilm } from "../../quantity/spread.ts";
import { stepOf } from "../read-surface.ts";
import { patchStep, withIntent } from "../repair.ts";
import type { Rule } from "../rule.ts";

/** Above this a coat of paste cracks as it dries (from memory). */
const CRACKS_ABOVE = 1000;

export const thickPasteCracks: Rule = {
  meta: {
    id: "K9",
    title: "Thick paste cracks as it dries",
    reason:
      "It shrinks from the top down. Laid thick in one session it splits like mud: a fine crust if you want it, a fault if you do not.",
    origin: "common practice; the limit of 1 mm is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["paste"] },
  check(seam) {
    const { step, intents } = seam.phase;
    const material = seam.phase.material!;
    if (seam.phase.coat < seam.phase.coats) return [];
    const thick = dryFilm(material) * seam.phase.load * seam.phase.coats;
    const wanted = intents.includes("cracks");
    if (thick <= CRACKS_ABOVE)
      return wanted
        ? [
            {
              severity: "caution",
              title: "Paste this thin may dry whole",
              because: `It dries to ${(thick / 1000).toFixed(1)} mm; it splits above about ${CRACKS_ABOVE / 1000} mm.`,
              lower: stepOf(seam.tops[0]?.stack ?? null),
              part: "thin",
              fixes: (place) => [
                {
                  label: "Lay it twice as thick",
                  commands: patchStep(place, step.id, { coats: Math.min(12, step.coats * 2) }),
                  look: "splits like mud",
                },
              ],
            },
          ]
        : [];
    return [
      {
        severity: wanted ? "note" : "caution",
        title: wanted ? "The paste should split as it dries, as you want" : "Paste this thick may split as it dries",
        because: `${seam.phase.coats > 1 ? `${seam.phase.coats} coats dry` : "It dries"} to ${(thick / 1000).toFixed(1)} mm; it splits above about ${CRACKS_ABOVE / 1000} mm.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) =>
          wanted
            ? []
            : [
                { label: "Lay it thinner", commands: patchStep(place, step.id, { coats: 1 }), look: "less relief" },
                {
                  label: "I want the splits",
                  commands: withIntent(place, step.id, "cracks"),
                  look: "splits like mud",
                },
              ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "paste at six tenths of a millimetre",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["trowel", "texture-paste"],
          ["brush", "mineral-storm"],
        ],
      },
    ],
    faulty: [
      {
        shows: "paste in three coats",
        finds: [
          {
            severity: "caution",
            at: "s1",
            over: "s1",
            says: "Paste this thick may split as it dries. 3 coats dry to 1.8 mm; it splits above about 1 mm.",
            repairs: ["Lay it thinner", "I want the splits"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["trowel", "texture-paste", { coats: 3 }],
          ["brush", "mineral-storm"],
        ],
      },
    ],
  },
};
