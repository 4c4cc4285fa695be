import { useMemo } from "react";
import type { ZoneJudgement } from "#core/judge/judge";
import { type Rung, rungsOf, surfaceSays } from "./rungs";
import { foldRuns, type LadderRow } from "./runs";
import { type LadderSizes, ladderSizes, rowMiddles } from "./sizes";

export interface LadderLayout {
  rows: readonly LadderRow[];
  sizes: LadderSizes;
  /** from the top of the ladder to the middle of each step's row, by step id; the ground last */
  middles: ReadonlyMap<string, number>;
  height: number;
}

/** A ladder laid out in a height: runs of like steps are folded where they would not fit, and open while a step of theirs is selected. */
export function layOut(judged: ZoneJudgement, available: number, held: (rung: Rung) => boolean): LadderLayout {
  const rungs = rungsOf(judged);
  const whole: LadderRow[] = rungs.map((rung) => ({ is: "rung", rung }));
  const isWall = ladderSizes(rungs.length, available).kind === "close";
  const rows = isWall
    ? foldRuns(rungs).flatMap((row): LadderRow[] =>
        row.is === "run" && row.run.rungs.some(held) ? row.run.rungs.map((rung) => ({ is: "rung", rung })) : [row],
      )
    : whole;
  const sizes = ladderSizes(rows.length, available);
  const middles = rowMiddles(rows, sizes, surfaceSays(judged).text !== "");
  return { rows, sizes, middles, height: middles.get("ground")! + sizes.row / 2 };
}

export function useLadder(
  judged: ZoneJudgement | undefined,
  available: number,
  { stepId, addAt }: { stepId: string | null; addAt: number | null },
): LadderLayout | null {
  return useMemo(
    () =>
      judged
        ? layOut(judged, available, ({ step, number }) => step.id === stepId || (addAt !== null && addAt === number))
        : null,
    [judged, available, stepId, addAt],
  );
}
