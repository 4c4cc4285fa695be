import { openFrom, type Range, type Stage } from "../../drying/gate.ts";
import type { Material } from "../../materials/material.ts";
import type { HouseRules } from "../../plan/house-rules.ts";
import type { Film } from "../../surface/film.ts";
import { patchStep } from "../repair.ts";
import type { Demand, FilmSeam } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

/** What the school that seals at touch dry means by paint. */
const COLOURS: ReadonlySet<Material["role"]> = new Set(["paint", "ink", "tint-base", "stain"]);

/** How long this material dries before wax or a clear coat, by the school followed. */
export function waitBeforeClear(material: Material, houseRules: HouseRules): Range {
  return houseRules.waitBeforeClear === "touch dry" && COLOURS.has(material.role)
    ? material.drying.touch
    : material.drying.beforeClear;
}

/** What is left to wait once warm air has dried a coat to the hand (from memory). */
const AFTER_WARM_AIR: Range = { typical: 10, safe: 15 };

/** The wait of a coat that was dried by warm air, if the house rule counts that as dry. */
export const dryByWarmAir = (film: Film, houseRules: HouseRules): Range | null =>
  film.forced && houseRules.forcedDry === "counts as dry" ? AFTER_WARM_AIR : null;

/** Whether the wait before sealing is the shop's habit rather than what the tin asks for: "24 hours", "three days". */
const isHabit = ({ role, drying }: Material, houseRules: HouseRules): boolean =>
  role === "paint" && houseRules.waitBeforeClear === "the full wait" && drying.beforeClear.origin === "common practice";

/**
 * The demands that a film dries long enough before what seals it: stop before touch dry, caution before the school's wait. A
 * habit is kept on the clock as it is said; that it is dry to the touch in this air is asked besides.
 */
export function standsBefore(
  seam: FilmSeam,
  film: Film,
  rule: string,
  fault: (may: string, below: string) => string,
): Demand[] {
  const below = film.material;
  const warm = dryByWarmAir(film, seam.houseRules);
  const opens = warm ?? waitBeforeClear(below, seam.houseRules);
  const habit = warm === null && isHabit(below, seam.houseRules);
  const school = seam.houseRules.waitBeforeClear;
  const demand = (stage: Stage, range: Range, asks: string): Demand => ({
    rule,
    from: film.phaseId,
    to: seam.phase.id,
    lower: film.stepId,
    gates: [openFrom(stage, range)],
    reason: stage === "touch" ? "touch dry" : "dry enough to seal",
    tell: ({ verdict, waited, dried, ...at }) =>
      verdict === "late"
        ? null
        : {
            severity: dried("touch") < below.drying.touch.typical ? "stop" : "caution",
            title: fault(dried("touch") < below.drying.touch.typical ? "will" : "may", named(below)),
            because: `${sayHad(waited)}; ${asks} ${sayOpens(at)}.`,
            schools:
              school === "the full wait"
                ? "Others carry on as soon as it is touch dry."
                : "Others wait a full day or more.",
            lower: film.stepId,
            fixes: (place) => [
              {
                label: leaveFor(at),
                commands: patchStep(place, seam.phase.step.id, { wait: null }),
              },
            ],
          },
  });
  const bySchool = demand(habit ? "habit" : "before clear", opens, `your house rule, "${school}", asks for`);
  return habit ? [bySchool, demand("touch", below.drying.touch, "in this air it is touch dry after")] : [bySchool];
}
