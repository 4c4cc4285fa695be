import type { Plan } from "#core/plan/plan";

// A plan goes to the page as text: a large tree of small objects is slow to send piece by piece, its text is not.

const MOST_KEPT = 40;
const texts = new WeakMap<Plan, string>();
const plans = new Map<string, Plan>();

function keep(text: string, plan: Plan) {
  const [oldest] = plans.keys();
  if (plans.size >= MOST_KEPT && oldest !== undefined) plans.delete(oldest);
  plans.set(text, plan);
  texts.set(plan, text);
}

/** A plan as text; the same plan gives the same text, and reading it gives the same plan. */
export function textOfPlan(plan: Plan): string {
  const kept = texts.get(plan);
  if (kept !== undefined && plans.get(kept) === plan) return kept;
  const text = kept ?? JSON.stringify(plan);
  keep(text, plan);
  return text;
}

/** The plan in a text that the server made. */
export function planOfText(text: string): Plan {
  const kept = plans.get(text);
  if (kept) return kept;
  const plan = JSON.parse(text) as Plan;
  keep(text, plan);
  return plan;
}
