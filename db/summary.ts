import { judge } from "#core/judge/judge";
import { stripOf } from "#core/judge/strip";
import { type Plan, zonesOf } from "#core/plan/plan";
import { datesOf } from "#core/schedule/dates";
import { schedule } from "#core/schedule/schedule";

/** What the jobs list shows of a plan, kept with it so that the list need not judge. */
export interface Summary {
  counts: { stop: number; caution: number; note: number };
  clashes: number;
  pieces: string[];
  zones: number;
  start: string;
  due: string | null;
  /** wall minutes, null with nothing to do */
  finish: number | null;
  leaves: number | null;
  fullUse: number | null;
  /** the first zone's layers from the ground up, for the small strip */
  strip: { colour: string; hides: number }[];
}

export function summaryOf(plan: Plan): Summary {
  const judgement = judge(plan);
  const made = schedule([{ plan, judgement }]);
  const dates = datesOf({ plan, judgement }, made);
  const first = judgement.zones[0];
  return {
    counts: judgement.counts,
    clashes: made.clashes.length,
    pieces: plan.pieces.map((piece) => piece.name),
    zones: zonesOf(plan).length,
    start: plan.start,
    due: plan.due ?? null,
    finish: dates?.finish ?? null,
    leaves: dates?.leaves ?? null,
    fullUse: dates?.fullUse ?? null,
    strip: first ? stripOf(first) : [],
  };
}
