import type { Amount } from "./amount.ts";
import { withMix } from "./old-mix.ts";

// Up to version 5 a step said what share of a place it covers; now it says what it is worked over, and its technique what it
// covers of that. Files, and edits that are kept to be undone, still bring the old words.

type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw => typeof value === "object" && value !== null && !Array.isArray(value);

/** What these techniques covered of what they were worked over, when version 6 was made: fixed, as files are. */
const COVERED: Record<string, number> = {
  sponge: 0.6,
  "dry-brush": 0.4,
  "rag-on": 0.6,
  spatter: 0.04,
  stencil: 0.2,
  "card-smear": 0.4,
  sprinkle: 0.25,
  "seal-patches": 0.3,
  finger: 0.3,
  drag: 0.5,
  "rub-transfer": 0.2,
  stamp: 0.15,
};
const PRINTS: ReadonlySet<unknown> = new Set(["stencil", "rub-transfer", "stamp"]);
/** Shares are written to this many parts. */
const FINE = 10_000;
const MOST_TIMES = 10;

const covered = (how: unknown, on: unknown) =>
  PRINTS.has(how) && on === "motif" ? 1 : typeof how === "string" ? (COVERED[how] ?? 1) : 1;

/** A step, or what an edit changes of one, as it is written now. */
export function asWrittenNow(raw: unknown): unknown {
  const step = withMix(raw);
  if (!isRaw(step) || !isRaw(step.where) || typeof step.where.share !== "number") return step;
  const { share, ...where } = step.where;
  const times = share / covered(step.how, where.on);
  const amount: Amount = { kind: "times", of: Math.min(MOST_TIMES, Math.round(times * FINE) / FINE) };
  return {
    ...step,
    where: { ...where, over: Math.min(1, Math.round(times * FINE) / FINE) },
    // it covered more than its hand usually does: the hand laid more
    ...(times > 1.001 ? { amount } : {}),
  };
}
