import { openUntil } from "../../drying/gate.ts";
import { laidLast, stepOf } from "../read-surface.ts";
import { indexOfStep, leaveOut, patchStep } from "../repair.ts";
import type { Demand, Rule } from "../rule.ts";
import { named, sayAfter, sayShuts } from "../words.ts";

export const wipeWindow: Rule = {
  meta: {
    id: "G2",
    title: "Wipe back glaze and wash while they are open",
    reason: "They stay workable for minutes. At tack they drag the cloth; after that they are paint.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["take"],
  dependsOn: "films",
  when: { does: ["thin"] },
  demands(seam) {
    const { phase } = seam;
    return laidLast(seam, ({ material }) => material.windows.open !== undefined).flatMap((film): Demand[] => {
      const open = film.material.windows.open;
      if (!open) return [];
      return [
        {
          rule: "G2",
          from: film.phaseId,
          to: phase.id,
          lower: film.stepId,
          gates: [openUntil("open", open)],
          reason: "while it is workable",
          tell: ({ verdict, waited, ...at }) =>
            verdict === "early"
              ? null
              : {
                  severity: "caution",
                  title: `The cloth may drag the ${named(film.material)}`,
                  because: `Wiped ${sayAfter(waited, "laying it")}; it stays workable for ${sayShuts(at)}.`,
                  lower: film.stepId,
                  fixes: (place) =>
                    phase.step.wait
                      ? [
                          {
                            label: "Wipe it while it is workable",
                            commands: patchStep(place, phase.step.id, { wait: null }),
                          },
                        ]
                      : [
                          {
                            label: "Wipe straight after laying it",
                            commands: [
                              {
                                do: "move step",
                                crustId: place.crust.id,
                                stepId: phase.step.id,
                                to: Math.min(place.crust.steps.length - 1, indexOfStep(place.crust, film.stepId) + 1),
                              },
                            ],
                          },
                        ],
                },
        },
      ];
    });
  },
  check(seam) {
    const [open] = laidLast(seam, ({ material }) => material.windows.open !== undefined);
    if (open && open.material.carrier === "solvent" && seam.phase.technique.wets === "water")
      return [
        {
          severity: "caution",
          title: `A water-damp cloth may only smear the ${named(open.material)}`,
          because:
            "Water does not open what is thinned with solvent: wipe it with a dry rag, or one damped with its own solvent.",
          lower: open.stepId,
          part: "solvent",
          fixes: (place) => [
            {
              label: "Use a dry rag instead",
              commands: patchStep(place, seam.phase.step.id, { how: "rag-off" }),
              look: "softer, with the print of the rag",
            },
          ],
        },
      ];
    if (open || seam.films.some(({ film }) => film.material.windows.open)) return [];
    return [
      {
        severity: "caution",
        title: "Wiping may do nothing: nothing here is workable",
        because: "There is no glaze or wash on top here.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "nothing",
        fixes: (place) => [{ label: "Leave out the wiping", commands: leaveOut(place, seam.phase.step.id) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "glaze wiped at once",
        ground: "raw timber",
        species: "pine",
        steps: [["brush", "mineral-oyster"], ["brush", "glaze-umber"], ["wipe-back"]],
      },
    ],
    faulty: [
      {
        shows: "glaze wiped after an hour",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s2",
            says: "The cloth may drag the raw umber glaze. Wiped 1 h after laying it; it stays workable for 20 min.",
            repairs: ["Wipe it while it is workable"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-oyster"],
          ["brush", "glaze-umber"],
          ["wipe-back", null, { wait: { kind: "exactly", minutes: 60 } }],
        ],
      },
    ],
  },
};
