import { cracksOver } from "../../surface/laws/laying.ts";
import { films } from "../read-surface.ts";
import type { Rule } from "../rule.ts";

/** Millimetres between cracks for each micrometre of dry medium (from memory; spacing grows linearly with thickness: Groisman and Kaplan 1994). */
const SPACING = 0.105;

const size = (spacing: number) => (spacing < 4 ? "fine" : spacing < 7 ? "medium-sized" : "wide");

export const crackSize: Rule = {
  meta: {
    id: "K4",
    title: "Thicker medium sets the cracks wider apart",
    reason:
      "The spacing of cracks grows with the thickness of the medium, and thick paint over it widens them too. Thin and even gives a fine net, a loaded brush long islands.",
    origin:
      "published: crack spacing grows linearly with layer thickness, Groisman and Kaplan 1994; the factor is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["paint"] },
  onFirstCoat: true,
  check(seam) {
    const material = seam.phase.material!;
    const top = seam.tops.find(({ stack }) => stack !== null && cracksOver(stack.film, material, seam.at))?.stack;
    if (!top) return [];
    let medium = 0;
    for (const film of films(top)) {
      if (film.material.role !== "medium") break;
      medium += film.micrometres;
    }
    const spacing = SPACING * medium * (seam.phase.load > 1.1 ? 1.2 : 1);
    return [
      {
        severity: "note",
        title: `Expect ${size(spacing)} cracks, about ${spacing < 1 ? spacing.toFixed(1) : Math.round(spacing)} mm apart`,
        because: `The medium dries to about ${Math.round(medium)} µm under one coat. More medium or thicker paint makes them wider.`,
        lower: top.film.stepId,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "no medium, no cracks",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
    faulty: [
      {
        shows: "one coat of medium",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s2",
            says: "Expect fine cracks, about 2 mm apart. The medium dries to about 23 µm under one coat. More medium or thicker paint makes them wider.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
  },
};
