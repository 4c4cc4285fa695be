import type { Plan } from "#core/plan/plan";
import type { Shop } from "#core/plan/shop";
import type { Around } from "#core/schedule/crew";
import type { Tried } from "#core/schedule/what-if";

/** A job among the others of the shop, as the scheduling worker is given it. */
export interface Among {
  plan: Plan;
  shop: Shop;
  around: Around;
}

/** What a page requests of the scheduling worker: the ideas of What if, tried on a job. */
export interface Asking extends Among {
  /** ids of the ideas to be tried all at once */
  together: readonly string[];
}

/** What the ideas come to. */
export interface Trials {
  /** the plan without any of them */
  before: Tried;
  ideas: Tried[];
  /** null where none were asked for, or they cannot be had together */
  together: Tried | null;
}
