import { openFrom, openUntil } from "../../drying/gate.ts";
import { laidLast } from "../read-surface.ts";
import { dropWait, patchStep } from "../repair.ts";
import type { Demand, RepairBasis, Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens, sayShuts } from "../words.ts";

export const lookInTime: Rule = {
  meta: {
    id: "H4",
    title: "Drips are seen wet, colour is judged dry",
    reason:
      "A sag can be brushed out for minutes and sanded out after days. Colour, cover and what has lifted can be told only when the coat is dry and matt again.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["help"],
  dependsOn: "films",
  demands(seam) {
    const { phase } = seam;
    if (phase.technique.kind !== "inspect") return [];
    const wet = phase.technique.id === "look-wet";
    return laidLast(seam, ({ material }) => material.role !== "wax" || !wet).map((film): Demand => {
      const { touch } = film.material.drying;
      return {
        rule: "H4",
        from: film.phaseId,
        to: phase.id,
        lower: film.stepId,
        gates: [wet ? openUntil("wet", touch) : openFrom("touch", touch)],
        reason: wet ? "while it is wet" : "dry enough to judge",
        tell: ({ verdict, waited, ...at }) =>
          (verdict === "late") !== wet
            ? null
            : {
                severity: "caution",
                title: wet
                  ? "Drips may have set by then"
                  : `The ${named(film.material)} may look different when it is dry`,
                because: wet
                  ? `${sayHad(waited)} and stays wet for ${sayShuts(at)}.`
                  : `${sayHad(waited)} and is dry to the touch after ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) =>
                  wet
                    ? [
                        ...dropWait(place, phase.step.id, "Do it straight after laying it"),
                        { label: "Do it when it is dry", commands: patchStep(place, phase.step.id, { how: "look" }) },
                      ]
                    : dropWait(place, phase.step.id, leaveFor(at)),
              },
      };
    });
  },
  examples: {
    clean: [
      {
        shows: "looked over for drips at once, and for colour when dry",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster"], ["look-wet"], ["look"]],
      },
    ],
    faulty: [
      {
        shows: "looked over for drips the next day",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Drips may have set by then. It has had 24 h and stays wet for 49 min here (normally 1 h).",
            repairs: ["Do it straight after laying it", "Do it when it is dry"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["look-wet", null, { wait: { kind: "at least", minutes: 1440 } }],
        ],
      },
    ],
  },
};
