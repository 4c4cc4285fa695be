import { isResist, isWax } from "../read-surface.ts";
import { insertBefore, isTakenOff, leaveOut, moveBefore, withIntent } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

export const nothingAfterWax: Rule = {
  meta: {
    id: "W6",
    title: "Nothing water-borne after wax",
    reason:
      "Once a face is waxed, painting is over. To mend a spot that lifted: let it dry, take the wax off the spot, touch up, let dry, wax again.",
    origin: "common practice",
    schools: [],
    subsumes: ["A1", "A3"],
  },
  looksAt: ["coat", "take"],
  dependsOn: "films",
  check(seam) {
    const { material, step, technique } = seam.phase;
    const wet = material?.carrier === "water" || technique.wets === "water";
    if (!wet) return [];
    const waxed = seam.seen.filter((top) => isWax(top.stack) && !isResist(top.stack!.film));
    const top = waxed[0]?.stack;
    if (!top) return [];
    const share = waxed.reduce((sum, top) => sum + top.share, 0);
    const wax = named(top.film.material);
    return [
      {
        severity: material ? "stop" : "caution",
        title: material ? `${capital(named(material))} will not stick to the ${wax}` : `Water may run off the ${wax}`,
        because: material
          ? `The wax lies over ${sayShare(share)}; a water-borne coat beads on it and rubs off.`
          : `"${capital(technique.name)}" reaches nothing under the wax, which lies over ${sayShare(share)}.`,
        schools: material ? "Some wax under paint on purpose, as a resist: mark it as one." : undefined,
        lower: top.film.stepId,
        fixes: (place) => [
          { label: `Do it before the ${wax}`, commands: moveBefore(place, step.id, top.film.stepId) },
          ...(technique.mends
            ? [
                {
                  label: "Take the wax off the spot first",
                  commands: insertBefore(place, step.id, [{ how: "dewax", where: step.where }]),
                  look: "the spot is waxed again afterwards",
                },
              ]
            : []),
          ...(material && isTakenOff(place, seam.phase)
            ? [
                {
                  label: "The wax is a resist: the paint is meant to come away",
                  commands: withIntent(place, top.film.stepId, "resist"),
                  look: "what lies under the wax will show",
                },
              ]
            : []),
          { label: "Remove this step", commands: leaveOut(place, step.id) },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "all painting before wax",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wash", "mineral-oyster"],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "a wash over waxed paint",
        finds: [
          {
            severity: "stop",
            at: "s3",
            over: "s2",
            says: "Oyster acrylic mineral paint will not stick to the clear paste wax. The wax lies over all of the surface; a water-borne coat beads on it and rubs off.",
            repairs: ["Do it before the clear paste wax", "Remove this step"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
          ["wash", "mineral-oyster"],
        ],
      },
      {
        shows: "wet distressing after waxing",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: 'Water may run off the clear paste wax. "Wet distress" reaches nothing under the wax, which lies over all of the surface.',
            repairs: ["Do it before the clear paste wax", "Remove this step"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm"], ["wax", "wax-clear"], ["wet-distress"]],
      },
    ],
  },
};
