import type { TimeFigure } from "../materials/material.ts";
import type { Minutes } from "../units/units.ts";

/** Which process a time belongs to; this decides how air stretches it. */
export type Stage =
  | "touch"
  | "recoat"
  | "through"
  | "before clear"
  | "set"
  | "cure"
  | "open"
  | "tack"
  | "buff"
  | "wet"
  /** a habit of the shop, kept on the wall clock as it is said, whatever the air: "24 hours" */
  | "habit";

export interface Range {
  typical: Minutes;
  safe: Minutes;
}

/**
 * One interval in which a step may start, counted from the end of the step it waits for, at the reference air
 * (23 °C, 50 % RH; ISO 3270). The safe window opens later and shuts earlier than the typical one.
 */
export interface Gate {
  stage: Stage;
  opens: Range;
  shuts: Range | null;
}

const AT_ONCE: Range = { typical: 0, safe: 0 };
const range = ({ typical, safe }: Range): Range => ({ typical, safe });

/** A gate depends on its figures alone, so it is made once for each of them. */
function once(make: (figure: Range, stage: Stage) => Gate): (stage: Stage, figure: Range) => Gate {
  const made = new WeakMap<Range, Gate>();
  return (stage, figure) => {
    const known = made.get(figure);
    if (known?.stage === stage) return known;
    const gate = make(figure, stage);
    made.set(figure, gate);
    return gate;
  };
}

/** May start once the stage is reached. */
export const openFrom = once((opens, stage) => ({ stage, opens: range(opens), shuts: null }));
/** May start at once, but not after. */
export const openUntil = once((shuts, stage) => ({ stage, opens: AT_ONCE, shuts: range(shuts) }));
/** May start only between the two. */
export const openBetween = (stage: Stage, opens: TimeFigure | Range, shuts: TimeFigure | Range): Gate => ({
  stage,
  opens: range(opens),
  shuts: range(shuts),
});

/**
 * How a wait fares against a set of gates, on the safe side or by what is typical: inside one of them, too early for the
 * next, or too late for all.
 */
export function gateVerdict(
  gates: readonly Gate[],
  waited: Minutes,
  side: keyof Range = "safe",
): "open" | "early" | "late" {
  let next = false;
  for (const gate of gates) {
    if (waited < gate.opens[side]) next = true;
    else if (gate.shuts === null || waited <= gate.shuts[side]) return "open";
  }
  return next ? "early" : "late";
}

const byTypical = ({ typical }: Range): Range => ({ typical, safe: typical });

/** A gate taken by what is typical, for those who know the product and wait no longer than it needs. */
export const typically = ({ stage, opens, shuts }: Gate): Gate => ({
  stage,
  opens: byTypical(opens),
  shuts: shuts === null ? null : byTypical(shuts),
});

/** The shortest allowed wait that is no shorter than `from`; null when every gate has shut by then. */
export function nextOpening(gates: readonly Gate[], from: Minutes): Minutes | null {
  let best: Minutes | null = null;
  for (const gate of gates) {
    const start = Math.max(from, gate.opens.safe);
    if (gate.shuts !== null && start > gate.shuts.safe) continue;
    if (best === null || start < best) best = start;
  }
  return best;
}
