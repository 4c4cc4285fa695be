import { isWax, seen } from "../read-surface.ts";
import { appended, choose } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const outdoors: Rule = {
  meta: {
    id: "U4",
    title: "Soft finishes are for indoors",
    reason: "Sun, frost and rain ruin chalk, clay and milk paint, wax and indoor clear coats within a winter.",
    origin: "common practice",
    schools: [],
    subsumes: ["U2", "U3", "W9", "U5"],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    if (!finish.zone.use.outdoors) return [];
    const top = seen(finish.tops).find(({ stack }) => stack !== null && !stack.film.material.outdoors)?.stack;
    if (!top) return [];
    return [
      {
        severity: "stop",
        title: `The ${named(top.film.material)} will not withstand weather`,
        because: `${finish.zone.name}: planned for outdoors. Keep it under cover, or finish it with something made for weather.`,
        lower: top.film.stepId,
        fixes: (place) => {
          const oil = choose(place.shelf, (material) => material.outdoors && material.role === "clear");
          const waxed = isWax(top);
          return oil && !waxed
            ? [
                {
                  label: `Add two coats of ${named(oil)} over it`,
                  commands: appended(place, [{ how: "brush", what: oil, coats: 2 }]),
                  look: "ambers whites",
                },
              ]
            : [];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "oil varnish outdoors",
        ground: "raw timber",
        species: "pine",
        use: { outdoors: true },
        steps: [
          ["brush", "oil-deep-green", { coats: 2 }],
          ["brush", "varnish-oil", { coats: 2 }],
        ],
      },
    ],
    faulty: [
      {
        shows: "waxed chalk paint outdoors",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s2",
            says: "The clear paste wax will not withstand weather. Panel: planned for outdoors. Keep it under cover, or finish it with something made for weather.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { outdoors: true },
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wax", "wax-clear"],
        ],
      },
    ],
  },
};
