import { openFrom, type Range } from "../../drying/gate.ts";
import { DAY } from "../../units/units.ts";
import { dropWait } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { leaveFor, named, sayAge, sayOpens } from "../words.ts";

/** How long paint dries before tape is pressed on it (common practice). */
const TAPE_HOLDS: Range = { typical: DAY, safe: DAY };

export const tapeOnYoungPaint: Rule = {
  meta: {
    id: "A7",
    title: "Tape and stencils wait a day",
    reason: "Paint younger than a day comes off with the tape, in strips, and a stencil pressed on it leaves its edge.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["help", "coat"],
  dependsOn: "films",
  demands(seam) {
    const { phase } = seam;
    if (phase.technique.id !== "mask" && phase.technique.id !== "stencil") return [];
    return seam.films
      .filter(({ film }) => film.material.binder !== "wax" && film.stepId !== phase.step.id)
      .map(({ film }) => ({
        rule: "A7",
        from: film.phaseId,
        to: phase.id,
        lower: film.stepId,
        gates: [openFrom("through", TAPE_HOLDS)],
        reason: "hard enough for tape",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "caution" as const,
                title: `${phase.technique.id === "mask" ? "Tape" : "A stencil"} may pull off the ${named(film.material)}`,
                because: `${sayAge(waited)} and is hard enough after ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, phase.step.id, leaveFor(at)),
              },
      }));
  },
  examples: {
    clean: [
      {
        shows: "a stencil the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["stencil", "mineral-oyster", { where: { on: "motif", over: 1 } }],
        ],
      },
    ],
    faulty: [
      {
        shows: "a stencil the same morning",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "A stencil may pull off the storm blue acrylic mineral paint. It is 4 h old and is hard enough after 24 h.",
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["stencil", "mineral-oyster", { where: { on: "motif", over: 1 }, wait: { kind: "exactly", minutes: 240 } }],
        ],
      },
      {
        shows: "tape on paint three hours old",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Tape may pull off the storm blue acrylic mineral paint. It is 3 h old and is hard enough after 24 h.",
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["mask", null, { wait: { kind: "exactly", minutes: 180 } }],
        ],
      },
    ],
  },
};
