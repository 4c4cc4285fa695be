import { openFrom, type Range } from "../../drying/gate.ts";
import type { Material } from "../../materials/material.ts";
import type { HouseRules } from "../../plan/house-rules.ts";
import { sayDuration } from "../../units/duration.ts";
import { HOUR } from "../../units/units.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

/** When the next coat may go over this one, by the school followed. */
function recoatFrom(material: Material, houseRules: HouseRules): Range {
  if (material.family === "milk paint" && houseRules.milkRecoat === "label, 2 h")
    return { typical: 2 * HOUR, safe: 2 * HOUR };
  return material.drying.recoat;
}

export const recoat: Rule = {
  meta: {
    id: "C1",
    title: "Let the coat below dry",
    reason: "A coat laid too early drags the one beneath, wrinkles, and dries slowly all the way down.",
    origin: "the recoat figure of each material",
    schools: ["milkRecoat"],
    subsumes: [],
  },
  looksAt: ["coat"],
  demands(seam) {
    const { material, step } = seam.phase;
    if (!material || material.role === "wax") return [];
    return seam.films.flatMap(({ film }) => {
      const below = film.material;
      // wax is never painted over by waiting, tack has a window of its own, and a clear coat waits by its own rule
      if (
        below.binder === "wax" ||
        (below.windows.tack && !film.spent) ||
        (material.role === "clear" && below.role !== "clear")
      )
        return [];
      const opens = recoatFrom(below, seam.houseRules);
      return [
        {
          rule: "C1",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates: [openFrom("recoat", opens)],
          reason: "recoat",
          tell: (verdict, waited) =>
            verdict === "late"
              ? null
              : {
                  severity: waited < below.drying.touch.typical ? "stop" : "caution",
                  title: `${capital(named(below))} is not ready for the next coat`,
                  because: `It has had ${sayDuration(waited)} and needs ${sayDuration(opens.safe)}: the brush would drag it.`,
                  schools:
                    below.family === "milk paint"
                      ? "Milk paint is recoated after 2 h by some labels, after 12 h by careful shops."
                      : undefined,
                  lower: film.stepId,
                  fixes: (place) => [
                    { label: "Wait until it is ready", commands: patchStep(place, step.id, { wait: null }) },
                  ],
                },
        },
      ];
    });
  },
  examples: {
    clean: [
      {
        shows: "coats that follow when dry",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "chalk-bone-white"],
        ],
      },
    ],
    faulty: [
      {
        shows: "the second colour after ten minutes",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "chalk-bone-white", { wait: { kind: "exactly", minutes: 10 } }],
        ],
      },
    ],
  },
};
