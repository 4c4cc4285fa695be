import { openFrom, type Range } from "../../drying/gate.ts";
import type { Material } from "../../materials/material.ts";
import type { HouseRules } from "../../plan/house-rules.ts";
import type { Film } from "../../surface/film.ts";
import { patchStep } from "../repair.ts";
import type { Demand, FilmSeam } from "../rule.ts";
import { leaveFor, named, sayHad, sayOpens } from "../words.ts";

/** How long this material dries before wax or a clear coat, by the school followed. */
export function waitBeforeClear(material: Material, houseRules: HouseRules): Range {
  return houseRules.waitBeforeClear === "touch dry" && material.role === "paint"
    ? material.drying.touch
    : material.drying.beforeClear;
}

/** What is left to wait once warm air has dried a coat to the hand (from memory). */
const AFTER_WARM_AIR: Range = { typical: 10, safe: 15 };

/** The wait of a coat that was dried by warm air, if the house rule counts that as dry. */
export const dryByWarmAir = (film: Film, houseRules: HouseRules): Range | null =>
  film.forced && houseRules.forcedDry === "counts as dry" ? AFTER_WARM_AIR : null;

/** The demand that a film dries long enough before what seals it: stop before touch dry, caution before the school's wait. */
export function standsBefore(
  seam: FilmSeam,
  film: Film,
  rule: string,
  fault: (may: string, below: string) => string,
): Demand {
  const below = film.material;
  const opens = dryByWarmAir(film, seam.houseRules) ?? waitBeforeClear(below, seam.houseRules);
  const school = seam.houseRules.waitBeforeClear;
  return {
    rule,
    from: film.phaseId,
    to: seam.phase.id,
    lower: film.stepId,
    gates: [openFrom("before clear", opens)],
    reason: "dry enough to seal",
    tell: ({ verdict, waited, dried, ...at }) =>
      verdict === "late"
        ? null
        : {
            severity: dried("touch") < below.drying.touch.typical ? "stop" : "caution",
            title: fault(dried("touch") < below.drying.touch.typical ? "will" : "may", named(below)),
            because: `${sayHad(waited)}; your house rule, "${school}", asks for ${sayOpens(at)}.`,
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
  };
}
