import { isDamp } from "../../surface/laws/misting.ts";
import { acceptsThirst, porousGlazeFixes } from "../porous-glaze.ts";
import { absorbs, isTinted, stepOf, THIRSTY, topName } from "../read-surface.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

export const glazeGrabs: Rule = {
  meta: {
    id: "D2",
    title: "Glaze grabs in patches on thirsty paint",
    reason:
      "The paint soaks up the water in the glaze before you can work it; it sets where it lands, darker in one place than the next.",
    origin: "common practice",
    schools: ["porousGlaze"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  when: { lays: ["glaze"] },
  check(seam) {
    const { step } = seam.phase;
    const material = seam.phase.material!;
    if (!isTinted(material)) return [];
    const top = seam.seen.find((top) => absorbs(seam, top.stack) >= THIRSTY);
    if (!top) return [];
    const wanted = step.intents.includes("stain") || acceptsThirst(seam);
    const below = topName(seam, top.stack);
    return [
      {
        severity: wanted ? "note" : "caution",
        title: wanted
          ? `${capital(named(material))} should tint the ${below} unevenly, as you want`
          : `${capital(named(material))} may grab on ${below}`,
        because: isDamp(seam.before.misted, seam.at)
          ? "The face is damp from misting, so the glaze stays workable for a few minutes, then sets."
          : "It is thirsty and unsealed, so the glaze may not move after the first touch.",
        schools: "Some use a slip coat, some a film or a mist of water, and some go straight on.",
        lower: stepOf(top.stack),
        ...(wanted ? {} : { fixes: (place: RepairBasis) => porousGlazeFixes(place, step.id, seam.houseRules) }),
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
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Raw umber glaze may grab on ochre milk paint. It is thirsty and unsealed, so the glaze may not move after the first touch.",
            repairs: [
              "Lay a slip coat of clear glaze first",
              "Seal with satin clear coat first",
              "I want it grimy and patchy",
            ],
          },
        ],
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
