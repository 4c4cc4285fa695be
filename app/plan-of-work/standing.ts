import type { Shop } from "#core/plan/shop";
import type { Change } from "#core/schedule/changes";
import type { Around } from "#core/schedule/crew";
import type { JobPlan } from "#core/schedule/plan-of-work";

/** A plan of work that could be taken on. */
export interface Offer {
  id: number;
  changes: Change[];
}

/** How the shop's plan of work stands, as the pages see it. */
export interface Standing {
  /** when it was made, how often it was looked at, and whether there was one before; null before there is one */
  kept: { id: number; at: number; looks: number; hasBefore: boolean } | null;
  /** what a plan of the jobs as they are now would change */
  offered: Offer | null;
  /** what a plan with an idea in it would change */
  tried: (Offer & { idea: string; leaves: number | null }) | null;
  /** a plan is being made */
  planning: { looks: number; of: number } | null;
  /** the kept plan is of an earlier state of the jobs or the shop */
  stale: boolean;
  /** nobody plans until somebody asks: it was called off */
  left: boolean;
  trouble: string | null;
}

/** The same with one job's part in it, and what that job has to fit into. */
export interface JobStanding {
  standing: Standing;
  own: JobPlan | null;
  /** as the saved job would fit in, where `own` is of another version of it; null also where that takes too long for a page */
  fit: JobPlan | null;
  kind: "planned" | "tried";
  shop: Shop;
  around: Around;
}
