import { sharesOf, WORTH_SAYING } from "../read-surface.ts";
import { appended, ofFamily, patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named, sayShare } from "../words.ts";

export const sealTheCracks: Rule = {
  meta: {
    id: "K6",
    title: "Seal the cracks, and lightly",
    reason:
      "In the cracks the medium lies bare and dissolves at any damp touch. A wet brush softens it and closes them; a mist, or one light coat, does not.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat", "finish"],
  dependsOn: "films",
  when: { lays: ["clear"] },
  onFirstCoat: true,
  check(seam) {
    const { step, technique } = seam.phase;
    const material = seam.phase.material!;
    if (material.carrier !== "water" || technique.id === "spray") return [];
    const open = seam.tops.find((top) => top.stack?.film.spent)?.stack;
    if (!open) return [];
    return [
      {
        severity: seam.phase.coats > 1 ? "caution" : "note",
        title:
          seam.phase.coats > 1
            ? "Brushed coats may close the cracks"
            : "One light coat over the cracks is normal, laid once",
        because: `The ${named(open.film.material)} lies bare in them and softens under a wet brush.`,
        lower: open.film.stepId,
        fixes: (place) => [
          { label: "Spray it in mists", commands: patchStep(place, step.id, { how: "spray" }) },
          ...(seam.phase.coats > 1
            ? [{ label: "Make it one light coat", commands: patchStep(place, step.id, { coats: 1 }) }]
            : []),
        ],
      },
    ];
  },
  finish(finish) {
    const open = finish.tops.filter((top) => top.stack?.film.spent);
    const top = open[0]?.stack;
    if (!top || sharesOf(open) < WORTH_SAYING) return [];
    return [
      {
        severity: "caution",
        title: "The open cracks may smear at the first damp cloth",
        because: `The ${named(top.film.material)} lies bare on ${sayShare(sharesOf(open))}.`,
        lower: top.film.stepId,
        part: "open",
        fixes: (place) => {
          const clear = ofFamily(place.shelf, "water-borne clear coat");
          const wax = ofFamily(place.shelf, "clear wax");
          return [
            ...(clear
              ? [
                  {
                    label: `Mist ${named(clear)} over it`,
                    commands: appended(place, [{ how: "spray", what: clear, coats: 2 }]),
                  },
                ]
              : []),
            ...(wax
              ? [
                  {
                    label: "Wax it",
                    commands: appended(place, [{ how: "wax", what: wax }, { how: "buff" }]),
                    look: "the cracks fill a little",
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
        shows: "cracks sealed by spray",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
          ["spray", "clear-coat-matt", { coats: 2 }],
        ],
      },
    ],
    faulty: [
      {
        shows: "cracks left open",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "The open cracks may smear at the first damp cloth. The crackle medium lies bare on 15 % of the surface.",
            repairs: ["Mist satin clear coat over it", "Wax it"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
      {
        shows: "two brushed coats over the cracks",
        finds: [
          {
            severity: "caution",
            at: "s4",
            over: "s2",
            says: "Brushed coats may close the cracks. The crackle medium lies bare in them and softens under a wet brush.",
            repairs: ["Spray it in mists", "Make it one light coat"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
          ["brush", "clear-coat-matt", { coats: 2 }],
        ],
      },
    ],
  },
};
