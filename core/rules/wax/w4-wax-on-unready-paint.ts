import { standsBefore } from "../drying/before-clear.ts";
import type { Rule } from "../rule.ts";

export const waxOnUnreadyPaint: Rule = {
  meta: {
    id: "W4",
    title: "Wax waits for dry paint",
    reason:
      "Waxing is rubbing. Paint that is not dry through drags and tears under the cloth, and more so the harder you rub.",
    origin: "common practice; schools differ",
    schools: ["waitBeforeClear", "forcedDry"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["wax"] },
  demands(seam) {
    return seam.films
      .filter(({ film }) => film.material.binder !== "wax" && film.material.role !== "glaze")
      .flatMap(({ film }) => standsBefore(seam, film, "W4", (may, below) => `Rubbing wax in ${may} drag the ${below}`));
  },
  examples: {
    clean: [
      {
        shows: "waxed the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate", { coats: 2 }],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "waxed after two hours",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: 'Rubbing wax in may drag the slate chalk-type paint. It has had 2 h; your house rule, "the full wait", asks for 24 h.',
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["wax", "wax-clear", { wait: { kind: "exactly", minutes: 120 } }],
        ],
      },
      {
        shows: "waxed while wet",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: 'Rubbing wax in will drag the slate chalk-type paint. It has had 10 min; your house rule, "the full wait", asks for 24 h.',
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["wax", "wax-clear", { wait: { kind: "exactly", minutes: 10 } }],
        ],
      },
    ],
  },
};
