import { standsBefore } from "../drying/before-clear.ts";
import type { Rule } from "../rule.ts";

export const clayUnderClearCoat: Rule = {
  meta: {
    id: "B7",
    title: "Let clay paint dry before a liquid clear coat",
    reason:
      "Clay-type paint stays soluble until it is sealed. A brushed clear coat laid too soon picks it up and drags the colour about.",
    origin: "common practice; schools differ",
    schools: ["waitBeforeClear"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["clear"] },
  demands(seam) {
    return seam.films
      .filter(({ film }) => film.material.binder === "clay")
      .flatMap(({ film }) => standsBefore(seam, film, "B7", (may, below) => `The brush ${may} pick up the ${below}`));
  },
  examples: {
    clean: [
      {
        shows: "clear coat the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "clay-moss", { coats: 2 }],
          ["brush", "clear-coat-matt"],
        ],
      },
    ],
    faulty: [
      {
        shows: "clear coat after an hour",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: 'The brush may pick up the moss clay-type paint. It has had 1 h; your house rule, "the full wait", asks for 24 h.',
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "clay-moss"],
          ["brush", "clear-coat-matt", { wait: { kind: "exactly", minutes: 60 } }],
        ],
      },
    ],
  },
};
