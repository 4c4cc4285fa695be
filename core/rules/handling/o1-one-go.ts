import { LONGEST_PAUSE } from "../../surface/one-go.ts";
import { sayDuration } from "../../units/duration.ts";
import { stepOf } from "../read-surface.ts";
import { patchStep } from "../repair.ts";
import type { Rule } from "../rule.ts";

export const noLongerOneGo: Rule = {
  meta: {
    id: "O1",
    title: "One session leaves no time to dry",
    reason:
      "Worked in one session, a section goes through all its steps before the next is begun. What has to dry in between is two.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat", "take", "help"],
  dependsOn: "films",
  onFirstCoat: true,
  check(seam) {
    const { phase, past, at } = seam;
    const before = past.at(-1);
    if (!phase.step.oneGo || !before) return [];
    if (phase.go !== null && phase.go.ids[0] !== phase.id) return [];
    if (at - before.ends <= LONGEST_PAUSE) return [];
    return [
      {
        severity: "caution",
        title: "This may not be done in one session with the step before",
        because: `It waits ${sayDuration(at - before.ends)} after that, so the two are planned as two.`,
        lower: stepOf(seam.tops[0]?.stack ?? null),
        fixes: (place) => [{ label: "Work it on its own", commands: patchStep(place, phase.step.id, { oneGo: null }) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a coat looked over the next day",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm"],
          ["look-wet", null, { wait: { kind: "at least", minutes: 1440 } }],
        ],
      },
      {
        shows: "three metallic waxes from one sponge",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "mineral-storm", { coats: 2 }],
          ["finger", "wax-metallic-bronze"],
          ["finger", "wax-metallic-bronze", { oneGo: true }],
        ],
      },
    ],
    faulty: [
      {
        shows: "sanded in one session with the paint",
        finds: [
          {
            severity: "caution",
            at: "s2",
            over: "s1",
            says: "This may not be done in one session with the step before. It waits 6 h after that, so the two are planned as two.",
            repairs: ["Work it on its own"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "oil-deep-green"],
          ["sand-220", null, { oneGo: true }],
        ],
      },
    ],
  },
};
