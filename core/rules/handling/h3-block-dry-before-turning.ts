import { openFrom, type Range } from "../../drying/gate.ts";
import type { Material } from "../../materials/material.ts";
import { dropWait } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

/** Dry enough to lie on its face: twice the recoat time (from memory). */
const blockDry = ({ drying }: Material): Range => ({
  typical: 2 * drying.recoat.typical,
  safe: 2 * drying.recoat.safe,
});

/** Work after which a face bears weight. */
const LIES_ON_IT: ReadonlySet<string> = new Set(["turn-over", "top-on"]);

export const blockDryBeforeTurning: Rule = {
  meta: {
    id: "H3",
    title: "Dry before it is handled, block-dry before it lies on its face",
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
    const lies = LIES_ON_IT.has(phase.technique.id);
    if (!lies && phase.technique.kind !== "handle") return [];
    return seam.films.map(({ film }) => {
      const opens = lies ? blockDry(film.material) : film.material.drying.touch;
      return {
        rule: "H3",
        from: film.phaseId,
        to: phase.id,
        lower: film.stepId,
        gates: [openFrom(lies ? "through" : "touch", opens)],
        reason: lies ? "block-dry" : "dry to the hand",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "caution" as const,
                title: lies
                  ? `The ${named(film.material)} may print if you turn it now`
                  : `Fingers may mark the ${named(film.material)}`,
                because: lies
                  ? `${sayHad(waited)} and is block-dry after ${sayOpens(at)}: a thumb pressed and twisted leaves no mark.`
                  : `${sayHad(waited)} and can be handled after ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, phase.step.id, leaveFor(at)),
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
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "The storm blue acrylic mineral paint may print if you turn it now. It has had 1 h and is block-dry after 6 h: a thumb pressed and twisted leaves no mark.",
            repairs: ["Leave it for 6 h"],
          },
        ],
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
