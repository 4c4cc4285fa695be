import { stepOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

/** The first share of a ratio like "60 : 40", or null if it is not one. */
function firstShare(ratio: string | undefined): number | null {
  const parts = /^\s*(\d+(?:[.,]\d+)?)\s*:\s*(\d+(?:[.,]\d+)?)/.exec(ratio ?? "");
  if (!parts) return null;
  const [one, two] = [Number(parts[1]!.replace(",", ".")), Number(parts[2]!.replace(",", "."))];
  return one + two > 0 ? one / (one + two) : null;
}

export const moreMediumThanPaint: Rule = {
  meta: {
    id: "G4",
    title: "A glaze is more medium than paint",
    reason:
      "A little over half medium, up to four fifths, keeps it clear and open. With more paint it is only thin paint.",
    origin: "common practice for a little more than half; 80 : 20 is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["glaze"] },
  check(seam) {
    const { material, step } = seam.phase;
    if (material?.family !== "clear glaze medium" || !seam.phase.with || seam.phase.coat > 1) return [];
    const medium = firstShare(step.ratio);
    if (medium === null || (medium > 0.5 && medium <= 0.9)) return [];
    return [
      {
        severity: "caution",
        title: medium > 0.9 ? "This glaze may hardly show" : "This glaze may set too fast to work",
        because: `It is ${Math.round(medium * 100)} % medium and ${Math.round((1 - medium) * 100)} % ${named(seam.phase.with)}; from 60 : 40 to 80 : 20 works.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => [
          {
            label: "Mix it 70 : 30",
            commands: patchStep(place, step.id, { ratio: "70 : 30" }),
            look: medium > 0.9 ? "stronger" : "clearer, and open for longer",
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "seven parts medium to three of paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-clear", { with: "mineral-storm", ratio: "70 : 30" }],
          ["wipe-back"],
        ],
      },
    ],
    faulty: [
      {
        shows: "three parts medium to seven of paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-clear", { with: "mineral-storm", ratio: "30 : 70" }],
          ["wipe-back"],
        ],
      },
    ],
  },
};
