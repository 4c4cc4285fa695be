import { openBetween, type Range } from "../../drying/gate.ts";
import type { HouseRules } from "../../plan/house-rules.ts";
import { HOUR } from "../../units/units.ts";
import { isWax, stepOf } from "../read-surface.ts";
import { leaveOut, patchStep } from "../repair.ts";
import type { Demand, Rule } from "../rule.ts";
import { sayAfter, sayShuts } from "../words.ts";

const BUFF_FROM: Record<HouseRules["buff"], Range> = {
  "at once": { typical: 0, safe: 0 },
  "after 10–15 min": { typical: 10, safe: 15 },
  "next day": { typical: 12 * HOUR, safe: 16 * HOUR },
};

export const buffWindow: Rule = {
  meta: {
    id: "W5",
    title: "Buff wax in its window",
    reason:
      "Too soon, and the cloth takes the wax off; too late, and it is too hard to polish. The sign is the colour: lighter once the solvent has left.",
    origin: "common practice, three schools; when it shuts is from memory",
    schools: ["buff"],
    subsumes: [],
  },
  looksAt: ["take"],
  dependsOn: "films",
  when: { does: ["polish"] },
  demands(seam) {
    const { phase, houseRules } = seam;
    return seam.films.flatMap(({ film }): Demand[] => {
      const buff = film.material.windows.buff;
      if (!buff || film.polished) return [];
      const opens = BUFF_FROM[houseRules.buff];
      return [
        {
          rule: "W5",
          from: film.phaseId,
          to: phase.id,
          lower: film.stepId,
          gates: [openBetween("buff", opens, buff.shuts)],
          reason: "buff",
          tell: ({ verdict, waited, ...at }) => ({
            severity: "caution",
            title:
              verdict === "late"
                ? "The wax may not polish: it has gone off"
                : "The wax may come off: it is too soon to buff",
            because: `Buffed ${sayAfter(waited, "waxing")}. Your house rule is "${houseRules.buff}"; it polishes for ${sayShuts(at)}.`,
            schools: "Some buff at once, some after 10–15 min, some the next day.",
            lower: film.stepId,
            fixes: (place) =>
              phase.step.wait
                ? [{ label: "Buff in time", commands: patchStep(place, phase.step.id, { wait: null }) }]
                : [],
          }),
        },
      ];
    });
  },
  check(seam) {
    const { does } = seam.phase;
    if (!does.has("polish") || does.has("abrade") || seam.tops.some((top) => isWax(top.stack))) return [];
    return [
      {
        severity: "caution",
        title: "Buffing may do nothing: there is no wax here",
        because: "Nothing on top takes a polish from a cloth.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "nothing",
        fixes: (place) => [{ label: "Leave out the buffing", commands: leaveOut(place, seam.phase.step.id) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "buffed after a quarter of an hour",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster"], ["wax", "wax-clear"], ["buff"]],
      },
    ],
    faulty: [
      {
        shows: "buffed after four days",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: 'The wax may not polish: it has gone off. Buffed 4 days after waxing. Your house rule is "after 10–15 min"; it polishes for 1 day 12 h.',
            repairs: ["Buff in time"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["wax", "wax-clear"],
          ["buff", null, { wait: { kind: "at least", minutes: 5760 } }],
        ],
      },
    ],
  },
};
