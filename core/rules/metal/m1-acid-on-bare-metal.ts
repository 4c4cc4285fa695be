import { films, stepOf } from "../read-surface.ts";
import { insertBefore, ofFamily, withIntent } from "../repair.ts";
import type { Rule } from "../rule.ts";

/** Grounds that an acid works on. */
export const METAL: ReadonlySet<string> = new Set(["ferrous metal", "brass"]);

export const acidOnBareMetal: Rule = {
  meta: {
    id: "M1",
    title: "Keep the patina off bare metal",
    reason:
      "The acid does not stop at the paint. It eats into the iron or brass beneath and goes on under the finish for years.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["patina"] },
  check(seam) {
    if (!METAL.has(seam.zone.ground.kind)) return [];
    const open = seam.seen.find(
      ({ stack }) => ![...films(stack)].some((film) => film.material.family === "metal barrier primer"),
    );
    if (!open) return [];
    // straight on brass or iron, the metal itself is what is meant to turn
    const itself = open.stack === null && seam.phase.intents.includes("weathered");
    if (itself)
      return [
        {
          severity: "note",
          title: `The ${seam.zone.ground.kind} itself turns, as you want`,
          because:
            "It has to be bare and free of lacquer and grease. Stop the acid with water and a pinch of soda, dry it, and seal it.",
          lower: "ground",
        },
      ];
    const lowest = [...films(open.stack)].at(-1)?.stepId ?? seam.phase.step.id;
    return [
      {
        severity: "stop",
        title: `The patina will eat into the ${seam.zone.ground.kind}`,
        because: "No barrier primer lies between the metal and the reactive paint.",
        lower: stepOf(open.stack),
        fixes: (place) => {
          const primer = ofFamily(place.shelf, "metal barrier primer");
          return [
            ...(open.stack === null
              ? [
                  {
                    label: "I want the metal itself to turn",
                    commands: withIntent(place, seam.phase.step.id, "weathered"),
                    look: "its own patina, uneven",
                  },
                ]
              : []),
            ...(primer
              ? [
                  {
                    label: "Add two coats of metal barrier primer first",
                    commands: insertBefore(place, lowest, [{ how: "brush", what: primer, coats: 2 }]),
                  },
                ]
              : []),
          ];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "barrier primer under the reactive paint",
        ground: "ferrous metal",
        steps: [
          ["clean"],
          ["scuff"],
          ["brush", "metal-primer", { coats: 2 }],
          ["brush", "reactive-iron", { coats: 2 }],
          ["spray", "patina-rust"],
        ],
      },
    ],
    faulty: [
      {
        shows: "patina over iron with no barrier",
        finds: [
          {
            severity: "stop",
            at: "s5",
            over: "s4",
            says: "The patina will eat into the ferrous metal. No barrier primer lies between the metal and the reactive paint.",
            repairs: ["Add two coats of metal barrier primer first"],
          },
        ],
        ground: "ferrous metal",
        steps: [
          ["clean"],
          ["scuff"],
          ["brush", "bonding-primer", { coats: 2 }],
          ["brush", "reactive-iron", { coats: 2 }],
          ["spray", "patina-rust"],
        ],
      },
    ],
  },
};
