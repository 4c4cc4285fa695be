import type { LedgerEvent, WorkRef } from "../core/ledger/event";
import type { Plan } from "../core/plan/plan";
import { type ExampleStack, examplePlan } from "../core/rules/example";
import { readWallTime } from "../core/units/wall-time";

/** A plan of one zone with these steps. */
export const planOf = (steps: ExampleStack["steps"], more: Partial<ExampleStack> = {}): Plan =>
  examplePlan({ shows: "ledger", ground: "raw timber", steps, ...more });

export const zoneOf = (plan: Plan): string => plan.pieces[0]!.zones[0]!.id;

type Kind<K extends LedgerEvent["kind"]> = Extract<LedgerEvent, { kind: K }>;
type Rest<K extends LedgerEvent["kind"]> = Omit<Kind<K>, "kind" | "id" | "at" | "offset" | "on">;

let count = 0;

/** A line at so many minutes after the plan's start. */
export function lineAt<K extends LedgerEvent["kind"]>(
  plan: Plan,
  kind: K,
  minutes: number,
  on: readonly WorkRef[],
  rest: Rest<K>,
  id = `e${String(++count).padStart(5, "0")}`,
): Kind<K> {
  const at = Math.round((readWallTime(plan.start)! + minutes) * 60_000);
  return { kind, id, at, offset: 0, on, ...rest } as unknown as Kind<K>;
}
