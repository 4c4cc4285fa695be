import { metBefore } from "../read-surface.ts";
import { insertBefore, withIntent } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { capital, named } from "../words.ts";

export const flakingPaintKept: Rule = {
  meta: {
    id: "A10",
    title: "Loose paint cannot carry a new coat",
    reason:
      "A new coat grips the flake, but the flake grips nothing. It comes away in plates and takes the new finish with it.",
    origin: "common practice",
    schools: [],
    subsumes: ["A1"],
  },
  looksAt: ["coat"],
  dependsOn: "bare ground",
  check(seam) {
    const { material, step, intents } = seam.phase;
    if (!material || !seam.seen.some((top) => top.stack === null) || seam.before.ground.sound) return [];
    if (metBefore(seam, () => true)) return [];
    const wanted = intents.includes("weathered");
    return [
      {
        severity: wanted ? "caution" : "stop",
        title: wanted
          ? `${capital(named(material))} may come off with the loose paint`
          : `${capital(named(material))} will come off with the loose paint`,
        because: wanted
          ? "You keep the loose paint for its look. Bind it well, for display only."
          : "The old paint flakes, and what is laid on it comes away with it.",
        lower: "ground",
        fixes: (place) =>
          wanted
            ? []
            : [
                {
                  label: "Scrape the loose paint off first",
                  commands: insertBefore(place, step.id, [{ how: "knock-back" }]),
                },
                {
                  label: "Strip it",
                  commands: insertBefore(place, step.id, [{ how: "strip" }]),
                  look: "bare timber where it wears",
                },
                { label: "Keep the loose paint", commands: withIntent(place, step.id, "weathered") },
              ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "loose paint scraped off first",
        ground: "old paint",
        groundIs: { soundness: "flaking", age: "after 1978" },
        steps: [["clean"], ["knock-back"], ["brush", "chalk-slate", { coats: 2 }]],
      },
    ],
    faulty: [
      {
        shows: "chalk paint over flakes",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "ground",
            says: "Slate chalk-type paint will come off with the loose paint. The old paint flakes, and what is laid on it comes away with it.",
            repairs: ["Scrape the loose paint off first", "Strip it", "Keep the loose paint"],
          },
        ],
        ground: "old paint",
        groundIs: { soundness: "flaking", age: "after 1978" },
        steps: [["clean"], ["brush", "chalk-slate", { coats: 2 }]],
      },
    ],
  },
};
