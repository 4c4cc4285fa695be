import { acceptsThirst, isDamp, porousGlazeFixes } from "../porous-glaze.ts";
import { absorbs, isTinted, stepOf, THIRSTY, topName } from "../read-surface.ts";
import type { Place, Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

export const glazeGrabs: Rule = {
  meta: {
    id: "D2",
    title: "Glaze grabs in patches on thirsty paint",
    reason:
      "The paint drinks the water out of the glaze before it can be moved; it sets where it lands, darker in one place than in the next.",
    origin: "common practice",
    schools: ["porousGlaze"],
    subsumes: [],
  },
  looksAt: ["coat"],
  when: { lays: ["glaze"] },
  check(seam) {
    const { material, step } = seam.phase;
    if (material?.role !== "glaze" || !isTinted(material)) return [];
    const top = seam.seen.find((one) => absorbs(seam, one.stack) >= THIRSTY);
    if (!top) return [];
    const wanted = step.intents.includes("stain") || acceptsThirst(seam);
    const below = topName(seam, top.stack);
    return [
      {
        severity: wanted ? "note" : "caution",
        title: wanted
          ? `${capital(named(material))} will tint the ${below} unevenly, as you want it`
          : `${capital(named(material))} will grab on ${below}`,
        because: isDamp(seam)
          ? "The face is damp from misting, so it moves for a few minutes; then it stays where it is."
          : "It is thirsty and unsealed, so the glaze will not move after the first touch.",
        schools: "A slip coat, a film, a mist of water, or straight on: each has its shops.",
        lower: stepOf(top.stack),
        ...(wanted ? {} : { fixes: (place: Place) => porousGlazeFixes(place, step.id, seam.houseRules) }),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "glaze on a slip coat",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-bone-white", { coats: 2 }],
          ["brush", "glaze-clear", { wait: { kind: "at least", minutes: 1440 } }],
          ["brush", "glaze-umber"],
        ],
      },
    ],
    faulty: [
      {
        shows: "a pale glaze on milk paint",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "milk-ochre"],
          ["brush", "glaze-umber"],
        ],
      },
    ],
  },
};
