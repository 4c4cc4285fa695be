import { largestFace } from "../../quantity/shape.ts";
import { isDamp } from "../../surface/laws/misting.ts";
import { handsOn } from "../../surface/one-go.ts";
import { sayDuration } from "../../units/duration.ts";
import { isOpenWet, stepOf } from "../read-surface.ts";
import { insertBefore, ofFamily } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { named } from "../words.ts";

/** What buys open time: water in the air over it, or a slip coat beneath (from memory). */
const LONGER = 1.5;
const WORKED_WET: ReadonlySet<string> = new Set(["wash", "blend", "rag-on", "stipple"]);

export const workableArea: Rule = {
  meta: {
    id: "G1",
    title: "Lay only what you can work while it is open",
    reason: "The far end must still be workable when you come back to it. What has set by then shows a lap.",
    origin: "common practice; work rates and open times are from memory",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  onFirstCoat: true,
  check(seam) {
    const { material, technique, step } = seam.phase;
    const open = material?.windows.open;
    if (!material || !open || (material.role !== "glaze" && !WORKED_WET.has(technique.id))) return [];
    const { shape, faces } = seam.zone;
    // each drawer, leg or face is a piece of its own, and the largest of them takes longest
    const laying = (largestFace(shape) * Math.max(0, handsOn(seam.phase) - technique.setUp)) / (shape.count * faces);
    const slip = seam.films.some(({ film }) => film.material.family === "clear glaze medium" && isOpenWet(seam, film));
    const misted = isDamp(seam.before.misted, seam.at);
    const workable = open.typical * (slip ? LONGER : 1) * (misted ? LONGER : 1);
    if (laying <= workable) return [];
    const sections = seam.phase.go?.sections ?? 1;
    const inSections = sections > 1;
    return [
      {
        severity: inSections && material.role !== "glaze" ? "note" : "caution",
        title:
          inSections && material.role !== "glaze"
            ? "Work it in sections: that is usual"
            : `The ${named(material)} may set before you come back to it`,
        because: `Laying it takes about ${sayDuration(Math.round(laying))} per face; it stays workable for ${sayDuration(Math.round(workable))}. ${inSections ? `Work in ${sections} sections to a natural break, each right through` : "Work in sections to a natural break"}, or with a helper.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => {
          const slipCoat = ofFamily(place.shelf, "clear glaze medium");
          return [
            ...(misted
              ? []
              : [{ label: "Mist the face first", commands: insertBefore(place, step.id, [{ how: "mist" }]) }]),
            ...(slip || !slipCoat
              ? []
              : [
                  {
                    label: "Lay a slip coat of clear glaze first",
                    commands: insertBefore(place, step.id, [{ how: "brush", what: slipCoat }]),
                  },
                ]),
          ];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a glaze on half a square metre",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]],
      },
    ],
    faulty: [
      {
        shows: "a glaze on a wide carcass side",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "The raw umber glaze may set before you come back to it. Laying it takes about 47 min per face; it stays workable for 40 min. Work in 4 sections to a natural break, each right through, or with a helper.",
            repairs: ["Mist the face first"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        zone: { shape: { kind: "panel", width: 1800, height: 1300, count: 1 } },
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]],
      },
    ],
  },
};
