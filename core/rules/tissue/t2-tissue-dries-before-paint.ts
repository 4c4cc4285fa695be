import { openFrom } from "../../drying/gate.ts";
import { sayDuration } from "../../units/duration.ts";
import { dropWait } from "../repair.ts";
import type { Place, Rule } from "../rule.ts";

export const tissueDriesBeforePaint: Rule = {
  meta: {
    id: "T2",
    title: "Let tissue dry before you paint over it",
    reason: "Wet paper tears under a brush. Three or four hours are enough; overnight is better.",
    origin: "common practice",
    schools: [],
    subsumes: ["C1", "C3"],
  },
  looksAt: ["coat"],
  demands(seam) {
    const { material, step } = seam.phase;
    if (!material) return [];
    return seam.films
      .filter(({ film }) => film.material.role === "tissue" && film.stepId !== step.id)
      .map(({ film }) => ({
        rule: "T2",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openFrom("through", film.material.drying.recoat)],
        reason: "tissue dry",
        tell: (verdict, waited, dried) =>
          verdict === "late"
            ? null
            : {
                severity:
                  dried("touch") < film.material.drying.touch.typical ? ("stop" as const) : ("caution" as const),
                title: "The tissue is still too wet to coat",
                because: `It has had ${sayDuration(waited)}; allow at least ${sayDuration(film.material.drying.recoat.typical)}, better ${sayDuration(film.material.drying.recoat.safe)}, or it tears.`,
                lower: film.stepId,
                fixes: (place: Place) => dropWait(place, step.id, "Let it dry overnight"),
              },
      }));
  },
  examples: {
    clean: [
      {
        shows: "coated the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "decoupage-varnish"],
          ["lay-tissue", "tissue-roses"],
          ["brush", "decoupage-varnish"],
        ],
      },
    ],
    faulty: [
      {
        shows: "coated after an hour",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "decoupage-varnish"],
          ["lay-tissue", "tissue-roses"],
          ["brush", "decoupage-varnish", { wait: { kind: "exactly", minutes: 60 } }],
        ],
      },
    ],
  },
};
