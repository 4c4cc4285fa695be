import { stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";

export const uprightFacesRun: Rule = {
  meta: {
    id: "G5",
    title: "Upright faces run",
    reason: "Glaze and wash gather at the lower edge and in the grooves, and dry there as runs.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  onFirstCoat: true,
  check(seam) {
    const { material, technique } = seam.phase;
    const runny = material?.role === "glaze" || technique.id === "wash";
    if (!material || !runny || seam.zone.orientation !== "upright") return [];
    const out = seam.zone.hands.includes("drawers out");
    if (out) return [];
    return [
      {
        severity: "note",
        title: "Runs are normal on an upright face: load less",
        because: `Knock the brush off, start at the top, and go back to the lower edges after five minutes. Drawers and doors can be taken off and laid flat.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a glaze on a top",
        ground: "raw timber",
        species: "pine",
        zone: { orientation: "flat" },
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]],
      },
    ],
    faulty: [
      {
        shows: "a glaze on an upright side",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s1",
            says: "Runs are normal on an upright face: load less. Knock the brush off, start at the top, and go back to the lower edges after five minutes. Drawers and doors can be taken off and laid flat.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]],
      },
    ],
  },
};
