import { openBetween } from "../../drying/gate.ts";
import type { Phase } from "../../surface/phase.ts";
import { stepOf } from "../read-surface.ts";
import { indexOfStep, insertBefore, ofFamily, patchStep } from "../repair.ts";
import type { Demand, Fix, RepairBasis, Rule } from "../rule.ts";
import { capital, named, sayAfter, sayBetween } from "../words.ts";

function fixesFor(place: RepairBasis, phase: Phase, medium: string): Fix[] {
  const { crust } = place;
  const at = indexOfStep(place.crust, phase.step.id);
  const mediumAt = indexOfStep(place.crust, medium);
  if (phase.step.wait)
    return [{ label: "Paint while it has tack", commands: patchStep(place, phase.step.id, { wait: null }) }];
  if (at > mediumAt + 1)
    return [
      {
        label: "Paint straight after the medium",
        commands: [{ do: "move step", crustId: crust.id, stepId: phase.step.id, to: mediumAt + 1 }],
      },
    ];
  return [];
}

export const tackWindow: Rule = {
  meta: {
    id: "K2",
    title: "Paint over crackle medium while it has tack",
    reason:
      "Too wet, and the paint slides; past its tack, and it dries whole. Between the two the medium shrinks under the paint and tears it.",
    origin: "common practice for when it opens, from memory for when it shuts",
    schools: [],
    subsumes: ["C1", "B1"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  demands(seam) {
    const { material, step } = seam.phase;
    if (!material || material.role === "wax") return [];
    return seam.films.flatMap(({ film }): Demand[] => {
      const tack = film.material.windows.tack;
      if (!tack || film.material.role !== "medium" || film.spent || film.stepId === step.id) return [];
      return [
        {
          rule: "K2",
          from: film.phaseId,
          to: seam.phase.id,
          lower: film.stepId,
          gates: [openBetween("tack", tack.opens, tack.shuts)],
          reason: "tack",
          tell: ({ verdict, waited, ...at }) => ({
            severity: "stop",
            title:
              verdict === "late"
                ? "The paint will dry whole: the medium is past its tack"
                : "The paint will slide on the wet crackle medium",
            because: `Painted ${sayAfter(waited, "the medium")}. It cracks ${sayBetween(at)}, ${tack.opens.safe === 0 ? "while it is still wet" : "when it is milky with hair lines"}.`,
            lower: film.stepId,
            fixes: (place) => fixesFor(place, seam.phase, film.stepId),
          }),
        },
      ];
    });
  },
  onFirstCoat: true,
  check(seam) {
    const { material, step, intents } = seam.phase;
    if (material?.role !== "paint" || !intents.includes("cracks")) return [];
    if (seam.films.some(({ film }) => film.material.role === "medium" && !film.spent)) return [];
    return [
      {
        severity: "caution",
        title: `${capital(named(material))} may not crack: there is no medium under it`,
        because: "Paint by itself dries whole; crackle medium or wet glue tears it from beneath.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "nothing",
        fixes: (place) => {
          const medium = ofFamily(place.shelf, "crackle medium");
          const without: Fix = {
            label: "I do not want cracks",
            commands: patchStep(place, step.id, { intents: intents.filter((intent) => intent !== "cracks") }),
          };
          return medium
            ? [
                {
                  label: "Lay crackle medium first",
                  commands: insertBefore(place, step.id, [{ how: "brush", what: medium }]),
                },
                without,
              ]
            : [without];
        },
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "painted a quarter of an hour after the medium",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster"],
        ],
      },
    ],
    faulty: [
      {
        shows: "painted three hours after the medium",
        finds: [
          {
            severity: "stop",
            at: "s3",
            over: "s2",
            says: "The paint will dry whole: the medium is past its tack. Painted 3 h after the medium. It cracks between 15 min and 1 h, when it is milky with hair lines.",
            repairs: ["Paint while it has tack"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "crackle-medium"],
          ["brush", "mineral-oyster", { wait: { kind: "at least", minutes: 180 } }],
        ],
      },
      {
        shows: "cracks wanted, but no medium",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Oyster acrylic mineral paint may not crack: there is no medium under it. Paint by itself dries whole; crackle medium or wet glue tears it from beneath.",
            repairs: ["Lay crackle medium first", "I do not want cracks"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["brush", "mineral-oyster", { intents: ["cracks"] }],
        ],
      },
    ],
  },
};
