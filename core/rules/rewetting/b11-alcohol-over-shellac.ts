import { stepOf } from "../read-surface.ts";
import { insertBefore, ofFamily } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { groundNamed, named } from "../words.ts";

export const alcoholOverOldShellac: Rule = {
  meta: {
    id: "B11",
    title: "Alcohol softens old shellac",
    reason:
      "Old varnish is often shellac, and alcohol dissolves it at any age. What is brushed over it in alcohol drags it up, mixes with it and dries crazed.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  onFirstCoat: true,
  check(seam) {
    const { material, step, technique } = seam.phase;
    const { ground, stripped } = seam.before.ground;
    if (material?.carrier !== "alcohol" || technique.id === "spray") return [];
    if (ground.kind !== "varnished timber" || stripped || !seam.seen.some(({ stack }) => stack === null)) return [];
    const crazed = ground.tests.clues.includes("crazed varnish");
    if (!crazed && ground.age === "after 1978") return [];
    return [
      {
        severity: "caution",
        title: `The ${named(material)} may soften the old finish`,
        because: crazed
          ? "Crazed varnish is mostly shellac. Touch a hidden spot with alcohol: if it goes tacky, use a water-borne coat here."
          : `The ${groundNamed(ground)} is ${ground.age === "unknown" ? "of unknown age" : "from before 1978"} and may be shellac. Touch a hidden spot with alcohol: if it goes tacky, it is.`,
        lower: stepOf(null),
        fixes: (place) => {
          const water = ofFamily(place.shelf, "stain-block primer, water-borne");
          return water && material.role === "primer"
            ? [
                {
                  label: `Lay two coats of ${named(water)} first`,
                  commands: insertBefore(place, step.id, [{ how: "brush", what: water, coats: 2 }]),
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
        shows: "shellac stain-block on varnish that is not old",
        ground: "varnished timber",
        species: "oak",
        steps: [["clean"], ["scuff"], ["brush", "stain-block-shellac", { coats: 2 }]],
      },
    ],
    faulty: [
      {
        shows: "shellac stain-block on crazed varnish",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "ground",
            says: "The shellac stain-block may soften the old finish. Crazed varnish is mostly shellac. Touch a hidden spot with alcohol: if it goes tacky, use a water-borne coat here.",
            repairs: ["Lay two coats of water-borne stain-block first"],
          },
        ],
        ground: "varnished timber",
        species: "oak",
        groundIs: { tests: { clues: ["crazed varnish"] } },
        steps: [["clean"], ["scuff"], ["brush", "stain-block-shellac", { coats: 2 }]],
      },
    ],
  },
};
