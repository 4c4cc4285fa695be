import { openUntil } from "../../drying/gate.ts";
import type { Film } from "../../surface/film.ts";
import { isDamp } from "../../surface/laws/misting.ts";
import { isOpenWet, laidLast, stepOf } from "../read-surface.ts";
import { dropWait, insertBefore, leaveOut } from "../repair.ts";
import type { Demand, Rule } from "../rule.ts";
import { sayAge, sayShuts } from "../words.ts";
import { CRUMB_ON_WET, SMALL_FACE } from "./stack.ts";

const isPaint = ({ material }: Film) => material.role === "paint";

export const crumbOnWetPaint: Rule = {
  meta: {
    id: "R1",
    title: "Drop crumb on wet, misted paint",
    reason:
      "Wet paint holds it. On a skin it rolls off; misted again afterwards, it takes up water and swells into place.",
    origin: "common practice",
    schools: [],
    subsumes: ["A1", "C1", "B1"],
  },
  looksAt: ["coat"],
  dependsOn: "films",
  when: { lays: ["crumb"] },
  demands(seam) {
    const { step } = seam.phase;
    return laidLast(seam, isPaint).map(
      (film): Demand => ({
        rule: "R1",
        from: film.phaseId,
        to: seam.phase.id,
        lower: film.stepId,
        gates: [openUntil("wet", film.material.drying.touch)],
        reason: "while the paint is wet",
        tell: ({ verdict, waited, ...at }) =>
          verdict === "early"
            ? null
            : {
                severity: "stop",
                title: "The crumb will roll off the paint",
                because: `${sayAge(waited, "The paint")} and skins within ${sayShuts(at)}.`,
                lower: film.stepId,
                fixes: (place) => dropWait(place, step.id, "Drop it while the paint is wet"),
              },
      }),
    );
  },
  check(seam) {
    const { step } = seam.phase;
    if (!seam.films.some(({ film }) => isPaint(film)))
      return [
        {
          severity: "stop",
          title: "The crumb will roll off: there is no wet paint",
          because: "Only wet paint holds crumb.",
          lower: stepOf(seam.tops[0]?.stack ?? null),
          part: "nothing",
          fixes: (place) => [{ label: "Remove this step", commands: leaveOut(place, step.id) }],
        },
      ];
    const wet = seam.films.some(({ film }) => isPaint(film) && isOpenWet(seam, film));
    if (!wet || isDamp(seam.before.misted, seam.at)) return [];
    return [
      {
        severity: "caution",
        title: "The crumb may not sink in: the paint is not misted",
        because: "Misted, the paint stays open longer and takes the crumb in. Mist again over the crumb.",
        lower: stepOf(seam.tops[0]?.stack ?? null),
        part: "dry",
        fixes: (place) => [{ label: "Mist first", commands: insertBefore(place, step.id, [{ how: "mist" }]) }],
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "crumb on wet misted paint",
        ...SMALL_FACE,
        steps: CRUMB_ON_WET,
      },
    ],
    faulty: [
      {
        shows: "crumb on dry paint",
        finds: [
          {
            severity: "stop",
            at: "s2",
            over: "s1",
            says: "The crumb will roll off the paint. The paint is 2 h old and skins within 24 min here (normally 30 min).",
            repairs: ["Drop it while the paint is wet"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["sprinkle", "texture-crumb", { wait: { kind: "at least", minutes: 120 } }],
        ],
      },
      {
        shows: "crumb on bare timber",
        finds: [
          {
            severity: "stop",
            at: "s1",
            over: "ground",
            says: "The crumb will roll off: there is no wet paint. Only wet paint holds crumb.",
            repairs: ["Remove this step"],
          },
        ],
        ground: "raw timber",
        species: "pine",
        steps: [["sprinkle", "texture-crumb"]],
      },
    ],
  },
};
