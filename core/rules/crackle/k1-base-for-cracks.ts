import { colourDifference } from "../../colour/difference.ts";
import { hiding } from "../../surface/film.ts";
import { absorbs, films, stepOf, THIRSTY, topName } from "../read-surface.ts";
import { layInstead, sealFirst } from "../repair.ts";
import type { Draft, Rule, Seam } from "../rule.ts";
import { capital, named } from "../words.ts";

/** Below this colour difference a crack hardly shows. */
const CRACK_READS = 15;

/** What hides less than this lets the colour beneath it through. */
const SHOWS_COLOUR = 0.5;

/** The paint over a crackle medium, compared with what the medium lies on. */
function contrast(seam: Seam): Draft[] {
  const over = seam.phase.material;
  const medium = seam.pairs.find((top) => top.stack?.film.material.role === "medium")?.stack;
  // a sealer between lets the colour beneath it show in the cracks
  const under = [...films(medium?.below ?? null)].find((film) => hiding(film) >= SHOWS_COLOUR);
  if (over?.role !== "paint" || !under) return [];
  const difference = colourDifference(over.colour, under.material.colour);
  if (difference >= CRACK_READS) return [];
  const { family, colour } = under.material;
  return [
    {
      severity: "caution",
      title: "The cracks may hardly show",
      because: `${capital(named(over))} and ${named(under.material)} differ by ${difference.toFixed(0)} (ΔE00); cracks show from about ${CRACK_READS}.`,
      lower: under.stepId,
      part: "contrast",
      fixes: (place) => {
        const other = place.shelf.catalogue
          .filter((material) => material.family === over.family && material.id !== over.id)
          .map((material) => ({ material, difference: colourDifference(material.colour, colour) }))
          .filter((candidate) => candidate.difference >= 2 * CRACK_READS)
          .sort((a, b) => b.difference - a.difference)[0]?.material;
        if (!other) return [];
        return [
          {
            label: `Crack ${named(other)} over it instead`,
            commands: layInstead(place, seam.phase.step.id, other),
            look: `changes the top colour${family === other.family ? ", same kind of paint" : ""}`,
          },
        ];
      },
    },
  ];
}

export const baseForCracks: Rule = {
  meta: {
    id: "K1",
    title: "Cracks need a base that is not thirsty, in another colour",
    reason:
      "The medium has to lie on the base and pull the top coat apart; a thirsty base soaks it up. And a crack shows only by the colour beneath it.",
    origin: "common practice; the limit of ΔE00 15 is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  when: { lays: ["medium", "paint"] },
  onFirstCoat: true,
  check(seam) {
    if (seam.phase.material?.role !== "medium") return contrast(seam);
    const thirsty = seam.seen.find((top) => absorbs(seam, top.stack) >= THIRSTY);
    const drinks: Draft[] = thirsty
      ? [
          {
            ...(thirsty.stack?.film.material.role === "paint"
              ? {
                  severity: "note" as const,
                  title: `The ${topName(seam, thirsty.stack)} drinks some of the crackle medium`,
                  because:
                    "Ready systems for chalk-type paint are made for that: lay the medium well. Sealed first, the cracks open wider.",
                }
              : {
                  severity: "caution" as const,
                  title: `The ${topName(seam, thirsty.stack)} may soak up the crackle medium`,
                  because: "It is thirsty and unsealed; the medium sinks in and the cracks stay thin or fail.",
                }),
            lower: stepOf(thirsty.stack),
            part: "thirsty",
            fixes: (place) => sealFirst(place, seam.phase.step.id),
          },
        ]
      : [];
    return drinks;
  },
  examples: {
    clean: [
      {
        shows: "oyster cracked over storm blue",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
    faulty: [
      {
        shows: "crackle medium on chalk paint",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s1",
            says: "The slate chalk-type paint drinks some of the crackle medium. Ready systems for chalk-type paint are made for that: lay the medium well. Sealed first, the cracks open wider.",
            repairs: ["Seal it with satin clear coat first"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
      {
        shows: "oyster cracked over linen white",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s1",
            says: "The cracks may hardly show. Bone white chalk-type paint and oyster acrylic mineral paint differ by 4 (ΔE00); cracks show from about 15.",
            repairs: ["Crack lamp black chalk-type paint over it instead"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["brush", "crackle-medium"],
          ["brush", "chalk-bone-white"],
        ],
      },
    ],
  },
};
