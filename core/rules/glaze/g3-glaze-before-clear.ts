import { openFrom, type Range } from "../../drying/gate.ts";
import type { HouseRules } from "../../plan/house-rules.ts";
import type { Film } from "../../surface/film.ts";
import { dropWait } from "../repair.ts";
import type { Miss, RepairBasis, Rule } from "../rule.ts";
import { capital, leaveFor, named, sayHad, sayOpens } from "../words.ts";

/** What warm air needs to dry a glaze (from memory). */
const HEAT_DRIED: Range = { typical: 20, safe: 30 };

/** How long a glaze dries before it is sealed, by the school followed. */
function standing(film: Film, houseRules: HouseRules): Range {
  const { drying } = film.material;
  if (houseRules.glazeWait === "heat-dried" && film.forced) return HEAT_DRIED;
  if (houseRules.glazeWait === "24–48 h" || houseRules.glazeWait === "heat-dried") return drying.beforeClear;
  return drying.touch;
}

export const glazeBeforeClear: Rule = {
  meta: {
    id: "G3",
    title: "Let glaze dry before you seal it",
    reason: "Glaze is made to stay wet. Sealed early, it clouds, and the clear coat drags it about.",
    origin: "common practice; schools differ",
    schools: ["glazeWait"],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["clear", "wax"] },
  demands(seam) {
    const { material, step } = seam.phase;
    if (material?.role !== "clear" && material?.role !== "wax") return [];
    const school = seam.houseRules.glazeWait;
    return seam.films
      .filter(({ film }) => film.material.role === "glaze")
      .map(({ film }) => {
        const opens = standing(film, seam.houseRules);
        const habit = opens === film.material.drying.beforeClear;
        const wet = (dried: Miss["dried"]) => dried("touch") < film.material.drying.touch.typical && !film.forced;
        return {
          rule: "G3",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates: [openFrom(habit ? "habit" : "before clear", opens)],
          reason: "glaze dry enough to seal",
          tell: ({ verdict, waited, dried, ...at }) =>
            verdict === "late"
              ? null
              : {
                  severity: wet(dried) ? ("stop" as const) : ("caution" as const),
                  title: `${capital(named(material))} ${wet(dried) ? "will" : "may"} cloud over the ${named(film.material)}`,
                  because: `${sayHad(waited)}; your house rule, "${school}", asks for ${sayOpens(at)}.`,
                  schools:
                    school === "24–48 h"
                      ? "Others carry on when it is dry, or dry it with warm air."
                      : "Others wait one to two days.",
                  lower: film.stepId,
                  fixes: (place: RepairBasis) => dropWait(place, step.id, leaveFor(at)),
                },
        };
      });
  },
  examples: {
    clean: [
      {
        shows: "glaze sealed two days later",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"], ["brush", "clear-coat-matt"]],
      },
    ],
    faulty: [
      {
        shows: "glaze sealed after three hours",
        finds: [
          {
            severity: "stop",
            at: "s4",
            over: "s2",
            says: 'Matt clear coat will cloud over the raw umber glaze. It has had 3 h 05 min; your house rule, "24–48 h", asks for 2 days.',
            repairs: ["Leave it for 2 days"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-umber"],
          ["wipe-back"],
          ["brush", "clear-coat-matt", { wait: { kind: "exactly", minutes: 180 } }],
        ],
      },
    ],
  },
};
