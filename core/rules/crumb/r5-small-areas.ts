import { handsOn } from "../../surface/one-go.ts";
import { sayDuration } from "../../units/duration.ts";
import { laidLast } from "../read-surface.ts";
import type { Rule } from "../rule.ts";
import { CRUMB_ON_WET, SMALL_FACE } from "./stack.ts";

export const smallAreas: Rule = {
  meta: {
    id: "R5",
    title: "Crumb goes on in small areas",
    reason:
      "Paint, mist and crumb have to meet while wet. On a wide face the far end has skinned before the crumb gets there.",
    origin: "common practice",
    schools: [],
    subsumes: [],
  },
  looksAt: ["coat"],
  dependsOn: "zone",
  when: { lays: ["crumb"] },
  check(seam) {
    const paint = laidLast(seam, (film) => film.material.role === "paint").at(-1);
    const laid = seam.past.find(({ phase }) => phase.id === paint?.phaseId);
    if (!paint || !laid) return [];
    const { shape, faces } = seam.zone;
    const laying = (handsOn(laid.phase) - laid.phase.technique.setUp) / (shape.count * faces);
    const stays = paint.material.windows.open?.typical ?? 10;
    if (laying <= stays / 2) return [];
    return [
      {
        severity: "caution",
        title: "The paint may skin before the crumb reaches it",
        because: `Painting a face takes about ${sayDuration(Math.round(laying))}; the paint stays wet enough for ${sayDuration(stays)}, and half of that is for the crumb. Paint a smaller area at a time.`,
        lower: paint.stepId,
      },
    ];
  },
  examples: {
    clean: [
      {
        shows: "a hand's breadth at a time",
        ...SMALL_FACE,
        steps: CRUMB_ON_WET,
      },
    ],
    faulty: [
      {
        shows: "a whole carcass side at once",
        finds: [
          {
            severity: "caution",
            at: "s3",
            over: "s1",
            says: "The paint may skin before the crumb reaches it. Painting a face takes about 19 min; the paint stays wet enough for 10 min, and half of that is for the crumb. Paint a smaller area at a time.",
            repairs: [],
          },
        ],
        ground: "raw timber",
        species: "pine",
        zone: { shape: { kind: "panel", width: 1200, height: 900, count: 1 } },
        steps: CRUMB_ON_WET,
      },
    ],
  },
};
