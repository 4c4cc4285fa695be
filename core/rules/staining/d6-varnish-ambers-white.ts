import { lightness } from "../../colour/difference.ts";
import { paleTop } from "../read-surface.ts";
import { layInstead, ofFamily, withIntent } from "../repair.ts";
import type { Fix, Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

export const varnishAmbersWhite: Rule = {
  meta: {
    id: "D6",
    title: "Oil varnish ambers whites",
    reason: "It is yellow in the tin and goes on yellowing; it turns white to cream, most of all in a dark cupboard.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["clear", "oil"] },
  onFirstCoat: true,
  check(seam) {
    const { step, intents } = seam.phase;
    const material = seam.phase.material!;
    if (!material.yellows || intents.includes("stain")) return [];
    const pale = paleTop(seam.tops);
    if (!pale) return [];
    const hard = seam.zone.use.wear === "hard";
    return [
      {
        severity: "caution",
        title: `${capital(named(material))} may amber the ${named(pale.film.material)}`,
        because: `It has a lightness of ${Math.round(lightness(pale.film.material.colour))} out of 100 and turns cream, more so every year.`,
        lower: pale.film.stepId,
        fixes: (place) => {
          // where hot cups stand, a water-borne film would mark
          const clear =
            material.role === "clear" && !seam.zone.use.heat
              ? ofFamily(place.shelf, hard ? "tough water-borne polyurethane" : "water-borne clear coat")
              : undefined;
          const list: Fix[] = [];
          if (clear)
            list.push({
              label: `Use ${named(clear)} instead`,
              commands: layInstead(place, step.id, clear),
              look: "stays as white as it is",
            });
          list.push({
            label: "I want it amber",
            commands: withIntent(place, step.id, "stain"),
            look: "warm, like old varnish",
          });
          return list;
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "oil varnish over storm blue",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "varnish-oil"],
        ],
      },
    ],
    faulty: [
      {
        shows: "oil varnish over oyster",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Oil varnish may amber the oyster acrylic mineral paint. It has a lightness of 83 out of 100 and turns cream, more so every year.",
            repairs: ["Use satin clear coat instead", "I want it amber"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster", { coats: 2 }],
          ["brush", "varnish-oil"],
        ],
      },
    ],
  },
};
