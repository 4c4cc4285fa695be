import type { Rule } from "../rule.ts";
import { standsBefore } from "./before-clear.ts";

export const standBeforeClearCoat: Rule = {
  meta: {
    id: "C3",
    title: "Let paint dry before a clear coat",
    reason: "A clear coat traps the water. Sealed too early, the paint stays soft, clouds, or lifts with the brush.",
    origin: "common practice; schools differ",
    schools: ["waitBeforeClear", "forcedDry"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["clear"] },
  demands(seam) {
    return seam.films
      .filter(
        ({ film }) =>
          // glaze and clay have a rule of their own
          film.material.role !== "clear" &&
          film.material.role !== "glaze" &&
          !["wax", "clay"].includes(film.material.binder),
      )
      .flatMap(({ film }) =>
        standsBefore(seam, film, "C3", (may, below) => `The clear coat ${may} pull at the ${below}`),
      );
  },
  examples: {
    clean: [
      {
        shows: "clear coat the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "clear-coat-matt"],
        ],
      },
    ],
    faulty: [
      {
        shows: "clear coat after two hours",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: 'The clear coat may pull at the slate chalk-type paint. It has had 2 h; your house rule, "the full wait", asks for 24 h.',
            repairs: ["Leave it for 24 h"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["brush", "clear-coat-matt", { wait: { kind: "exactly", minutes: 120 } }],
        ],
      },
    ],
  },
};
