import { sayDuration } from "../../units/duration.ts";
import { isWax, seen } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const aMonthToCure: Rule = {
  meta: {
    id: "W8",
    title: "Wax takes a month to cure",
    reason: "It is dry to the hand the same day and soft for weeks: gentle use, and nothing left standing on it.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const top = seen(finish.tops).find((top) => isWax(top.stack))?.stack;
    if (!top) return [];
    return [
      {
        severity: "note",
        title: "Gentle use is normal until the wax has cured",
        because: `The ${named(top.film.material)} cures in about ${sayDuration(top.film.material.drying.cure.safe)}; wipe it with a dry cloth until then.`,
        lower: top.film.stepId,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a clear coat on top",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "clear-coat-matt"],
        ],
      },
    ],
    faulty: [
      {
        shows: "wax on top",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s2",
            says: "Gentle use is normal until the wax has cured. The clear paste wax cures in about 30 days; wipe it with a dry cloth until then.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
  },
};
