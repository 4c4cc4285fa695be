import { stepOf } from "../read-surface.ts";
import { leaveOut, patchStep } from "../repair.ts";
import type { Fix, Rule } from "../rule.ts";

/** Thicker than this a drawer begins to bind (from memory). */
const BINDS: number = 60;

export const movingParts: Rule = {
  meta: {
    id: "U7",
    title: "Paint makes moving parts stick",
    reason: "A few coats on each side are enough to jam a drawer, and soft paint glues it shut in summer.",
    origin: "common practice; the limit of 60 µm is from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["finish"],
  dependsOn: "films",
  finish(finish) {
    if (!finish.zone.movingParts) return [];
    const thick = Math.max(0, ...finish.after.patches.field.map((patch) => patch.stack?.total ?? 0));
    if (thick <= BINDS) return [];
    const layers = finish.past.filter(({ phase }) => phase.material !== null);
    const last = layers.at(-1)?.phase.step;
    return [
      {
        severity: "caution",
        title: `A moving part may bind under ${Math.round(thick)} µm of finish`,
        because: `${finish.zone.name}: up to about ${BINDS} µm slides freely. Use one thin coat, wax the runners, and let the lip that shows carry the finish.`,
        lower: stepOf(finish.tops[0]?.stack ?? null),
        fixes: (place) => {
          const heavy = place.crust.steps.filter((step) => step.coats > 1);
          const list: Fix[] = [];
          if (heavy.length > 0)
            list.push({
              label: "Make each one coat",
              commands: heavy.flatMap((step) => patchStep(place, step.id, { coats: 1 })),
            });
          if (last && layers.length > 1)
            list.push({ label: "Leave out the last layer", commands: leaveOut(place, last.id) });
          return list;
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "one coat on drawer sides",
        ground: "raw timber",
        species: "pine",
        zone: { movingParts: true },
        steps: [["brush", "mineral-storm"]],
      },
    ],
    faulty: [
      {
        shows: "three coats on drawer sides",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s2",
            says: "A moving part may bind under 105 µm of finish. Panel: up to about 60 µm slides freely. Use one thin coat, wax the runners, and let the lip that shows carry the finish.",
            repairs: ["Make each one coat", "Leave out the last layer"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        zone: { movingParts: true },
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["brush", "clear-coat-matt", { coats: 2 }],
        ],
      },
    ],
  },
};
