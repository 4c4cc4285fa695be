import type { Plan } from "#core/plan/plan";
import type { Schedule } from "#core/schedule/schedule";
import type { Tried } from "#core/schedule/what-if";

/**
 * What a page requests of the scheduling worker: the best dates for some jobs within so many milliseconds, or the
 * ideas of What if.
 */
export type Asking =
  | { ask: "schedule"; id: number; plans: readonly Plan[]; budget: number }
  | { ask: "what if"; id: number; plan: Plan };

export type Answer =
  | { is: "better"; id: number; schedule: Schedule }
  | { is: "done"; id: number; schedule: Schedule }
  | { is: "tried"; id: number; ideas: Tried[] }
  | { is: "failed"; id: number; says: string };
