import { openFrom } from "../../drying/gate.ts";
import { isResist, isWax } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

export const dryBeforeSanding: Rule = {
  meta: {
    id: "C2",
    title: "Sand and scuff only what is dry",
    reason: "Damp paint clogs the paper and rolls up under it; the edge tears instead of wearing.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["take", "prepare"],
  dependsOn: "films",
  when: { does: ["abrade", "key"] },
  demands(seam) {
    const { phase } = seam;
    if (!phase.effects.some((effect) => effect.does === "abrade" || effect.does === "key")) return [];
    return seam.films
      .filter(({ film }) => film.material.binder !== "wax")
      .map(({ film }) => ({
        rule: "C2",
        from: film.phaseId,
        to: phase.id,
        lower: film.stepId,
        gates: [openFrom("touch", film.material.drying.touch)],
        reason: "touch dry",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "stop" as const,
                title: `Paper will clog on the wet ${named(film.material)}`,
                because: `${sayHad(waited)} and is touch dry after ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place) => [{ label: leaveFor(at), commands: patchStep(place, phase.step.id, { wait: null }) }],
              },
      }));
  },
  check(seam) {
    const { phase } = seam;
    const top = seam.tops.find((top) => isWax(top.stack) && !isResist(top.stack!.film))?.stack;
    if (!top || !phase.effects.some((effect) => effect.does === "abrade")) return [];
    return [
      {
        severity: "caution",
        title: "Paper may clog at once on the wax",
        because: `The ${named(top.film.material)} lies on top; sand before waxing.`,
        lower: top.film.stepId,
        part: "wax",
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "sanded when touch dry",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate"], ["sand-220"]],
      },
    ],
    faulty: [
      {
        shows: "sanded after five minutes",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "Paper will clog on the wet slate chalk-type paint. It has had 5 min and is touch dry after 25 min here (normally 30 min).",
            repairs: ["Leave it for 25 min"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["sand-220", null, { wait: { kind: "exactly", minutes: 5 } }],
        ],
      },
    ],
  },
};
