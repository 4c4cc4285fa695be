import { openBetween, openFrom } from "../../drying/gate.ts";
import { holdsFrom } from "../../drying/solubility.ts";
import type { Film } from "../../surface/film.ts";
import { patchStep } from "../repair.ts";
import type { Demand, Rule } from "../rule.ts";
import { named, sayHad, sayOpens, sayShuts } from "../words.ts";

export const setTooHard: Rule = {
  meta: {
    id: "B3",
    title: "Wet distressing has a time limit",
    reason:
      "A damp cloth works while the paint can still dissolve in water. Chalk-type paint sets within a day, acrylic and emulsion within the hour; after that only sanding takes it off.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["take"],
  dependsOn: "films",
  when: { does: ["dissolve"] },
  demands(seam) {
    const { phase } = seam;
    return seam.films.flatMap(({ film }): Demand[] => {
      const { material } = film;
      const holds = holdsFrom(material, "water", phase.technique.rubbing);
      // a barrier that lies bare is meant to stop the cloth
      if (material.role !== "paint" || material.binder === "casein" || holds === 0) return [];
      const opens = material.drying.touch;
      const gate = Number.isFinite(holds)
        ? openBetween("touch", opens, { typical: holds, safe: holds })
        : openFrom("touch", opens);
      return [
        {
          rule: "B3",
          from: film.phaseId,
          to: phase.id,
          lower: film.stepId,
          gates: [gate],
          reason: "before it sets hard",
          tell: ({ verdict, waited, ...at }) => ({
            severity: "caution",
            title:
              verdict === "late"
                ? `The damp cloth may no longer move the ${named(material)}`
                : `The damp cloth may smear the ${named(material)}`,
            because:
              verdict === "late"
                ? `${sayHad(waited)} and sets too hard after about ${sayShuts(at)}.`
                : `${sayHad(waited)} and is touch dry after ${sayOpens(at)}.`,
            lower: film.stepId,
            fixes: (place) => [
              ...(phase.step.wait
                ? [{ label: "Distress it in time", commands: patchStep(place, phase.step.id, { wait: null }) }]
                : []),
              {
                label: "Sand the edges dry instead",
                commands: patchStep(place, phase.step.id, { how: "sand-220" }),
                look: "crisper wear, thin lines",
              },
            ],
          }),
        },
      ];
    });
  },
  check(seam) {
    const never = ({ material }: Film) => material.role !== "paint" || holdsFrom(material, "water", 1) === 0;
    if (!seam.films.every(({ film }) => never(film))) return [];
    const top = seam.tops.find(({ stack }) => stack !== null)?.stack;
    if (!top) return [];
    return [
      {
        severity: "caution",
        title: `A damp cloth may do nothing to ${named(top.film.material)}`,
        because: "It does not dissolve in water once laid; sand it, or put something soluble on top.",
        lower: top.film.stepId,
        part: "holds",
        fixes: (place) => [
          {
            label: "Sand the edges dry instead",
            commands: patchStep(place, seam.phase.step.id, { how: "sand-220" }),
            look: "crisper wear, thin lines",
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "chalk paint distressed the same day",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "tint-base-walnut"], ["brush", "chalk-bone-white"], ["wet-distress"]],
      },
    ],
    faulty: [
      {
        shows: "chalk paint distressed two days later",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "The damp cloth may no longer move the bone white chalk-type paint. It has had 2 days and sets too hard after about 20 h.",
            repairs: ["Distress it in time", "Sand the edges dry instead"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "tint-base-walnut"],
          ["brush", "chalk-bone-white"],
          ["wet-distress", null, { wait: { kind: "at least", minutes: 2880 } }],
        ],
      },
    ],
  },
};
