import { isWax, sharesOf, WORTH_SAYING } from "../read-surface.ts";
import { appended } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

export const notBuffed: Rule = {
  meta: {
    id: "W12",
    title: "Wax shines only when it is buffed",
    reason:
      "Left as it was wiped, wax stays dull and a little sticky, and picks up dust. A cloth turned often brings up the sheen and takes off what is too much.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const dull = finish.tops.filter(
      ({ stack }) => isWax(stack) && !stack!.film.polished && stack!.film.material.family !== "gilding wax",
    );
    const top = dull[0]?.stack;
    if (!top || sharesOf(dull) < WORTH_SAYING) return [];
    return [
      {
        severity: "note",
        title: `${capital(named(top.film.material))} stays dull: it is not buffed`,
        because: "Buff it when the solvent has left and the colour has lightened.",
        lower: top.film.stepId,
        fixes: (place) => [{ label: "Buff it at the end", commands: appended(place, [{ how: "buff" }]) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "waxed and buffed",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate"], ["wax", "wax-clear"], ["buff"]],
      },
      {
        shows: "gilding wax rubbed on here and there",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-bottle"],
          ["finger", "wax-gilding"],
        ],
      },
    ],
    faulty: [
      {
        shows: "waxed and left",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s2",
            says: "Clear paste wax stays dull: it is not buffed. Buff it when the solvent has left and the colour has lightened.",
            repairs: ["Buff it at the end"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["wax", "wax-clear"],
        ],
      },
    ],
  },
};
