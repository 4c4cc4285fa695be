import { DRILL_KINDS, type DrillKind, type DrillSource } from "./drill.ts";

/** How well something sits that was practised before. */
export interface Known {
  id: string;
  kind: DrillKind;
  family: string;
  /** milliseconds */
  due: number;
  seen: number;
  right: number;
}

/** Below this part of right answers a family is weak. */
const WEAK = 0.7;
/** How much earlier something of a weak family comes: never before another kind that was practised less. */
const EARLIER = 0.9;

/** How often a family was right, of what was seen of it; one that was never seen is neither weak nor strong. */
function shareRight(known: readonly Known[]): Map<string, number> {
  const sums = new Map<string, { seen: number; right: number }>();
  for (const { family, seen, right } of known) {
    const sum = sums.get(family) ?? { seen: 0, right: 0 };
    sums.set(family, { seen: sum.seen + seen, right: sum.right + right });
  }
  return new Map([...sums].map(([family, { seen, right }]) => [family, seen > 0 ? right / seen : 1]));
}

/**
 * What to practise next: what is due, the longest first; otherwise something new, of the kind that was practised least and of a family
 * that one got wrong before. Null where everything has been seen and nothing is due.
 */
export function pickNext(
  sources: readonly DrillSource[],
  known: readonly Known[],
  now: number,
  not: ReadonlySet<string> = new Set(),
): DrillSource | null {
  const byId = new Map(sources.map((source) => [source.id, source]));
  const due = known
    .filter((known) => known.due <= now && byId.has(known.id) && !not.has(known.id))
    .sort((a, b) => a.due - b.due || (a.id < b.id ? -1 : 1))[0];
  if (due) return byId.get(due.id)!;
  const seen = new Set(known.map(({ id }) => id));
  const fresh = sources.filter(({ id }) => !seen.has(id) && !not.has(id));
  const often = new Map(DRILL_KINDS.map((kind) => [kind, 0]));
  for (const { kind, seen: count } of known) often.set(kind, (often.get(kind) ?? 0) + count);
  const right = shareRight(known);
  const rank = ({ kind, family }: DrillSource) => {
    const part = right.get(family) ?? 1;
    return (often.get(kind) ?? 0) - (part < WEAK ? EARLIER * (1 - part) : 0);
  };
  return [...fresh].sort((a, b) => rank(a) - rank(b))[0] ?? null;
}
