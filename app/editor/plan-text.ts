import type { Plan } from "#core/plan/plan";
import { type Packed, packed, unpacked } from "~/first/packed";

export type PlanText = Packed<Plan>;

const MOST_KEPT = 40;
const texts = new WeakMap<Plan, PlanText>();
const plans = new Map<PlanText, Plan>();

function keep(text: PlanText, plan: Plan) {
  const [oldest] = plans.keys();
  if (plans.size >= MOST_KEPT && oldest !== undefined) plans.delete(oldest);
  plans.set(text, plan);
  texts.set(plan, text);
}

/** A plan as text; the same plan gives the same text, and reading it gives the same plan. */
export function textOfPlan(plan: Plan): PlanText {
  const kept = texts.get(plan);
  if (kept !== undefined && plans.get(kept) === plan) return kept;
  const text = kept ?? packed(plan);
  keep(text, plan);
  return text;
}

/** The plan in a text that the server made. */
export function planOfText(text: PlanText): Plan {
  const kept = plans.get(text);
  if (kept) return kept;
  const plan = unpacked(text);
  keep(text, plan);
  return plan;
}
