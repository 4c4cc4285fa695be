import { isWax, seen } from "../read-surface.ts";
import { appended, ofFamily } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const hotCups: Rule = {
  meta: {
    id: "U1",
    title: "Hot cups mark a finish that softens",
    reason: "Découpage varnish and shellac soften with warmth: the cup sticks and pulls a ring away with it.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    if (!finish.zone.use.heat) return [];
    const top = seen(finish.tops).find(
      ({ stack }) => stack !== null && !isWax(stack) && stack.film.material.underHeat !== "stands",
    )?.stack;
    if (!top) return [];
    const softens = top.film.material.underHeat === "softens";
    return [
      {
        severity: softens ? "stop" : "caution",
        title: `Hot cups ${softens ? "will stick to" : "may mark"} the ${named(top.film.material)}`,
        because: `${finish.zone.name}: planned for hot cups. This finish ${softens ? "softens with warmth" : "shows rings"}.`,
        lower: top.film.stepId,
        fixes: (place) => {
          const heat = ofFamily(place.shelf, "heat-resisting varnish");
          const tough = ofFamily(place.shelf, "tough water-borne polyurethane");
          return [
            ...(heat
              ? [
                  {
                    label: `Add one coat of ${named(heat)} over it`,
                    commands: appended(place, [{ how: "brush", what: heat }]),
                    look: "ambers whites a little",
                  },
                ]
              : []),
            ...(tough
              ? [
                  {
                    label: "Add two coats of tough polyurethane over it",
                    commands: appended(place, [{ how: "brush", what: tough, coats: 2 }]),
                  },
                ]
              : []),
          ];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a coaster under heat-resisting varnish",
        ground: "raw timber",
        species: "pine",
        use: { heat: true },
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "varnish-heat"],
        ],
      },
    ],
    faulty: [
      {
        shows: "a coaster finished with découpage varnish",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s2",
            says: "Hot cups will stick to the découpage varnish. Panel: planned for hot cups. This finish softens with warmth.",
            repairs: ["Add one coat of heat-resisting varnish over it", "Add two coats of tough polyurethane over it"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { heat: true },
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "decoupage-varnish", { coats: 2 }],
        ],
      },
    ],
  },
};
