import type { Gate } from "../drying/gate.ts";
import type { JudgedPhase } from "../judge/judge.ts";
import { sayDuration } from "../units/duration.ts";
import type { Lag } from "./solve/network.ts";
import { phaseName } from "./work.ts";

/** Why a wait is in the network. */
export interface Reason {
  kind: "order" | "author" | "demand" | "apart";
  /** the step, or the material, that is waited for */
  from: string;
  to: string;
  /** what is waited for, in a few words */
  reason: string;
  /** other gates that the same demand could be met in */
  others: readonly Gate[];
}

export const reasonFor = (kind: "author" | "order", before: JudgedPhase, placed: JudgedPhase): Reason => ({
  kind,
  from: phaseName(before),
  to: phaseName(placed),
  reason: kind === "author" ? "the plan's own wait" : "the step before",
  others: [],
});

/** A wait as a claim: what has to come how long after what. */
export function sayLag({ min, max, varies }: Lag, { kind, from, to, reason }: Reason): string {
  if (kind === "order" || kind === "apart" || (min === 0 && max === null && !varies))
    return `"${to}" comes after "${from}"`;
  if (varies && kind === "author") return `the plan leaves "${to}" until the working day after "${from}"`;
  if (max === 0) return `"${to}" must begin straight after "${from}"`;
  if (max !== null && max === min) return `"${to}" must begin exactly ${sayDuration(min)} after "${from}"`;
  if (kind === "author" && max === null) return `the plan makes "${to}" wait ${sayDuration(min)} after "${from}"`;
  if (max === null) return `"${to}" waits ${sayDuration(min)} after "${from}" (${reason})`;
  const window = min > 0 ? `between ${sayDuration(min)} and ${sayDuration(max)}` : `within ${sayDuration(max)}`;
  return `"${to}" must begin ${window} after "${from}" (${reason})`;
}
