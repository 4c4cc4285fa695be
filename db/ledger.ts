import { and, asc, eq, inArray, isNull, max, sql } from "drizzle-orm";
import { applyCommands } from "#core/edit/apply";
import type { Command } from "#core/edit/command";
import { checkPlan } from "#core/exchange/plan-file";
import { changeWords } from "#core/ledger/change-words";
import { LEDGER_LIMITS, LedgerEvent } from "#core/ledger/event";
import { replay } from "#core/ledger/replay";
import { withLedger } from "#core/ledger/with-ledger";
import { type Plan, stateOf } from "#core/plan/plan";
import { inTurn, type Store, within } from "./open";
import { type Edit, type Reader, readJob, type Transaction, write } from "./plans";
import { edits, ledgerLines, plans } from "./schema";

/** A line as it is kept: with when it came in, and what it changed. */
export interface KeptLine {
  event: LedgerEvent;
  cameAt: number;
  claimedAt: number | null;
  changed: string | null;
}

/** A line as it is handed in: its time already put right by the device's offset. */
export interface HandedIn {
  event: LedgerEvent;
  /** what the device's own clock said */
  claimedAt: number;
}

export type Logged =
  | {
      is: "logged";
      /** lines that were not known before */
      fresh: string[];
      version: number;
      plan: Plan;
      /** the edit that went with them could not be made: why */
      refused: string | null;
    }
  | { is: "missing" }
  | { is: "full"; because: string };

async function linesOf(db: Reader, planId: string): Promise<KeptLine[]> {
  const rows = await db
    .select()
    .from(ledgerLines)
    .where(eq(ledgerLines.planId, planId))
    .orderBy(asc(ledgerLines.place));
  return rows.flatMap(({ document, cameAt, claimedAt, changed }) => {
    // a line that a later version wrote, or that is damaged, is kept and left out
    const read = LedgerEvent.safeParse(document);
    return read.success
      ? [{ event: read.data, cameAt: cameAt.getTime(), claimedAt: claimedAt?.getTime() ?? null, changed }]
      : [];
  });
}

/** The ledger of a job, in the order in which its lines came in. */
export const ledgerOf = (store: Store, planId: string): Promise<KeptLine[]> =>
  within(store, (db) => linesOf(db, planId));

/** The ledgers of all jobs on the list, by job. */
export const allLedgers = (store: Store): Promise<Map<string, KeptLine[]>> =>
  within(store, async (db) => {
    const rows = await db
      .selectDistinct({ planId: ledgerLines.planId })
      .from(ledgerLines)
      .innerJoin(plans, eq(plans.id, ledgerLines.planId))
      .where(isNull(plans.removedAt));
    const found = new Map<string, KeptLine[]>();
    for (const { planId } of rows) found.set(planId, await linesOf(db, planId));
    return found;
  });

/** A job that is worked on is under way. */
function begun(plan: Plan, hasWork: boolean): Plan {
  const state = stateOf(plan);
  return hasWork && (state === "promised" || state === "idea") ? { ...plan, state: "under way" } : plan;
}

async function makeEdit(tx: Transaction, plan: Plan, version: number, edit: Omit<Edit, "base">) {
  const known = await tx.select({ id: edits.id }).from(edits).where(eq(edits.id, edit.id));
  if (known.length > 0) return { ok: true as const, plan };
  const done = applyCommands(plan, edit.commands);
  if (!done.ok) return { ok: false as const, because: done.because };
  const checked = checkPlan(done.plan);
  if (!checked.ok) return { ok: false as const, because: "It no longer fits the plan." };
  const [last] = await tx
    .select({ place: max(edits.place) })
    .from(edits)
    .where(eq(edits.planId, plan.id));
  await tx
    .update(edits)
    .set({ state: "dropped" })
    .where(and(eq(edits.planId, plan.id), eq(edits.state, "undone")));
  await tx.insert(edits).values({
    id: edit.id,
    planId: plan.id,
    version: version + 1,
    place: (last?.place ?? 0) + 1,
    label: edit.label,
    commands: edit.commands,
    inverse: done.inverse,
    state: "done",
    at: new Date(),
  });
  return { ok: true as const, plan: checked.plan };
}

/**
 * Adds lines to a job's ledger, each once, and carries over to its plan what they say was done: all in one transaction, so
 * what is answered as logged is on the disk. A line is never refused for what it says of the plan; an edit that goes with it may be.
 */
export const logLines = (
  store: Store,
  planId: string,
  lines: readonly HandedIn[],
  edit: { id: string; label: string; commands: Command[] } | null = null,
  now = new Date(),
): Promise<Logged> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx): Promise<Logged> => {
        const job = await readJob(tx, planId);
        if (!job) return { is: "missing" };
        const ids = lines.map(({ event }) => event.id);
        const known = new Set(
          ids.length === 0
            ? []
            : (await tx.select({ id: ledgerLines.id }).from(ledgerLines).where(inArray(ledgerLines.id, ids))).map(
                ({ id }) => id,
              ),
        );
        const fresh = [...new Map(lines.map((line) => [line.event.id, line])).values()].filter(
          ({ event }) => !known.has(event.id),
        );
        const [{ lines: count } = { lines: 0 }] = await tx
          .select({ lines: sql<number>`count(*)` })
          .from(ledgerLines)
          .where(eq(ledgerLines.planId, planId));
        if (count + fresh.length > LEDGER_LIMITS.lines)
          return {
            is: "full",
            because: `The ledger of a job holds ${LEDGER_LIMITS.lines} lines. Export the job, and go on in a new one.`,
          };
        for (const { event, claimedAt } of fresh)
          await tx.insert(ledgerLines).values({
            id: event.id,
            planId,
            at: new Date(event.at),
            cameAt: now,
            claimedAt: claimedAt === event.at ? null : new Date(claimedAt),
            document: event,
          });
        const made = edit && fresh.length > 0 ? await makeEdit(tx, job.plan, job.version, edit) : null;
        const refused = made && !made.ok ? made.because : null;
        const edited = made?.ok ? made.plan : job.plan;
        const state = replay((await linesOf(tx, planId)).map(({ event }) => event));
        const projected = begun(withLedger(edited, state), state.work.size > 0);
        const checked = projected === job.plan ? null : checkPlan(projected);
        if (!checked?.ok)
          return {
            is: "logged",
            fresh: fresh.map(({ event }) => event.id),
            version: job.version,
            plan: job.plan,
            refused,
          };
        const version = job.version + 1;
        await write(tx, checked.plan, version);
        return { is: "logged", fresh: fresh.map(({ event }) => event.id), version, plan: checked.plan, refused };
      },
      { behavior: "immediate" },
    ),
  );

/** Notes what the latest lines changed of what lay ahead, for the ledger to tell. Lost with a crash, it is only not told. */
export async function tellChanges(store: Store, planId: string, before: Plan, after: Plan, fresh: readonly string[]) {
  const last = (await ledgerOf(store, planId)).findLast(({ event }) => fresh.includes(event.id));
  const changed = last && changeWords(before, after, last.event);
  if (!last || !changed) return null;
  await inTurn(store, async (db) => {
    await db.update(ledgerLines).set({ changed }).where(eq(ledgerLines.id, last.event.id));
  });
  return changed;
}
