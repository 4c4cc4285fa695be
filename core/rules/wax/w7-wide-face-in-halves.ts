import { zoneArea } from "../../plan/plan.ts";
import { largestFace } from "../../quantity/shape.ts";
import { stepOf } from "../read-surface.ts";
import type { Rule } from "../rule.ts";

/** A face wider than this is not waxed in one reach (from memory). */
const ONE_REACH = 0.6;

export const wideFaceInHalves: Rule = {
  meta: {
    id: "W7",
    title: "A wide face waxed in halves keeps the line",
    reason: "Where fresh wax meets wax that has begun to set, it leaves a lap that shows for good in raking light.",
    origin: "common practice; schools differ",
    schools: ["waxFaces"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["wax"] },
  check(seam) {
    const { step } = seam.phase;
    if (seam.phase.where.on !== "everywhere" || step.where.over < 1) return [];
    const { shape, relief } = seam.zone;
    const face = (largestFace(shape) * zoneArea(seam.zone)) / (shape.count * seam.zone.faces);
    if (shape.kind === "frame" || shape.kind === "leg" || face < ONE_REACH) return [];
    const plain = relief.high + relief.recess < 0.05;
    const sections = seam.houseRules.waxFaces === "sections";
    return [
      {
        severity: sections && plain ? "caution" : "note",
        title:
          sections && plain
            ? "A lap may show: this face has no natural break"
            : "A face this wide is normally waxed in one session",
        because: `${seam.zone.name}: ${face.toFixed(2)} m² per face. ${sections ? (plain ? "Your house rule waxes in sections, but this face is plain from edge to edge." : "End each section at a moulding or joint.") : "Your house rule waxes the whole face in one session, with a helper buffing behind."}`,
        schools: sections ? "Others always wax the whole face." : "Others work in sections that end at mouldings.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a moulded panel of half a square metre",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
    faulty: [
      {
        shows: "a table top in sections",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "A lap may show: this face has no natural break. Panel: 1.28 m² per face. Your house rule waxes in sections, but this face is plain from edge to edge.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        houseRules: { waxFaces: "sections" },
        zone: {
          shape: { kind: "panel", width: 1600, height: 800, count: 1 },
          relief: { arris: 0.06, field: 0.94, high: 0, recess: 0 },
        },
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
      {
        shows: "a wide panelled side",
        finds: [
          {
            severity: "note",
            at: "s2",
            over: "s1",
            says: "A face this wide is normally waxed in one session. Panel: 1.08 m² per face. Your house rule waxes the whole face in one session, with a helper buffing behind.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        zone: { shape: { kind: "panel", width: 1200, height: 900, count: 1 } },
        steps: [
          ["brush", "mineral-storm"],
          ["wax", "wax-clear"],
        ],
      },
    ],
  },
};
