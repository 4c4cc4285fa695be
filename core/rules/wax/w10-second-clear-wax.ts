import { openFrom } from "../../drying/gate.ts";
import { sayDuration } from "../../units/duration.ts";
import { isTinted, isWax } from "../read-surface.ts";
import { dropWait } from "../repair.ts";
import type { Demand, Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

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
  demands(seam) {
    const { step } = seam.phase;
    const material = seam.phase.material!;
    if (isTinted(material)) return [];
    return seam.films
      .filter(({ film }) => film.material.binder === "wax" && !isTinted(film.material))
      .map(
        ({ film }): Demand => ({
          rule: "W10",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates: [openFrom("recoat", film.material.drying.recoat)],
          reason: "first wax set",
          tell: ({ verdict, waited, ...at }) =>
            verdict === "late"
              ? null
              : {
                  severity: "caution",
                  title: `The second wax may drag off the ${named(film.material)}`,
                  because: `${sayHad(waited)}, and needs ${sayOpens(at)} to set: its solvent opens what has not.`,
                  lower: film.stepId,
                  part: "fresh",
                  fixes: (place) => dropWait(place, step.id, leaveFor(at)),
                },
        }),
      );
  },
  check(seam) {
    const material = seam.phase.material!;
    if (isTinted(material)) return [];
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
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s2",
            says: "The second clear wax only evens the first. It darkens where the clear paste wax missed, and adds a little sheen; leave 24 h between.",
            repairs: [],
          },
        ],
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
