import { absorbencyOf } from "../../surface/surface.ts";
import { seen, THIRSTY } from "../read-surface.ts";
import { insertAt, ofFamily } from "../repair.ts";
import type { Fix, Rule } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

export const leftUnsealed: Rule = {
  meta: {
    id: "U5",
    title: "Porous paint is sealed",
    reason:
      "Chalk, clay and milk paint left open take every fingerprint, ring and splash, and they cannot be washed off again.",
    origin: "common practice",
    schools: [],
    subsumes: ["U2"],
  },
  looksAt: ["finish"],
  finish(finish) {
    const open = seen(finish.tops).filter(
      (top) => top.stack?.film.material.role === "paint" && absorbencyOf(top.stack, finish.after.ground) >= THIRSTY,
    );
    const top = open[0]?.stack;
    if (!top) return [];
    const share = open.reduce((sum, one) => sum + one.share, 0);
    const display = finish.zone.use.wear === "display";
    const end = finish.crust.steps.length;
    const wax = ofFamily(finish.shelf, "clear wax");
    const clear = ofFamily(finish.shelf, "water-borne clear coat");
    const tough = ofFamily(finish.shelf, "tough water-borne polyurethane");
    const fixes: Fix[] = [];
    const hard = finish.zone.use.wear === "hard" || finish.zone.use.wear === "daily";
    if (hard && tough)
      fixes.push({
        label: "Two coats of tough polyurethane",
        commands: insertAt(finish, end, [{ how: "brush", what: tough, coats: 2 }]),
        look: "a little deeper, a little less matt",
      });
    if (!hard && wax)
      fixes.push({
        label: "Finish with clear wax",
        commands: insertAt(finish, end, [{ how: "wax", what: wax }, { how: "buff" }]),
        look: "deeper colour, soft sheen",
      });
    if (clear)
      fixes.push({
        label: `Two coats of ${named(clear)}`,
        commands: insertAt(finish, end, [{ how: "brush", what: clear, coats: 2 }]),
        look: "a little deeper",
      });
    return [
      {
        severity: display ? "note" : "stop",
        title: display
          ? `${capital(named(top.film.material))} stays unsealed: for display only`
          : `${capital(named(top.film.material))} is left unsealed`,
        because: `${sayShare(share).replace(/^./, (letter) => letter.toUpperCase())} would mark at the first touch; ${finish.zone.name}: planned for ${finish.zone.use.wear} use.`,
        lower: top.film.stepId,
        fixes: display ? [] : fixes,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "chalk paint waxed",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "chalk paint left bare",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate", { coats: 2 }]],
      },
      {
        shows: "bare milk paint for display",
        ground: "raw timber",
        species: "pine",
        use: { wear: "display" },
        steps: [["brush", "milk-ochre", { coats: 2 }]],
      },
    ],
  },
};
