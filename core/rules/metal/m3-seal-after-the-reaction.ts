import { openFrom } from "../../drying/gate.ts";
import { dropWait } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { leaveFor, sayHad, sayOpens } from "../words.ts";

export const sealAfterTheReaction: Rule = {
  meta: {
    id: "M3",
    title: "Do not seal a patina before it is done",
    reason: "The reaction takes a day or two. Sealed early, it stops where it is, stays damp and lifts the film.",
    origin: "common practice",
    schools: [],
    subsumes: ["C1", "C3", "W4"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  demands(seam) {
    const { material, step } = seam.phase;
    if (!material || material.role === "patina") return [];
    return seam.films
      .filter(({ film }) => film.material.role === "patina")
      .map(({ film }) => ({
        rule: "M3",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openFrom("through", film.material.drying.beforeClear)],
        reason: "the reaction is done",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "stop" as const,
                title: "The patina will lift what seals it",
                because: `${sayHad(waited)} and reacts for ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, step.id, leaveFor(at)),
              },
      }));
  },
  examples: {
    clean: [
      {
        shows: "sealed two days later",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "reactive-copper", { coats: 2 }],
          ["spray", "patina-verdigris"],
          ["spray", "clear-coat-matt"],
        ],
      },
    ],
    faulty: [
      {
        shows: "sealed after six hours",
        finds: [
          {
            severity: "stop",
            at: "s4",
            over: "s3",
            says: "The patina will lift what seals it. It has had 6 h and reacts for 2 days.",
            repairs: ["Leave it for 2 days"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "reactive-copper", { coats: 2 }],
          ["spray", "patina-verdigris"],
          ["spray", "clear-coat-matt", { wait: { kind: "exactly", minutes: 360 } }],
        ],
      },
    ],
  },
};
