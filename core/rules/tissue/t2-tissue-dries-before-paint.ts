import { openFrom } from "../../drying/gate.ts";
import { dropWait } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { leaveFor, sayHad, sayOpens } from "../words.ts";

export const tissueDriesBeforePaint: Rule = {
  meta: {
    id: "T2",
    title: "Let tissue dry before you paint over it",
    reason: "Wet paper tears under a brush. Three or four hours are enough; overnight is better.",
    origin: "common practice",
    schools: [],
    subsumes: ["C1", "C3"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  demands(seam) {
    const { material, step } = seam.phase;
    if (!material) return [];
    return seam.films
      .filter(({ film }) => film.material.role === "tissue" && film.stepId !== step.id)
      .map(({ film }) => ({
        rule: "T2",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openFrom("through", film.material.drying.recoat)],
        reason: "tissue dry",
        tell: ({ verdict, waited, dried, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity:
                  dried("touch") < film.material.drying.touch.typical ? ("stop" as const) : ("caution" as const),
                title: `The brush ${dried("touch") < film.material.drying.touch.typical ? "will" : "may"} tear the damp tissue`,
                because: `${sayHad(waited)} and needs ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, step.id, leaveFor(at)),
              },
      }));
  },
  examples: {
    clean: [
      {
        shows: "coated the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "decoupage-varnish"],
          ["lay-tissue", "tissue-roses"],
          ["brush", "decoupage-varnish"],
        ],
      },
    ],
    faulty: [
      {
        shows: "coated after an hour",
        finds: [
          {
            severity: "stop",
            at: "s4",
            over: "s3",
            says: "The brush will tear the damp tissue. It has had 1 h and needs 12 h.",
            repairs: ["Leave it for 12 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "decoupage-varnish"],
          ["lay-tissue", "tissue-roses"],
          ["brush", "decoupage-varnish", { wait: { kind: "exactly", minutes: 60 } }],
        ],
      },
    ],
  },
};
