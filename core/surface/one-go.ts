import type { Step } from "../plan/plan.ts";
import { leastOf } from "../plan/wait.ts";
import type { Minutes } from "../units/units.ts";
import type { Phase } from "./phase.ts";
import { findTechnique } from "./techniques.ts";

/** With a longer wait of the author's before it, a step is not taken for one go with what was laid before (from memory). */
const USUAL_PAUSE: Minutes = 20;
/** With a longer pause than this inside it, work is not one go, whatever is said (from memory). */
export const LONGEST_PAUSE: Minutes = 60;

const lays = (phase: Phase, ...roles: string[]) => phase.material !== null && roles.includes(phase.material.role);
const isMist = ({ does }: Phase) => does.has("mist");
const goesWith = ({ technique }: Phase, laid: Phase) =>
  laid.material !== null && technique.goesWith.includes(laid.material.role);

/** Whether a step that says nothing of it is usually worked in one go with what was laid before it. */
function usually(phase: Phase, go: readonly Phase[], after: Phase | undefined): boolean {
  const before = go.at(-1)!;
  const laid = go.findLast(({ material, technique }) => material !== null && !technique.mends);
  if (laid && isMist(phase)) return lays(before, "crumb") || (after !== undefined && goesWith(after, laid));
  if (laid && goesWith(phase, laid)) return true;
  // a mist is for what follows it
  if (isMist(before)) return go.length === 1 && phase.material !== null;
  if (lays(before, "tissue")) return lays(phase, "clear", "medium");
  if (lays(before, "medium") && before.material!.windows.tack) return lays(phase, "paint");
  return lays(phase, "patina") && before.material?.reacts === true;
}

/** What can be part of a go: not preparing, nor handling, looking and holding, which are done by themselves. */
const isWork = ({ technique: { kind, oncePerPiece } }: Phase) =>
  !oncePerPiece && (kind === "coat" || kind === "take" || kind === "help");

/** Whether a step could be worked in one go with a phase before it: most could not. */
export const couldJoin = (before: Phase, { how, oneGo }: Pick<Step, "how" | "oneGo">): boolean =>
  oneGo === true ||
  (findTechnique(how)?.goesWith.length ?? 0) > 0 ||
  isMist(before) ||
  lays(before, "tissue", "medium") ||
  before.material?.reacts === true;

/** Whether a phase is worked in one go with those before it. */
function joins(phase: Phase, go: readonly Phase[], after: Phase | undefined): boolean {
  const before = go.at(-1);
  if (!before || phase.coat > 1 || !isWork(before) || !isWork(phase)) return false;
  const { oneGo, wait } = phase.step;
  if (leastOf(wait) > LONGEST_PAUSE) return false;
  if (oneGo !== undefined) return oneGo;
  return leastOf(wait) <= USUAL_PAUSE && usually(phase, go, after);
}

/** The phases of a zone with those that are worked as one marked so; the first ones may be marked already. */
export function inGoes(phases: readonly Phase[], known = 0): Phase[] {
  const marked = phases.slice(0, known);
  let go: Phase[] = [];
  const close = () => {
    for (const phase of go.length > 1 ? asGo(go) : go) marked.push(phase);
    go = [];
  };
  for (let at = known; at < phases.length; at++) {
    const phase = phases[at]!;
    if (!joins(phase, go, phases[at + 1])) close();
    go.push(phase);
  }
  close();
  return marked;
}

/** Phases that belong together as a go of their own; one alone is none. */
export function asGo(phases: readonly Phase[]): readonly Phase[] {
  const go = phases.length > 1 ? { ids: phases.map(({ id }) => id), sections: 1 } : null;
  return phases.map((phase) => ({ ...phase, go }));
}

/** Whether two phases are worked in one go. */
export const inOneGo = (phase: Phase, otherId: string): boolean => phase.go?.ids.includes(otherId) ?? false;

/** Minutes of hands a phase takes on the whole zone, all its sections together. */
export const handsOn = ({ hands, go }: Phase): number => hands * (go?.sections ?? 1);
