import { isLoud, type Rung } from "./rungs";
import type { SeamSays } from "./seam-words";

/** The same few steps one after the other, again and again: coat, rub back, clear coat. */
export interface Run {
  /** all of its steps, from the surface down */
  rungs: readonly Rung[];
  /** how many steps come again, and how often */
  period: number;
  times: number;
}

/** A row of the ladder: a step, or a run of steps folded into one. */
export type LadderRow = { is: "rung"; rung: Rung } | { is: "run"; run: Run };

const LONGEST_PERIOD = 4;
const FEWEST_TIMES = 3;

/** What two steps have in common if they are alike: how, and with what kind of material. Null for a step with ways of its own. */
function kindOf({ step, material }: Rung): string | null {
  if (step.branches || step.branch !== undefined || step.again) return null;
  return `${step.how} ${material?.family ?? ""}`;
}

function timesFrom(kinds: readonly (string | null)[], from: number, period: number): number {
  let end = from;
  while (end < kinds.length && kinds[end] !== null && (end < from + period || kinds[end] === kinds[end - period]))
    end++;
  return Math.floor((end - from) / period);
}

/** The rows of a ladder with its runs folded, from the surface down. */
export function foldRuns(rungs: readonly Rung[]): LadderRow[] {
  const up = [...rungs].reverse();
  const kinds = up.map(kindOf);
  const rows: LadderRow[] = [];
  for (let at = 0; at < up.length; ) {
    let best = { period: 0, times: 0 };
    for (let period = 1; period <= LONGEST_PERIOD; period++) {
      const times = timesFrom(kinds, at, period);
      if (times >= FEWEST_TIMES && times * period > best.times * best.period) best = { period, times };
    }
    const length = best.period * best.times;
    if (length > 0) rows.push({ is: "run", run: { ...best, rungs: up.slice(at, at + length).reverse() } });
    else rows.push({ is: "rung", rung: up[at]! });
    at += Math.max(1, length);
  }
  return rows.reverse();
}

/** The steps of a run that stand for it: its lowest repetition, from the ground up. */
export const patternOf = ({ rungs, period }: Run): Rung[] => rungs.slice(-period).reverse();

/** The seam inside it that most needs attention, if one does. */
export function worstIn({ rungs }: Run): SeamSays | undefined {
  const loud = rungs.map(({ seam }) => seam).filter(isLoud);
  return loud.find(({ severity }) => severity === "stop") ?? loud[0];
}

/** What differs from one time to the next, from the ground up: the colours laid in turn. */
export function differingIn({ rungs, period }: Run): Rung[] {
  const up = [...rungs].reverse();
  return up.filter(({ step }, index) =>
    up.some((other, also) => also % period === index % period && other.step.what !== step.what),
  );
}
