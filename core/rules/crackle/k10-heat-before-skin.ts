import { tearsInWarmAir } from "../../surface/laws/turning.ts";
import { sayDuration } from "../../units/duration.ts";
import { isOpenWet } from "../read-surface.ts";
import { waitBefore, withIntent } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

/** From this many usual coats a coat is thick (from memory). */
const THICK = 1.3;

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
    const wet = seam.tops.find(({ stack }) => {
      const below = stack?.below?.film.material;
      return (
        stack !== null &&
        ((below?.role === "medium" && isOpenWet(seam, stack.film)) || tearsInWarmAir(stack.film, seam.at))
      );
    })?.stack;
    if (!wet) return [];
    const laid = seam.past.find(({ phase }) => phase.id === wet.film.phaseId)?.phase;
    const meant = laid?.intents.some((intent) => intent === "cracks" || intent === "chips") ?? false;
    if (wet.film.material.binder === "casein" && !meant && (laid?.load ?? 1) >= THICK)
      return [
        {
          severity: "caution",
          title: `The thick ${named(wet.film.material)} may crack in warm air`,
          because: "Its skin dries first and tears over what is still wet beneath. Thin coats stand it.",
          lower: wet.film.stepId,
          fixes: (place) => [
            {
              label: "Let it skin first",
              commands: waitBefore(place, seam.phase.step.id, wet.film.material.drying.touch.safe),
            },
            {
              label: "I want the cracks",
              commands: withIntent(place, wet.film.stepId, "cracks"),
              look: "coarse cracks",
            },
          ],
        },
      ];
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
        finds: [
          {
            severity: "note",
            at: "s4",
            over: "s3",
            says: "Warm air now gives coarse cracks. The oyster acrylic mineral paint has not skinned; for fine ones, wait 1 h.",
            repairs: ["Let it skin first"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm"], ["brush", "crackle-medium"], ["brush", "mineral-oyster"], ["hair-dryer"]],
      },
    ],
  },
};
