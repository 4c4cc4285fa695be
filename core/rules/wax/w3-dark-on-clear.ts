import { lightness } from "../../colour/difference.ts";
import { openFrom, openUntil } from "../../drying/gate.ts";
import type { Material } from "../../materials/material.ts";
import { HOUR } from "../../units/units.ts";
import { isTinted } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";
import { sayHad, sayOpens, sayShuts } from "../words.ts";

/** How long a clear wax stays fresh enough to work dark into it (from memory). */
const FRESH = { typical: 30, safe: 20 };
/** When it has set, by the other school: the next day. */
const SET = { typical: 12 * HOUR, safe: 16 * HOUR };

/** Gilding and white go over clear wax by rules of their own. */
const DARK = 50;
const isDark = (material: Material) =>
  isTinted(material) && material.family !== "gilding wax" && lightness(material.colour) < DARK;

export const darkOnClear: Rule = {
  meta: {
    id: "W3",
    title: "Dark wax on clear: fresh, or set",
    reason:
      "Into fresh clear wax the dark can be pushed about and taken back. On set clear wax it lies where it is put. In between, it drags both.",
    origin: "common practice; schools differ; the minutes are from memory",
    schools: ["darkOnClear"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["wax"] },
  demands(seam) {
    const { step } = seam.phase;
    const material = seam.phase.material!;
    if (!isDark(material)) return [];
    const fresh = seam.houseRules.darkOnClear === "while fresh";
    return seam.films
      .filter(({ film }) => film.material.binder === "wax" && film.stepId !== step.id && !isTinted(film.material))
      .map(({ film }) => ({
        rule: "W3",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: fresh ? [openUntil("wet", FRESH), openFrom("recoat", SET)] : [openFrom("recoat", SET)],
        reason: fresh ? "clear still fresh" : "clear has set",
        tell: ({ waited, ...at }) => ({
          severity: "caution" as const,
          title: "The dark may drag the clear wax",
          because: `${sayHad(waited, "The clear wax")}. ${fresh ? `Work the dark in within ${sayShuts(at)}, or wait until it has set, ${sayOpens(at)}.` : `Your house rule waits until it has set, ${sayOpens(at)}.`}`,
          schools: fresh
            ? "Others always let the clear set overnight."
            : "Others work the dark into the fresh clear, section by section.",
          lower: film.stepId,
          fixes: (place) => [
            {
              label: fresh ? "Work it in while fresh" : "Let it set",
              commands: patchStep(place, step.id, { wait: null }),
            },
          ],
        }),
      }));
  },
  examples: {
    clean: [
      {
        shows: "dark into fresh clear",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["wax", "wax-clear"],
          ["wax", "wax-dark"],
        ],
      },
    ],
    faulty: [
      {
        shows: "dark three hours after clear",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "The dark may drag the clear wax. The clear wax has had 3 h. Work the dark in within 20 min, or wait until it has set, 16 h.",
            repairs: ["Work it in while fresh"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["wax", "wax-clear"],
          ["wax", "wax-dark", { wait: { kind: "exactly", minutes: 180 } }],
        ],
      },
    ],
  },
};
