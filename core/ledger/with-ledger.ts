import type { ZoneJudgement } from "../judge/judge.ts";
import type { DoneWork, Plan } from "../plan/plan.ts";
import { judgementOf } from "../schedule/kept.ts";
import { handsOn } from "../surface/one-go.ts";
import type { Minutes } from "../units/units.ts";
import { doneWork } from "./done-work.ts";
import { placeKey } from "./event.ts";
import type { LedgerState } from "./replay.ts";

/** Coats that the ledger has said anything of, also where that was taken back. */
export function toldOf({ lines }: Pick<LedgerState, "lines">): Set<string> {
  const told = new Set<string>();
  for (const { event } of lines)
    if (event.kind === "start" || event.kind === "end" || event.kind === "section")
      for (const place of event.on) told.add(placeKey(place));
  return told;
}

/** Minutes of hands that a phase is planned to take, by zone and phase. */
export function handsIn(zones: readonly ZoneJudgement[]): (zoneId: string, phaseId: string) => Minutes | null {
  const hands = new Map<string, Minutes>(
    zones.flatMap(({ zone, phases }) => phases.map(({ phase }) => [`${zone.id} ${phase.id}`, handsOn(phase)] as const)),
  );
  return (zoneId: string, phaseId: string) => hands.get(placeKey({ zoneId, phaseId })) ?? null;
}

const sameWork = (a: readonly DoneWork[] | undefined, b: readonly DoneWork[]) =>
  JSON.stringify(a ?? []) === JSON.stringify(b);

/** A plan with the work that its ledger says was done; the same object where that changes nothing. */
export function withLedger(plan: Plan, state: LedgerState): Plan {
  const done = doneWork(plan, state, handsIn(judgementOf(plan).zones), toldOf(state));
  if (sameWork(plan.done, done)) return plan;
  const { done: _, ...rest } = plan;
  return done.length === 0 ? rest : { ...rest, done };
}
