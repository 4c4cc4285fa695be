import { sayDuration } from "../../units/duration.ts";
import { isTinted, isWax } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const secondClearWax: Rule = {
  meta: {
    id: "W10",
    title: "A second clear wax fills in misses; it does not darken",
    reason: "Where the first coat took, the paint is full. Only the misses still take wax, and darken to match.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["wax"] },
  check(seam) {
    const { material } = seam.phase;
    if (material?.role !== "wax" || isTinted(material)) return [];
    const first = seam.seen.find(
      ({ stack }) => isWax(stack) && !isTinted(stack!.film.material) && stack!.film.phaseId !== seam.phase.id,
    )?.stack;
    if (!first) return [];
    return [
      {
        severity: "note",
        title: "The second clear wax only evens the first",
        because: `It darkens where the ${named(first.film.material)} missed, and adds a little sheen; leave ${sayDuration(first.film.material.drying.recoat.safe)} between.`,
        lower: first.film.stepId,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "one clear wax",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "two clear waxes",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear", { coats: 2 }],
        ],
      },
    ],
  },
};
