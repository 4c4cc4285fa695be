import { z } from "zod";
import type { Judgement } from "#core/judge/judge";
import { stripOf } from "#core/judge/strip";
import { type Plan, zonesOf } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";

/** What a plan says by itself: saved with every write. */
const Known = z.object({
  pieces: z.array(z.string()),
  zones: z.int(),
  start: z.string(),
  due: z.string().nullable(),
});

/** What has to be worked out: judged after the write, by whichever thread has time. */
const Worked = z.object({
  counts: z.object({ stop: z.int(), caution: z.int(), note: z.int() }),
  /** the first zone's layers from the ground up, for the small strip */
  strip: z.array(z.object({ colour: z.string(), hides: z.number() })),
  /** coats and other pieces of work in all: how much there is to work out */
  phases: z.int(),
});
export type Worked = z.infer<typeof Worked>;

const Summary = z.object({
  known: Known,
  /** of this version or an earlier one; null if it has never been worked out */
  worked: Worked.nullable(),
  /** why it could not be worked out */
  trouble: z.string().nullable(),
});

/** What the jobs list shows of a plan, stored with it so that the list need not judge. */
export type Summary = z.infer<typeof Summary>;

/** A stored summary, or null if another version wrote it or it is damaged: it is then worked out again. */
export function readSummary(text: string): Summary | null {
  try {
    return Summary.safeParse(JSON.parse(text)).data ?? null;
  } catch {
    return null;
  }
}

export const knownOf = (plan: Plan): Summary["known"] => ({
  pieces: plan.pieces.map((piece) => piece.name),
  zones: zonesOf(plan).length,
  start: plan.start,
  due: plan.due ?? null,
});

export const phasesOf = (judgement: Judgement) => judgement.zones.reduce((sum, { phases }) => sum + phases.length, 0);

/** Judges a plan for the list. Slow for a large plan: never on a thread that answers pages. */
export function workedOf(plan: Plan): Worked {
  const judgement = judgementOf(plan);
  const first = judgement.zones[0];
  return {
    counts: judgement.counts,
    strip: first ? stripOf(first) : [],
    phases: phasesOf(judgement),
  };
}
