import type { Plan } from "#core/plan/plan";
import type { Shop } from "#core/plan/shop";
import type { Around } from "#core/schedule/crew";
import type { Tried } from "#core/schedule/what-if";

/** What a page requests of the scheduling worker: the ideas of What if, tried on a job among the others. */
export interface Asking {
  id: number;
  plan: Plan;
  shop: Shop;
  around: Around;
}

export type Answer = { is: "tried"; id: number; ideas: Tried[] } | { is: "failed"; id: number; says: string };
