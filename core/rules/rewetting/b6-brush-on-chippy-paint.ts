import { sharesOf } from "../read-surface.ts";
import { layInstead, ofFamily, patchStep } from "../repair.ts";
import type { Fix, Rule } from "../rule.ts";
import { capital, named, sayShare } from "../words.ts";

export const brushOnChippyPaint: Rule = {
  meta: {
    id: "B6",
    title: "A brush lifts the flakes of chippy paint",
    reason:
      "What is left only just holds on, and the drag of a brush takes more of it than you meant. Wax is pressed in; a spray touches nothing.",
    origin: "common practice; schools differ",
    schools: ["chippyMilk"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["clear"] },
  onFirstCoat: true,
  check(seam) {
    const { step, technique } = seam.phase;
    if (technique.id === "spray") return [];
    const flakes = seam.seen.filter((top) => top.stack?.film.chips);
    const top = flakes[0]?.stack;
    if (!top) return [];
    return [
      {
        severity: "stop",
        title: `The brush will lift the ${named(top.film.material)} that is left`,
        because: `${capital(sayShare(sharesOf(flakes)))} is laid to chip and only just holds on.`,
        schools:
          seam.houseRules.chippyMilk === "wax"
            ? "Your house rule seals it with wax; others mist a clear coat over it."
            : "Your house rule mists a clear coat over it; others press wax in.",
        lower: top.film.stepId,
        fixes: (place) => {
          const wax = ofFamily(place.shelf, "clear wax");
          const spray: Fix = { label: "Spray it in mists", commands: patchStep(place, step.id, { how: "spray" }) };
          const waxed: Fix[] = wax
            ? [
                {
                  label: "Press clear wax in instead",
                  commands: layInstead(place, step.id, wax, { how: "wax", coats: 1 }),
                  look: "softer sheen, gentler use",
                },
              ]
            : [];
          return seam.houseRules.chippyMilk === "wax" ? [...waxed, spray] : [spray, ...waxed];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "chippy paint, sprayed",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear", { intents: ["resist"], where: { on: "arris", over: 0.8 } }],
          ["brush", "milk-curd", { intents: ["chips"] }],
          ["chip"],
          ["spray", "clear-coat-matt"],
        ],
      },
    ],
    faulty: [
      {
        shows: "chippy paint, brushed with clear coat",
        finds: [
          {
            severity: "stop",
            at: "s4",
            over: "s2",
            says: "The brush will lift the curd white milk paint that is left. Most of the surface (69 %) is laid to chip and only just holds on.",
            repairs: ["Press clear wax in instead", "Spray it in mists"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "milk-curd", { intents: ["chips"] }],
          ["chip"],
          ["brush", "clear-coat-matt"],
        ],
      },
    ],
  },
};
