import { lightness } from "../../colour/difference.ts";
import { absorbs, isTinted, isWax, stepOf, THIRSTY, topName } from "../read-surface.ts";
import { insertBefore, ofFamily } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const clearBeforeDark: Rule = {
  meta: {
    id: "W1",
    title: "Clear wax goes before dark",
    reason:
      "Over clear wax the dark can be pushed into the grooves and taken off the flats again. On sealed paint it only slides, and on thirsty paint it stains.",
    origin: "common practice; schools differ",
    schools: ["darkWax"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  when: { lays: ["wax"] },
  check(seam) {
    const { step } = seam.phase;
    const material = seam.phase.material!;
    if (!isTinted(material) || material.family === "gilding wax") return [];
    if (lightness(material.colour) > 50 || seam.houseRules.darkWax === "straight on the paint") return [];
    const bare = seam.seen.find((top) => !isWax(top.stack) && absorbs(seam, top.stack) < THIRSTY);
    if (!bare) return [];
    return [
      {
        severity: "note",
        title: `Clear wax usually goes under the ${named(material)}`,
        because: `The ${topName(seam, bare.stack)} is sealed, so the dark does not stain it, but it moves less than over clear wax.`,
        schools: "Others lay dark wax straight on a sealed surface.",
        lower: stepOf(bare.stack),
        fixes: (place) => {
          const clear = ofFamily(place.shelf, "clear wax");
          return clear
            ? [
                {
                  label: "Lay clear wax first",
                  commands: insertBefore(place, step.id, [{ how: "wax", what: clear }]),
                  look: "dark in the grooves, paler on the flats",
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
        shows: "dark over clear",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["wax", "wax-clear"],
          ["wax", "wax-dark"],
        ],
      },
    ],
    faulty: [
      {
        shows: "dark wax on a clear coat",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s2",
            says: "Clear wax usually goes under the dark wax. The matt clear coat is sealed, so the dark does not stain it, but it moves less than over clear wax.",
            repairs: ["Lay clear wax first"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white"],
          ["brush", "clear-coat-matt"],
          ["wax", "wax-dark"],
        ],
      },
    ],
  },
};
