import type { Material } from "../../materials/material.ts";
import type { Mix } from "../../plan/mix.ts";
import { mixed } from "../example.ts";
import { stepOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

/** Parts of a glaze that open well (common practice for a little more than half; the rest from memory). */
const GOOD_GLAZE: Mix = { by: "volume", parts: 70, with: [], thinner: 0 };

const isMedium = (material: Material) => material.family === "clear glaze medium";

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
  onFirstCoat: true,
  check(seam) {
    const { pot, step } = seam.phase;
    if (!pot || pot.parts.length < 2) return [];
    const medium = pot.parts.reduce((sum, part) => sum + (isMedium(part.material) ? part.share : 0), 0);
    const tint = pot.parts.filter((part) => !isMedium(part.material));
    const paint = tint.find((part) => part.material.role === "paint")?.material;
    if (!paint || !isMedium(pot.parts[0]!.material) || (medium > 0.5 && medium <= 0.9)) return [];
    return [
      {
        severity: "caution",
        title: medium > 0.9 ? "This glaze may hardly show" : "This glaze may set too fast to work",
        because: `It is ${Math.round(medium * 100)} % medium and ${Math.round((1 - medium) * 100)} % ${named(paint)}; from 60 : 40 to 80 : 20 works.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => [
          {
            label: "Mix it 70 : 30",
            commands: patchStep(place, step.id, { mix: { ...GOOD_GLAZE, with: [{ what: paint.id, parts: 30 }] } }),
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
          ["brush", "glaze-clear", { mix: mixed(70, "mineral-storm", 30) }],
          ["wipe-back"],
        ],
      },
    ],
    faulty: [
      {
        shows: "three parts medium to seven of paint",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "This glaze may set too fast to work. It is 30 % medium and 70 % storm blue acrylic mineral paint; from 60 : 40 to 80 : 20 works.",
            repairs: ["Mix it 70 : 30"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-clear", { mix: mixed(30, "mineral-storm", 70) }],
          ["wipe-back"],
        ],
      },
    ],
  },
};
