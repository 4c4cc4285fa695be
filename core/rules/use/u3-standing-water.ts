import { seen } from "../read-surface.ts";
import { appended, ofFamily } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

const WHITENS: ReadonlySet<string> = new Set(["shellac", "oil", "wax and acrylic", "glaze", "gum"]);

export const standingWater: Rule = {
  meta: {
    id: "U3",
    title: "Standing water whitens soft finishes",
    reason: "A wet pot left overnight leaves a white ring in shellac, oil and wax blends.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    if (finish.zone.use.water !== "standing") return [];
    const top = seen(finish.tops).find(({ stack }) => stack !== null && WHITENS.has(stack.film.material.binder))?.stack;
    if (!top) return [];
    return [
      {
        severity: "caution",
        title: `Standing water may whiten the ${named(top.film.material)}`,
        because: `${finish.zone.name}: planned for standing water.`,
        lower: top.film.stepId,
        fixes: (place) => {
          const tough = ofFamily(place.shelf, "tough water-borne polyurethane");
          return tough
            ? [
                {
                  label: "Add two coats of tough polyurethane over it",
                  commands: appended(place, [{ how: "brush", what: tough, coats: 2 }]),
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
        shows: "polyurethane under a plant pot",
        ground: "raw timber",
        species: "pine",
        use: { water: "standing" },
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "polyurethane-water", { coats: 2 }],
        ],
      },
    ],
    faulty: [
      {
        shows: "shellac under a plant pot",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s2",
            says: "Standing water may whiten the dewaxed shellac sealer. Panel: planned for standing water.",
            repairs: ["Add two coats of tough polyurethane over it"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        use: { water: "standing" },
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "shellac-sealer", { coats: 2 }],
        ],
      },
    ],
  },
};
