import { dried, type Film } from "../../surface/film.ts";
import { shortDuration } from "../../units/duration.ts";
import { THIRSTY, WORTH_SAYING } from "../read-surface.ts";
import { layInstead, ofFamily, waitBefore, withIntent } from "../repair.ts";
import type { FilmSeam, Fix, Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

/** Under this hardness a film gives for good (from memory). */
const STAYS_SOFT = 0.3;

function gives(seam: FilmSeam, film: Film): boolean {
  const { material } = film;
  if (material.role === "oil") return dried(film, "cure", seam.at) < material.drying.cure.safe;
  return (
    material.hardness.typical <= STAYS_SOFT &&
    material.absorbency.typical < THIRSTY &&
    material.binder !== "wax" &&
    material.role !== "medium" &&
    !["size", "leaf", "transfer"].includes(material.role)
  );
}

export const brittleOverSoft: Rule = {
  meta: {
    id: "A6",
    title: "A hard film over a soft one cracks",
    reason: "The soft film gives with every touch and every season; a brittle one on top cannot, so it crazes.",
    origin: "common practice; the limit of hardness is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  onFirstCoat: true,
  check(seam) {
    const { material, step, intents } = seam.phase;
    if (!material?.brittle) return [];
    const soft = seam.films.find(({ film, share }) => share >= WORTH_SAYING && gives(seam, film))?.film;
    if (!soft) return [];
    const wanted = intents.includes("cracks");
    return [
      {
        severity: wanted ? "note" : "caution",
        title: wanted
          ? `${capital(named(material))} should craze over ${named(soft.material)}, as you want`
          : `${capital(named(material))} may craze over ${named(soft.material)}`,
        because: `The ${named(soft.material)} stays soft; the ${named(material)} sets hard and cannot move with it.`,
        lower: soft.stepId,
        fixes: (place) => {
          const flexible = ofFamily(place.shelf, "water-borne clear coat");
          const list: Fix[] = [];
          if (wanted) return list;
          if (soft.material.role === "oil")
            list.push({
              label: `Let the oil cure for ${shortDuration(soft.material.drying.cure.safe)}`,
              commands: waitBefore(place, step.id, soft.material.drying.cure.safe),
            });
          if (flexible && material.role === "clear")
            list.push({
              label: `Use ${named(flexible)} instead, which gives a little`,
              commands: layInstead(place, step.id, flexible),
            });
          list.push({
            label: "I want it to craze",
            commands: withIntent(place, step.id, "cracks"),
            look: "fine crazing in time",
          });
          return list;
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "oil varnish over hard acrylic",
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
        shows: "oil varnish over a wax and paint blend",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "Oil varnish may craze over slate wax and paint blend. The slate wax and paint blend stays soft; the oil varnish sets hard and cannot move with it.",
            repairs: ["Use satin clear coat instead, which gives a little", "I want it to craze"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "wax-blend-slate"],
          ["brush", "varnish-oil", { wait: { kind: "at least", minutes: 2880 } }],
        ],
      },
      {
        shows: "heat-resisting varnish over fresh oil",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Heat-resisting varnish may craze over hemp-type drying oil. The hemp-type drying oil stays soft; the heat-resisting varnish sets hard and cannot move with it.",
            repairs: [
              "Let the oil cure for 30 days",
              "Use satin clear coat instead, which gives a little",
              "I want it to craze",
            ],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["oil-on", "hemp-oil"],
          ["brush", "varnish-heat", { wait: { kind: "at least", minutes: 5760 } }],
        ],
      },
    ],
  },
};
