import { LRUCache } from "lru-cache";
import { type Learned, learnedFrom, observationsOf } from "#core/ledger/learned";
import { replay } from "#core/ledger/replay";
import type { Plan } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";
import { allLedgers, type KeptLine } from "#db/ledger";
import type { Store } from "#db/open";
import { getJob } from "#db/plans";

const kept = new LRUCache<string, { lines: number; plan: Plan; found: ReturnType<typeof observationsOf> }>({
  max: 1000,
});

/** What one job's ledger shows; worked out once for as many lines and the same plan. */
function observed(plan: Plan, lines: readonly KeptLine[]) {
  const known = kept.get(plan.id);
  if (known && known.plan === plan && known.lines === lines.length) return known.found;
  const found = observationsOf(plan, judgementOf(plan).zones, replay(lines.map(({ event }) => event)));
  kept.set(plan.id, { plan, lines: lines.length, found });
  return found;
}

/** What the shop's ledgers have taught it of how long each kind takes to dry, all jobs together. */
export async function learnedOf(store: Store): Promise<Learned[]> {
  const all = [];
  for (const [planId, lines] of await allLedgers(store)) {
    if (!lines.some(({ event }) => event.kind === "sign")) continue;
    const job = await getJob(store, planId);
    if (job) all.push(...observed(job.plan, lines));
  }
  return learnedFrom(all);
}
