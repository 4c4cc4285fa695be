import type { BenchJob } from "#core/ledger/bench";
import type { LedgerEvent } from "#core/ledger/event";
import { stateOf } from "#core/plan/plan";
import { isHeavy, judgementOf } from "#core/schedule/kept";
import { fittedIn, workOf } from "#core/schedule/plan-of-work";
import { ledgerOf } from "#db/ledger";
import type { Store } from "#db/open";
import { type PlanText, textOfPlan } from "~/editor/plan-text";
import { airNow, offsetAt } from "./log.server";
import { readShopState } from "./plan-of-work.server";

/** One job as the bench gets it: its plan as text, its ledger, and when its work is scheduled. */
export interface BenchJobSent {
  text: PlanText;
  events: LedgerEvent[];
  bookings: BenchJob["bookings"];
}

/** All jobs that are promised or under way, as the bench needs them. */
export async function benchState(store: Store) {
  const state = await readShopState(store);
  const { inputs, kept } = state;
  const planned = new Map(kept.planned.map((job) => [job.planId, job]));
  const jobs: BenchJobSent[] = [];
  for (const plan of inputs.plans) {
    const lines = await ledgerOf(store, plan.id);
    const own = planned.get(plan.id) ?? (isHeavy([judgementOf(plan)]) ? null : fittedIn(workOf(plan, inputs.shop), {}));
    jobs.push({
      text: textOfPlan(plan),
      events: lines.map(({ event }) => event),
      bookings: (own?.bookings ?? []).map(({ kind, does, section, starts, ends, name, painter }) => ({
        kind,
        does,
        section,
        starts,
        ends,
        name,
        painter,
      })),
    });
  }
  const now = Date.now();
  return {
    jobs,
    now,
    offset: await offsetAt(store, now),
    air: await airNow(now),
    painters: inputs.shop.painters.map(({ name }) => name),
    underWay: inputs.plans.filter((plan) => stateOf(plan) === "under way").length,
  };
}
export type BenchState = Awaited<ReturnType<typeof benchState>>;
