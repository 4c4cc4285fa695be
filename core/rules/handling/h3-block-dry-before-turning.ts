import { openFrom, type Range } from "../../drying/gate.ts";
import type { Material } from "../../materials/material.ts";
import { dropWait } from "../repair.ts";
import type { Place, Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

/** Dry enough to lie on its face: twice the recoat time (from memory). */
const blockDry = ({ drying }: Material): Range => ({
  typical: 2 * drying.recoat.typical,
  safe: 2 * drying.recoat.safe,
});

export const blockDryBeforeTurning: Rule = {
  meta: {
    id: "H3",
    title: "Block-dry before it lies on its face",
    reason:
      "Dry to a finger is not dry under weight. If it is turned too soon, the battens print into the coat and lift it as they come away.",
    origin: "common practice; twice the recoat time is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["help"],
  dependsOn: "films",
  demands(seam) {
    const { phase } = seam;
    if (phase.technique.id !== "turn-over" && phase.technique.id !== "top-on") return [];
    return seam.films.map(({ film }) => {
      const opens = blockDry(film.material);
      return {
        rule: "H3",
        from: film.phaseId,
        to: phase.id,
        lower: film.stepId,
        gates: [openFrom("through", opens)],
        reason: "block-dry",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "caution" as const,
                title: `The ${named(film.material)} may print if you turn it now`,
                because: `${sayHad(waited)} and is block-dry after ${sayOpens(at)}: a thumb pressed and twisted leaves no mark.`,
                lower: film.stepId,
                fixes: (place: Place) => dropWait(place, phase.step.id, leaveFor(at)),
              },
      };
    });
  },
  examples: {
    clean: [
      {
        shows: "turned when block-dry",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-storm"], ["turn-over"]],
      },
    ],
    faulty: [
      {
        shows: "turned after an hour",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["turn-over", null, { wait: { kind: "exactly", minutes: 60 } }],
        ],
      },
    ],
  },
};
