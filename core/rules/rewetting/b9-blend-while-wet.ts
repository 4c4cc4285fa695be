import { openUntil } from "../../drying/gate.ts";
import type { Phase } from "../../surface/phase.ts";
import { laidLast, stepOf } from "../read-surface.ts";
import { insertBefore, patchStep } from "../repair.ts";
import type { Demand, FilmSeam, Rule } from "../rule.ts";
import { capital, named, sayAge, sayShuts } from "../words.ts";

const blends = ({ technique }: Phase) => technique.id === "blend";

const wetColour = (seam: FilmSeam) =>
  laidLast(seam, ({ material, stepId }) => material.windows.open !== undefined && stepId !== seam.phase.step.id);

export const blendWhileWet: Rule = {
  meta: {
    id: "B9",
    title: "Blend while both colours are wet",
    reason:
      "The second colour goes into the first where they meet, and only while both move. On a colour that has set it is just another coat with a soft edge.",
    origin: "common practice",
    schools: [],
    subsumes: ["C1"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  demands(seam) {
    const { phase } = seam;
    if (!blends(phase)) return [];
    return wetColour(seam).map(
      (film): Demand => ({
        rule: "B9",
        from: film.phaseId,
        to: phase.id,
        lower: film.stepId,
        gates: [openUntil("open", film.material.windows.open!)],
        reason: "while it is wet",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "early"
            ? null
            : {
                severity: "caution",
                title: `${capital(named(phase.material!))} may not blend into the ${named(film.material)}`,
                because: `${sayAge(waited, `The ${named(film.material)}`)} and can be worked for ${sayShuts(at)}. Work a part of the face at a time, both colours together.`,
                lower: film.stepId,
                fixes: (place) => [
                  ...(phase.step.wait
                    ? [
                        {
                          label: "Work it in straight away",
                          commands: patchStep(place, phase.step.id, { wait: null }),
                        },
                      ]
                    : []),
                  {
                    label: `Lay a little more ${named(film.material)} first`,
                    commands: insertBefore(place, phase.step.id, [{ how: "brush", what: film.material }]),
                  },
                ],
              },
      }),
    );
  },
  onFirstCoat: true,
  check(seam) {
    const { phase } = seam;
    if (!blends(phase) || wetColour(seam).length > 0) return [];
    return [
      {
        severity: "caution",
        title: "There may be nothing to blend into",
        because:
          "No colour beneath it can still be worked. Lay both colours wet, side by side, and blend where they meet.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "nothing",
        fixes: (place) => [
          {
            label: "Brush it on instead",
            commands: patchStep(place, phase.step.id, { how: "brush" }),
            look: "a whole coat, without soft borders",
          },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "two colours blended at once",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-sea-green"],
          ["blend", "chalk-duck-egg"],
        ],
      },
      {
        shows: "the second coat of a colour, the first long dry, with another blended into it",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-sea-green", { coats: 2 }],
          ["blend", "chalk-duck-egg"],
        ],
      },
    ],
    faulty: [
      {
        shows: "a colour blended into one of yesterday",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "Duck egg chalk-type paint may not blend into the sea green chalk-type paint. The sea green chalk-type paint is 24 h old and can be worked for 8 min here (normally 10 min). Work a part of the face at a time, both colours together.",
            repairs: ["Work it in straight away"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-sea-green"],
          ["blend", "chalk-duck-egg", { wait: { kind: "at least", minutes: 1440 } }],
        ],
      },
      {
        shows: "a blend on a clear coat",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "There may be nothing to blend into. No colour beneath it can still be worked. Lay both colours wet, side by side, and blend where they meet.",
            repairs: ["Brush it on instead"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "clear-coat-matt"],
          ["blend", "chalk-duck-egg"],
        ],
      },
    ],
  },
};
