import { lightness } from "../../colour/difference.ts";
import { films, stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { capital, groundNamed, named } from "../words.ts";

export const tissueEdges: Rule = {
  meta: {
    id: "T3",
    title: "Torn edges vanish, cut edges show",
    reason: "A torn edge thins to nothing. The print is translucent: white beneath brightens it, grey mutes it.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["tissue"] },
  check(seam) {
    const under = [...films(seam.seen[0]?.stack ?? null)].find((film) => film.material.role === "paint");
    const light = lightness(under?.material.colour ?? seam.zone.ground.colour);
    return [
      {
        severity: "note",
        title: light >= 75 ? "Tear the edges, do not cut them" : "What lies beneath mutes the print",
        because: `${under ? capital(named(under.material)) : capital(groundNamed(seam.zone.ground))} beneath has a lightness of ${Math.round(light)} out of 100. Press the soaked paper on through plastic; sand off any overhang with 150 grit when dry.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "no tissue",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "decoupage-varnish"],
        ],
      },
    ],
    faulty: [
      {
        shows: "roses over oyster",
        finds: [
          {
            severity: "note",
            at: "s3",
            over: "s2",
            says: "Tear the edges, do not cut them. Oyster acrylic mineral paint beneath has a lightness of 83 out of 100. Press the soaked paper on through plastic; sand off any overhang with 150 grit when dry.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "decoupage-varnish"],
          ["lay-tissue", "tissue-roses"],
          ["brush", "decoupage-varnish", { coats: 2 }],
        ],
      },
    ],
  },
};
