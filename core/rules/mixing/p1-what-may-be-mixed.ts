import type { Material } from "../../materials/material.ts";
import { stepOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

type Verdict = { severity: "stop" | "caution" | "note"; because: string } | null;

const CHALKY: ReadonlySet<string> = new Set(["chalk", "clay", "acrylic"]);
const isWaxy = (material: Material) => material.binder === "wax" || material.binder === "wax and acrylic";

/** Whether two materials may be mixed, from what carries and what binds them; null where nothing is against it. */
export function together(one: Material, two: Material): Verdict {
  const either = (fits: (material: Material) => boolean) => fits(one) || fits(two);
  // a powder goes into anything that is stirred
  if (either(({ role }) => role === "pigment")) return null;
  const both = (fits: (material: Material) => boolean) => fits(one) && fits(two);
  // paint into paste wax is an old trick: the wax takes it up although one is water and the other is not
  if (either(isWaxy)) {
    if (both(isWaxy)) return null;
    return either((material) => material.role === "paint")
      ? null
      : { severity: "caution", because: "Wax takes up paint and wax; with anything else it may curdle." };
  }
  if (one.carrier !== two.carrier && either(({ carrier }) => carrier === "water")) {
    const other = one.carrier === "water" ? two.carrier : one.carrier;
    return {
      severity: "stop",
      because:
        other === "none"
          ? "Only one of them takes water, so they separate or curdle."
          : `Water and ${other} separate or curdle.`,
    };
  }
  if (either(({ role }) => role === "patina"))
    return { severity: "stop", because: "The acid spoils whatever it is mixed into." };
  if (either(({ role }) => role === "glaze"))
    return either(({ role }) => role === "paint" || role === "glaze" || role === "tint-base")
      ? null
      : { severity: "caution", because: "Glaze medium takes paint; with this it is untried." };
  if (both(({ binder }) => CHALKY.has(binder))) return null;
  if (one.binder === two.binder) return null;
  return {
    severity: "caution",
    because: "Their binders differ. Try it on a board, and keep a wet sample and the written ratio.",
  };
}

export const whatMayBeMixed: Rule = {
  meta: {
    id: "P1",
    title: "What may be mixed",
    reason:
      "Clay with chalk, paint into glaze medium, paint into wax and wax with wax are usual, and the mix dissolves as easily as the softer of the two. Oil and water separate; an acid spoils everything.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  check(seam) {
    const { material, step } = seam.phase;
    const other = seam.phase.with;
    if (!material || !other || seam.phase.coat > 1) return [];
    const verdict = together(material, other);
    if (!verdict)
      return [
        {
          severity: "note",
          title: `${capital(named(other))} in ${named(material)}: keep the ratio and a wet sample`,
          because:
            "The mix dissolves as easily as the softer of the two. A dab on card, with the ratio beside it, is the only record you can match.",
          lower: stepOf(seam.tops[0]?.stack ?? null),
        },
      ];
    return [
      {
        severity: verdict.severity,
        title: `${capital(named(other))} and ${named(material)} ${verdict.severity === "stop" ? "will" : "may"} not mix`,
        because: verdict.because,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => [
          {
            label: `Use the ${named(material)} alone`,
            commands: patchStep(place, step.id, { with: null, ratio: null }),
          },
        ],
      },
    ];
  },
  examples: {
    clean: [{ shows: "nothing mixed", ground: "raw timber", species: "pine", steps: [["brush", "mineral-oyster"]] }],
    faulty: [
      {
        shows: "emulsion into oil varnish",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "varnish-oil", { with: "emulsion-putty", ratio: "80 : 20" }],
        ],
      },
      {
        shows: "clay with chalk",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "chalk-slate", { with: "clay-moss", ratio: "1 : 1" }]],
      },
    ],
  },
};
