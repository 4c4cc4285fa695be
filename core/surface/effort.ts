import { type Effort, PRESSED } from "../plan/effort.ts";
import { type ByRelief, byRelief, type Effect } from "./effect.ts";

const MOST_RUBBING = 1;

/** Share that is worked when the same hand goes over it several times: what the first pass missed, the next may find. */
const overAgain = (worked: ByRelief, passes: number, pressed: number): ByRelief =>
  byRelief((relief) => 1 - (1 - Math.min(1, worked[relief] * pressed)) ** passes);

/** An effect with more or less effort than one usual pass: paper goes deeper, a cloth wider, a wiping leaves less. */
function withEffortOf(effect: Effect, passes: number, pressed: number): Effect {
  switch (effect.does) {
    case "abrade":
      return { ...effect, micrometres: effect.micrometres * passes * pressed };
    case "dissolve":
      return {
        ...effect,
        rubbing: Math.min(MOST_RUBBING, effect.rubbing * pressed),
        worked: overAgain(effect.worked, passes, 1),
      };
    case "chip":
      return { ...effect, worked: overAgain(effect.worked, passes, pressed) };
    case "thin":
    case "lift":
      return { ...effect, leaves: byRelief((relief) => effect.leaves[relief] ** (passes * pressed)) };
    default:
      return effect;
  }
}

/** Effects as they are when so much effort is put into them. */
export const withEffort = (effects: readonly Effect[], { passes, pressure }: Effort): readonly Effect[] =>
  effects.map((effect) => withEffortOf(effect, passes, PRESSED[pressure]));
