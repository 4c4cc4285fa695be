import { metBefore } from "../read-surface.ts";
import { insertBefore } from "../repair.ts";
import type { Rule } from "../rule.ts";

export const rawFibreboardEdges: Rule = {
  meta: {
    id: "N2",
    title: "Seal the cut edges of fibreboard",
    reason:
      "The cut edge is the inside of the board: it drinks three times what the face does, swells with water and stays rough under any number of coats.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  onFirstCoat: true,
  check(seam) {
    const { material, where, step } = seam.phase;
    if (!material || material.role === "primer" || material.role === "wax") return [];
    if (seam.zone.ground.kind !== "fibreboard" || !seam.seen.some(({ stack }) => stack === null)) return [];
    if (where.on !== "everywhere" && where.on !== "arris") return [];
    const sealed = seam.past.some(({ phase }) => phase.technique.id === "fill-edges");
    if (sealed || metBefore(seam, () => true)) return [];
    return [
      {
        severity: "caution",
        title: "The raw edges of the fibreboard may drink the paint and swell",
        because: "Nothing seals the cut edges before the first coat.",
        lower: "ground",
        fixes: (place) => [
          { label: "Seal the edges first", commands: insertBefore(place, step.id, [{ how: "fill-edges" }]) },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "fibreboard with its edges sealed",
        ground: "fibreboard",
        steps: [["fill-edges"], ["brush", "mineral-oyster", { coats: 2 }]],
      },
    ],
    faulty: [
      {
        shows: "paint straight on fibreboard",
        finds: [
          {
            severity: "caution",
            at: "s1",
            over: "ground",
            says: "The raw edges of the fibreboard may drink the paint and swell. Nothing seals the cut edges before the first coat.",
            repairs: ["Seal the edges first"],
          },
        ],
        ground: "fibreboard",
        steps: [["brush", "mineral-oyster", { coats: 2 }]],
      },
    ],
  },
};
