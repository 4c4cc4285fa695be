import { isTinted, THIRSTY } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

export const darkensAndLightens: Rule = {
  meta: {
    id: "B8",
    title: "Porous paint darkens as it is sealed",
    reason:
      "Wetted, the chalk in it turns clear and the colour deepens. Under a clear coat it lightens again as that dries; under wax it stays a little deeper.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["clear", "wax"] },
  onFirstCoat: true,
  check(seam) {
    const material = seam.phase.material!;
    if (isTinted(material)) return [];
    const top = seam.seen.find(
      ({ stack }) => stack?.film.material.role === "paint" && stack.film.material.absorbency.typical >= THIRSTY,
    )?.stack;
    if (!top) return [];
    return [
      {
        severity: "note",
        title: `The ${named(top.film.material)} darkens, patchily at first: this is normal`,
        because:
          material.role === "wax"
            ? "It stays a shade deeper under wax. Wet a corner beforehand to see it."
            : "It lightens again within the hour as the clear coat dries.",
        lower: top.film.stepId,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "wax over self-sealing paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "clear coat over chalk paint",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s1",
            says: "The slate chalk-type paint darkens, patchily at first: this is normal. It lightens again within the hour as the clear coat dries.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "clear-coat-matt"],
        ],
      },
    ],
  },
};
