import { seen } from "../read-surface.ts";
import { appended, insertBefore, ofFamily, withIntent } from "../repair.ts";
import type { Rule, Top } from "../rule.ts";
import { named } from "../words.ts";

const tarnishing = (tops: readonly Top[]) =>
  seen(tops).find(({ stack }) => stack?.film.material.role === "leaf" && stack.film.material.tarnishes)?.stack ?? null;

export const imitationLeafTarnishes: Rule = {
  meta: {
    id: "L3",
    title: "Seal imitation leaf",
    reason:
      "It is brass or aluminium: it goes brown and green in air, and water in a glaze starts that at once. Genuine gold needs no sealer.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat", "finish"],
  dependsOn: "films",
  check(seam) {
    const { material, step } = seam.phase;
    if (material?.carrier !== "water" || material.role === "clear" || step.intents.includes("weathered")) return [];
    const leaf = tarnishing(seam.tops);
    if (!leaf) return [];
    return [
      {
        severity: "caution",
        title: `The water in the ${named(material)} may tarnish the ${named(leaf.film.material)}`,
        because: "The leaf beneath is not sealed.",
        lower: leaf.film.stepId,
        fixes: (place) => {
          const shellac = ofFamily(place.shelf, "shellac sealer");
          return [
            ...(shellac
              ? [
                  {
                    label: `Seal the leaf with ${named(shellac)} first`,
                    commands: insertBefore(place, step.id, [{ how: "brush", what: shellac }]),
                    look: "a shade warmer",
                  },
                ]
              : []),
            {
              label: "Let it tarnish",
              commands: withIntent(place, step.id, "weathered"),
              look: "brown and green at random",
            },
          ];
        },
      },
    ];
  },
  finish(finish) {
    const leaf = tarnishing(finish.tops);
    if (
      !leaf ||
      finish.past.some(({ phase }) => phase.step.id === leaf.film.stepId && phase.intents.includes("weathered"))
    )
      return [];
    return [
      {
        severity: "caution",
        title: `The ${named(leaf.film.material)} may brown within weeks`,
        because: "It is left unsealed.",
        lower: leaf.film.stepId,
        part: "open",
        fixes: (place) => {
          const shellac = ofFamily(place.shelf, "shellac sealer");
          const spray = ofFamily(place.shelf, "aerosol clear");
          return [
            ...(shellac
              ? [
                  {
                    label: `Seal it with ${named(shellac)}`,
                    commands: appended(place, [{ how: "brush", what: shellac }]),
                    look: "a shade warmer",
                  },
                ]
              : []),
            ...(spray
              ? [
                  {
                    label: `Spray ${named(spray)} over it`,
                    commands: appended(place, [{ how: "spray", what: spray }]),
                    look: "less shine",
                  },
                ]
              : []),
            {
              label: "Let it tarnish",
              commands: withIntent(place, leaf.film.stepId, "weathered"),
              look: "brown and green at random",
            },
          ];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "genuine leaf left as it is",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-genuine-gold"],
        ],
      },
      {
        shows: "imitation leaf under shellac",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-imitation-gold"],
          ["brush", "shellac-sealer"],
        ],
      },
    ],
    faulty: [
      {
        shows: "imitation leaf left bare",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s3",
            says: "The imitation gold leaf may brown within weeks. It is left unsealed.",
            repairs: ["Seal it with dewaxed shellac sealer", "Spray matt aerosol clear over it", "Let it tarnish"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-imitation-gold"],
        ],
      },
      {
        shows: "a glaze over unsealed imitation leaf",
        finds: [
          {
            severity: "caution",
            at: "s4",
            over: "s3",
            says: "The water in the raw umber glaze may tarnish the imitation gold leaf. The leaf beneath is not sealed.",
            repairs: ["Seal the leaf with dewaxed shellac sealer first", "Let it tarnish"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "leaf-size"],
          ["lay-leaf", "leaf-imitation-gold"],
          ["brush", "glaze-umber"],
          ["wipe-back"],
          ["brush", "clear-coat-matt"],
        ],
      },
    ],
  },
};
