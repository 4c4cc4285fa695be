import { openUntil } from "../../drying/gate.ts";
import { sayDuration } from "../../units/duration.ts";
import { insertBefore } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named, sayShuts } from "../words.ts";

export const recoatWindowShut: Rule = {
  meta: {
    id: "A5",
    title: "A recoat window shuts",
    reason:
      "Acrylic films set so hard and smooth that after a while the next coat only sits on top. Scuffing opens them again.",
    origin: "from memory of typical labels",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  demands(seam) {
    const { material, step } = seam.phase;
    if (!material || material.role === "wax" || material.role === "crumb") return [];
    return seam.films.flatMap(({ film }) => {
      const shuts = film.material.windows.recoatUntil;
      if (!shuts || film.keyed) return [];
      return [
        {
          rule: "A5",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates: [openUntil("set", shuts)],
          reason: "recoat window",
          tell: ({ verdict, waited, ...at }) =>
            verdict === "early"
              ? null
              : {
                  severity: "caution",
                  title: `The next coat may not grip the ${named(film.material)}`,
                  because: `Its recoat window shuts after ${sayShuts(at)}, and it has had ${sayDuration(waited)}.`,
                  lower: film.stepId,
                  fixes: (place) => [
                    { label: "Scuff it first", commands: insertBefore(place, step.id, [{ how: "scuff" }]) },
                  ],
                },
        },
      ];
    });
  },
  examples: {
    clean: [
      {
        shows: "mineral paint recoated the same day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
    faulty: [
      {
        shows: "mineral paint recoated after three days",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "The next coat may not grip the storm blue acrylic mineral paint. Its recoat window shuts after 24 h, and it has had 3 days.",
            repairs: ["Scuff it first"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "mineral-oyster", { wait: { kind: "at least", minutes: 4320 } }],
        ],
      },
    ],
  },
};
