import { openFrom } from "../../drying/gate.ts";
import { isWax } from "../read-surface.ts";
import { dropWait, leaveOut, moveBefore } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

export const transfersAndStamps: Rule = {
  meta: {
    id: "A8",
    title: "Transfers need a dry, clean, matt surface",
    reason:
      "A transfer is glue on a film: wax keeps it off, and soft paint comes up with the backing. A stamp prints what it touches, so a rough surface gives a broken print.",
    origin: "common practice",
    schools: [],
    subsumes: ["A1", "A3", "W6", "C1"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["transfer", "ink"] },
  demands(seam) {
    const { material, step } = seam.phase;
    if (material?.role !== "transfer") return [];
    return seam.films
      .filter(({ film }) => film.material.binder !== "wax")
      .map(({ film }) => ({
        rule: "A8",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openFrom("before clear", film.material.drying.beforeClear)],
        reason: "hard enough for a transfer",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "caution" as const,
                title: `The backing may lift the ${named(film.material)}`,
                because: `${sayHad(waited)} and is hard enough for a transfer after ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, step.id, leaveFor(at)),
              },
      }));
  },
  check(seam) {
    const { material, step } = seam.phase;
    if (material?.role === "transfer") {
      const wax = seam.seen.find((top) => isWax(top.stack))?.stack;
      if (!wax) return [];
      return [
        {
          severity: "stop",
          title: `A transfer will not stick to ${named(wax.film.material)}`,
          because: "Its glue meets wax instead of paint, and the backing pulls the print off again.",
          lower: wax.film.stepId,
          part: "wax",
          fixes: (place) => [
            {
              label: `Put it on before the ${named(wax.film.material)}`,
              commands: moveBefore(place, step.id, wax.film.stepId),
            },
            { label: "Remove this step", commands: leaveOut(place, step.id) },
          ],
        },
      ];
    }
    if (material?.role !== "ink") return [];
    const rough = seam.seen.find((top) => top.stack !== null && (top.stack.film.keyed || top.stack.film.spent))?.stack;
    if (!rough) return [];
    return [
      {
        severity: "note",
        title: "Expect a broken print here",
        because: `The ${named(rough.film.material)} is ${rough.film.spent ? "cracked" : "sanded"}: a softer, older print is normal. It can be distressed with the rest.`,
        lower: rough.film.stepId,
        part: "rough",
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "lettering on paint a day old",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["rub-transfer", "transfer-lettering", { where: { on: "motif", over: 1 } }],
        ],
      },
    ],
    faulty: [
      {
        shows: "lettering on wax",
        finds: [
          {
            severity: "stop",
            at: "s3",
            over: "s2",
            says: "A transfer will not stick to clear paste wax. Its glue meets wax instead of paint, and the backing pulls the print off again.",
            repairs: ["Put it on before the clear paste wax", "Remove this step"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["wax", "wax-clear"],
          ["rub-transfer", "transfer-lettering", { where: { on: "motif", over: 1 } }],
        ],
      },
      {
        shows: "a stamp on sanded paint",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s1",
            says: "Expect a broken print here. The bone white chalk-type paint is sanded: a softer, older print is normal. It can be distressed with the rest.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["sand-320"],
          ["stamp", "ink-soot", { where: { on: "motif", over: 1 } }],
        ],
      },
    ],
  },
};
