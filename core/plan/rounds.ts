import { z } from "zod";

/** More rounds than this are another plan. */
export const MOST_ROUNDS = 6;

/** What is repeated until it is right, decided where it is looked at: from which step, and how many rounds are expected in all. */
export const Again = z.strictObject({
  from: z.string().regex(/^[A-Za-z0-9_-]{1,60}$/, "the step that a round begins with"),
  rounds: z
    .int("a whole number of rounds")
    .min(2, "two rounds at least: one is no repeating")
    .max(MOST_ROUNDS, `${MOST_ROUNDS} rounds at most`),
});
export type Again = z.infer<typeof Again>;

interface Repeats {
  id: string;
  again?: Again | undefined;
}

/** A step as it comes up in the work: the first time, or in a later round. */
export interface Turn<Step> {
  step: Step;
  /** from 1 */
  round: number;
}

/** Where each loop begins and ends; one whose first step is not there, or not beneath it, is none. */
function loopsIn(steps: readonly Repeats[]): { from: number; to: number; rounds: number }[] {
  return steps.flatMap(({ again }, to) => {
    const from = again ? steps.slice(0, to).findIndex(({ id }) => id === again.from) : -1;
    return again && from >= 0 ? [{ from, to, rounds: again.rounds }] : [];
  });
}

/** Steps in the order they are worked, with those of a loop as often as is expected. */
export function turnsOf<Step extends Repeats>(steps: readonly Step[]): Turn<Step>[] {
  const turns: Turn<Step>[] = [];
  const ends = new Map(loopsIn(steps).map((loop) => [loop.to, loop]));
  steps.forEach((step, index) => {
    turns.push({ step, round: 1 });
    const loop = ends.get(index);
    for (let round = 2; loop && round <= loop.rounds; round++)
      for (const again of steps.slice(loop.from, index + 1)) turns.push({ step: again, round });
  });
  return turns;
}

/** How often each step is expected to be done. */
export function roundsOf(steps: readonly Repeats[]): number[] {
  const rounds = steps.map(() => 1);
  for (const { from, to, rounds: times } of loopsIn(steps)) rounds.fill(times, from, to + 1);
  return rounds;
}

/** The id of a step's coat in a round: "s3", "s3/2" for its second coat, "s3/2~3" for that in the third round. */
export const phaseIdOf = (stepId: string, coat: number, coats: number, round: number): string =>
  `${stepId}${coats > 1 ? `/${coat}` : ""}${round > 1 ? `~${round}` : ""}`;

/**
 * A step's first coat under the other name that it has: "s3" where it is the only one, "s3/1" where more follow. Null for any later
 * coat. Who adds a coat to what has been laid has laid the same coat as before.
 */
export function otherNameOf(phaseId: string): string | null {
  const [, step, first = "", round = ""] = /^([^/~]+)(\/1)?(~\d+)?$/.exec(phaseId) ?? [];
  return step === undefined ? null : `${step}${first === "" ? "/1" : ""}${round}`;
}

/** The names that a coat may be logged under: its own first, then the one it had when its step had another number of coats. */
export const namesOf = (phaseId: string): string[] => [phaseId, otherNameOf(phaseId) ?? []].flat();

/** What is wrong with the loops of a crust, and at which step. */
export function loopFaults(
  steps: readonly (Repeats & { kind: string; branch?: string | undefined })[],
): { at: number; says: string }[] {
  const faults: { at: number; says: string }[] = [];
  let last = -1;
  steps.forEach(({ again, kind }, index) => {
    if (!again) return;
    const from = steps.findIndex(({ id }) => id === again.from);
    if (kind !== "inspect")
      faults.push({ at: index, says: "only where it is looked at can it be decided to go round again" });
    else if (from < 0 || from >= index)
      faults.push({
        at: index,
        says: `a round should begin with step "${again.from}", but no such step comes before it`,
      });
    else if (steps[from]!.branch !== undefined)
      faults.push({ at: index, says: "a round cannot begin with a step that only follows from one answer" });
    else if (from <= last) faults.push({ at: index, says: "two loops lie across each other: begin this one later" });
    last = index;
  });
  return faults;
}
