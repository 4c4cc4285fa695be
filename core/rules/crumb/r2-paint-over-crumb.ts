import { openFrom } from "../../drying/gate.ts";
import { dropWait, insertBefore, patchStep } from "../repair.ts";
import type { RepairBasis, Rule } from "../rule.ts";
import { leaveFor, sayHad, sayOpens } from "../words.ts";
import { CRUMB_ON_WET, SMALL_FACE } from "./stack.ts";

export const paintOverCrumb: Rule = {
  meta: {
    id: "R2",
    title: "Paint over crumb when it is dry, and tap it on",
    reason:
      "Wet crumb smears under the next colour, and a stroke drags it off even when dry. A tapped brush leaves it where it fell.",
    origin: "common practice",
    schools: [],
    subsumes: ["C1", "B1", "A1", "A9"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  demands(seam) {
    const { material, step } = seam.phase;
    if (!material || material.role === "crumb") return [];
    return seam.films
      .filter(({ film }) => film.material.role === "crumb")
      .map(({ film }) => ({
        rule: "R2",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openFrom("through", film.material.drying.recoat)],
        reason: "crumb dry",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "late"
            ? null
            : {
                severity: "stop" as const,
                title: "The next colour will smear the wet crumb",
                because: `${sayHad(waited)} and needs ${sayOpens(at)}.`,
                lower: film.stepId,
                fixes: (place: RepairBasis) => dropWait(place, step.id, leaveFor(at)),
              },
      }));
  },
  onFirstCoat: true,
  check(seam) {
    const { material, technique, step } = seam.phase;
    const crumb = seam.films.find(({ film }) => film.material.role === "crumb")?.film;
    if (!material || !crumb || technique.rubbing <= 0.06) return [];
    return [
      {
        severity: "caution",
        title: "A stroke may drag the crumb off",
        because: `"${technique.name}" pulls across it. Tapped on, the colour lies over it.`,
        lower: crumb.stepId,
        part: "stroke",
        fixes: (place) => [
          ...(material.role === "paint"
            ? [{ label: "Tap it on", commands: patchStep(place, step.id, { how: "tap" }) }]
            : []),
          { label: "Scrape the crumb off first", commands: insertBefore(place, step.id, [{ how: "scrape" }]) },
        ],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "the next colour tapped over dry crumb",
        ...SMALL_FACE,
        steps: [...CRUMB_ON_WET, ["tap", "chalk-bone-white"]],
      },
    ],
    faulty: [
      {
        shows: "the next colour stroked over crumb",
        finds: [
          {
            severity: "caution",
            at: "s4",
            over: "s3",
            says: 'A stroke may drag the crumb off. "Brush" pulls across it. Tapped on, the colour lies over it.',
            repairs: ["Tap it on", "Scrape the crumb off first"],
          },
        ],
        ...SMALL_FACE,
        steps: [...CRUMB_ON_WET, ["brush", "chalk-bone-white"]],
      },
      {
        shows: "the next colour after an hour",
        finds: [
          {
            severity: "stop",
            at: "s4",
            over: "s3",
            says: "The next colour will smear the wet crumb. It has had 1 h and needs 4 h.",
            repairs: ["Leave it for 4 h"],
          },
        ],
        ...SMALL_FACE,
        steps: [...CRUMB_ON_WET, ["tap", "chalk-bone-white", { wait: { kind: "exactly", minutes: 60 } }]],
      },
    ],
  },
};
