import { appended, ofFamily } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { CRUMB_ON_WET, SMALL_FACE } from "./stack.ts";

export const paleResidue: Rule = {
  meta: {
    id: "R4",
    title: "Crumb leaves a pale residue",
    reason: "Its dust stays in the craters and dries white. A damp wipe removes it, or wax over it hides it.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    const scraped = finish.past.findLast(({ phase }) => phase.does.has("scrape"));
    if (!scraped) return [];
    const after = finish.past.slice(finish.past.indexOf(scraped) + 1);
    const hidden = after.some(
      ({ phase }) =>
        phase.technique.wets === "water" || phase.material?.role === "wax" || phase.material?.role === "glaze",
    );
    const crumb = finish.past.find(({ phase }) => phase.material?.role === "crumb");
    if (hidden || !crumb) return [];
    return [
      {
        severity: "note",
        title: "A pale bloom in the craters is normal",
        because: "No damp wipe, wax or glaze follows the scraping.",
        lower: crumb.phase.step.id,
        fixes: (place) => {
          const wax = ofFamily(place.shelf, "clear wax");
          return wax
            ? [{ label: "Wax over it", commands: appended(place, [{ how: "wax", what: wax }, { how: "buff" }]) }]
            : [];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "waxed over",
        ...SMALL_FACE,
        steps: [...CRUMB_ON_WET, ["tap", "mineral-oyster"], ["scrape"], ["wax", "wax-clear"]],
      },
    ],
    faulty: [
      {
        shows: "left as scraped",
        finds: [
          {
            severity: "note",
            at: "s6",
            over: "s3",
            says: "A pale bloom in the craters is normal. No damp wipe, wax or glaze follows the scraping.",
            repairs: ["Wax over it"],
          },
        ],
        ...SMALL_FACE,
        steps: [...CRUMB_ON_WET, ["tap", "mineral-oyster"], ["scrape"], ["spray", "clear-coat-matt"]],
      },
    ],
  },
};
