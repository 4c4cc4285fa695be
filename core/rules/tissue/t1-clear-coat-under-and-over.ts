import { openUntil } from "../../drying/gate.ts";
import { seen, stepOf } from "../read-surface.ts";
import { appended, dropWait, insertBefore, ofFamily } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { named, sayAge, sayShuts } from "../words.ts";

export const clearCoatUnderAndOver: Rule = {
  meta: {
    id: "T1",
    title: "Tissue needs clear coat under and over it",
    reason: "The wet coat beneath pulls it down without a blister; the one over it makes it part of the paint.",
    origin: "common practice",
    schools: [],
    subsumes: ["A1", "C3", "C1"],
  },
  looksAt: ["coat", "finish"],
  dependsOn: "films",
  when: { lays: ["tissue"] },
  demands(seam) {
    const { step } = seam.phase;
    return seam.films
      .filter(({ film }) => film.material.role === "clear")
      .map(({ film }) => ({
        rule: "T1",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openUntil("wet", film.material.drying.touch)],
        reason: "into the wet clear coat",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "early"
            ? null
            : {
                severity: "caution" as const,
                title: "The tissue may blister: the coat under it has dried",
                because: `${sayAge(waited, "The clear coat")} and stays wet for ${sayShuts(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, step.id, "Lay it into the wet coat"),
              },
      }));
  },
  check(seam) {
    const { step } = seam.phase;
    if (seam.films.some(({ film }) => film.material.role === "clear")) return [];
    return [
      {
        severity: "stop",
        title: "The tissue will blister: there is no clear coat under it",
        because: "Laid on dry paint, it lifts at every edge.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "under",
        fixes: (place) => {
          const clear = ofFamily(place.shelf, "découpage varnish") ?? ofFamily(place.shelf, "water-borne clear coat");
          return clear
            ? [
                {
                  label: `Lay it into wet ${named(clear)}`,
                  commands: insertBefore(place, step.id, [{ how: "brush", what: clear, where: step.where }]),
                },
              ]
            : [];
        },
      },
    ];
  },
  finish(finish) {
    const tissue = seen(finish.tops).find(({ stack }) => stack?.film.material.role === "tissue")?.stack;
    if (!tissue) return [];
    return [
      {
        severity: "caution",
        title: "The tissue may tear: there is nothing over it",
        because: "Bare paper lifts, tears and takes every stain.",
        lower: tissue.film.stepId,
        part: "over",
        fixes: (place) => {
          const clear = ofFamily(place.shelf, "découpage varnish") ?? ofFamily(place.shelf, "water-borne clear coat");
          return clear
            ? [
                {
                  label: `Add two coats of ${named(clear)} over it`,
                  commands: appended(place, [{ how: "brush", what: clear, coats: 2 }]),
                },
              ]
            : [];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "tissue between clear coats",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["brush", "decoupage-varnish"],
          ["lay-tissue", "tissue-roses", { where: { on: "motif", over: 1 } }],
          ["brush", "decoupage-varnish", { coats: 2 }],
        ],
      },
    ],
    faulty: [
      {
        shows: "tissue on dry paint",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "The tissue will blister: there is no clear coat under it. Laid on dry paint, it lifts at every edge.",
            repairs: ["Lay it into wet découpage varnish"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["lay-tissue", "tissue-roses"],
          ["brush", "decoupage-varnish", { coats: 2 }],
        ],
      },
      {
        shows: "nothing over the tissue",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s3",
            says: "The tissue may tear: there is nothing over it. Bare paper lifts, tears and takes every stain.",
            repairs: ["Add two coats of découpage varnish over it"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["brush", "decoupage-varnish"],
          ["lay-tissue", "tissue-roses"],
        ],
      },
    ],
  },
};
