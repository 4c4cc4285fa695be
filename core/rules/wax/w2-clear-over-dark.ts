import { isTinted, isWax } from "../read-surface.ts";
import { leaveOut, moveBefore } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const clearOverDark: Rule = {
  meta: {
    id: "W2",
    title: "Clear wax over dark lifts some of the dark",
    reason: "The solvent in the clear wax softens the tint beneath and the cloth carries it off.",
    origin: "common practice; schools differ",
    schools: ["lastWax"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["wax"] },
  check(seam) {
    const { step } = seam.phase;
    const material = seam.phase.material!;
    if (isTinted(material)) return [];
    const top = seam.seen.find(({ stack }) => isWax(stack) && isTinted(stack!.film.material))?.stack;
    if (!top) return [];
    const finishing = seam.houseRules.lastWax === "thin clear over all";
    const never = seam.houseRules.lastWax === "never clear over dark";
    const lifts = finishing ? "lifts" : never ? "will lift" : "may lift";
    const dark = named(top.film.material);
    return [
      {
        severity: finishing ? "note" : never ? "stop" : "caution",
        title: `Clear wax ${lifts} some of the ${dark}`,
        because: finishing
          ? "Keep it thin and do not rub: your house rule finishes with clear wax over all."
          : `Your house rule: ${seam.houseRules.lastWax}.`,
        schools: finishing ? "Others never put clear over dark." : "Some finish with a thin clear wax over all.",
        lower: top.film.stepId,
        fixes: (place) =>
          finishing
            ? []
            : [
                {
                  label: `Move the clear wax under the ${dark}`,
                  commands: moveBefore(place, step.id, top.film.stepId),
                  look: "the dark stays as strong as it was laid",
                },
                { label: "Leave out the last clear wax", commands: leaveOut(place, step.id) },
              ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "dark goes last",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["wax", "wax-clear"],
          ["wax", "wax-dark"],
        ],
      },
    ],
    faulty: [
      {
        shows: "clear wax over dark",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "Clear wax may lift some of the dark wax. Your house rule: dark goes last.",
            repairs: ["Move the clear wax under the dark wax", "Leave out the last clear wax"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["wax", "wax-dark"],
          ["wax", "wax-clear"],
        ],
      },
    ],
  },
};
