import { asc, eq, gte } from "drizzle-orm";
import type { DrillKind } from "#core/trainer/drill";
import type { Known } from "#core/trainer/pick";
import { inTurn, type Store, within } from "./open";
import { drillAnswers, drillCards } from "./schema";

export interface DrillAnswer {
  /** made with the question, so that a form sent twice is one answer */
  id: string;
  drillId: string;
  kind: DrillKind;
  family: string;
  right: boolean;
  seconds: number;
}

export const getKnown = (store: Store): Promise<Known[]> =>
  within(store, async (db) =>
    (await db.select().from(drillCards)).map(({ drillId, kind, family, due, seen, right }) => ({
      id: drillId,
      kind: kind as DrillKind,
      family,
      due: due.getTime(),
      seen,
      right,
    })),
  );

/** All answers since a time, the oldest first. */
export const answersSince = (store: Store, since: Date) =>
  within(store, (db) =>
    db.select().from(drillAnswers).where(gte(drillAnswers.at, since)).orderBy(asc(drillAnswers.at)),
  );

/** Keeps an answer, and what the schedule makes of it; false where it was kept before. */
export const noteAnswer = (
  store: Store,
  { id, drillId, kind, family, right, seconds }: DrillAnswer,
  next: (card: unknown) => { card: unknown; due: Date },
  now = new Date(),
): Promise<boolean> =>
  inTurn(store, (db) =>
    db.transaction(async (tx) => {
      const kept = await tx
        .insert(drillAnswers)
        .values({ id, drillId, at: now, seconds, right })
        .onConflictDoNothing()
        .returning({ id: drillAnswers.id });
      if (kept.length === 0) return false;
      const [before] = await tx.select().from(drillCards).where(eq(drillCards.drillId, drillId));
      const { card, due } = next(before?.card ?? null);
      const row = {
        kind,
        family,
        card,
        due,
        seen: (before?.seen ?? 0) + 1,
        right: (before?.right ?? 0) + (right ? 1 : 0),
      };
      await tx
        .insert(drillCards)
        .values({ drillId, ...row })
        .onConflictDoUpdate({ target: drillCards.drillId, set: row });
      return true;
    }),
  );
