import { isTimber } from "../../plan/ground.ts";
import { metBefore } from "../read-surface.ts";
import { insertBefore } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, groundNamed, listed, named } from "../words.ts";

export const dirtyGround: Rule = {
  meta: {
    id: "A2",
    title: "Grease and old wax come off first",
    reason:
      "Years of handling, polish and kitchen air leave a film that no paint sticks to: it fish-eyes as it is laid, or peels in sheets later.",
    origin: "common practice",
    schools: [],
    subsumes: ["A3", "A1"],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  check(seam) {
    const { material, step } = seam.phase;
    if (!material || material.role === "wax" || !seam.seen.some((top) => top.stack === null)) return [];
    const { ground, contamination } = seam.before.ground;
    if (contamination.length === 0 || metBefore(seam, () => true)) return [];
    const needsSolvent = contamination.some((contaminant) => contaminant !== "grease");
    return [
      {
        severity: "stop",
        title: `${capital(named(material))} will crawl or peel on the ${groundNamed(ground)}`,
        because: `There is still ${listed(contamination)} on it.`,
        lower: "ground",
        fixes: (place) => [
          needsSolvent
            ? {
                label: isTimber(ground.kind) ? "Take the old wax off first" : "Wipe it off with solvent first",
                commands: insertBefore(place, step.id, [{ how: "dewax" }]),
              }
            : { label: "Clean the grease off first", commands: insertBefore(place, step.id, [{ how: "clean" }]) },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "old wax taken off before paint",
        ground: "waxed or oiled timber",
        species: "pine",
        steps: [["dewax"], ["scuff"], ["brush", "mineral-oyster"]],
      },
    ],
    faulty: [
      {
        shows: "paint on a waxed table",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "ground",
            says: "Oyster acrylic mineral paint will crawl or peel on the waxed or oiled pine. There is still grease and wax on it.",
            repairs: ["Take the old wax off first"],
          },
        ],
        ground: "waxed or oiled timber",
        species: "pine",
        steps: [["scuff"], ["brush", "mineral-oyster"]],
      },
      {
        shows: "paint on greasy varnish",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "ground",
            says: "Oyster acrylic mineral paint will crawl or peel on the varnished pine. There is still grease on it.",
            repairs: ["Clean the grease off first"],
          },
        ],
        ground: "varnished timber",
        species: "pine",
        steps: [["scuff"], ["brush", "mineral-oyster"]],
      },
    ],
  },
};
