import { tearsInWarmAir } from "../../surface/laws/turning.ts";
import { sayDuration } from "../../units/duration.ts";
import { isOpenWet } from "../read-surface.ts";
import { waitBefore } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const heatBeforeSkin: Rule = {
  meta: {
    id: "K10",
    title: "Heat before the film has skinned gives coarse cracks",
    reason: "Warm air skins the top of the wet film while the rest still moves, and it tears in wide pieces.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["help"],
  dependsOn: "films",
  when: { does: ["force dry"] },
  check(seam) {
    if (!seam.phase.does.has("force dry")) return [];
    const wet = seam.tops.find(({ stack }) => {
      const below = stack?.below?.film.material;
      return (
        stack !== null &&
        ((below?.role === "medium" && isOpenWet(seam, stack.film)) || tearsInWarmAir(stack.film, seam.at))
      );
    })?.stack;
    if (!wet) return [];
    return [
      {
        severity: "note",
        title: "Warm air now gives coarse cracks",
        because: `The ${named(wet.film.material)} has not skinned; for fine ones, wait ${sayDuration(wet.film.material.drying.touch.typical)}.`,
        lower: wet.film.stepId,
        fixes: (place) => [
          {
            label: "Let it skin first",
            commands: waitBefore(place, seam.phase.step.id, wet.film.material.drying.touch.safe),
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "warm air on plain paint",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm"], ["hair-dryer"]],
      },
    ],
    faulty: [
      {
        shows: "warm air at once over crackle medium",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm"], ["brush", "crackle-medium"], ["brush", "mineral-oyster"], ["hair-dryer"]],
      },
    ],
  },
};
