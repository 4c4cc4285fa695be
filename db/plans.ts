import { and, count, desc, eq, gt, inArray, isNotNull, isNull, like, max, ne, not, or, sql } from "drizzle-orm";
import { applyCommands } from "#core/edit/apply";
import { type Command, Commands } from "#core/edit/command";
import { checkPlan, readPlan, sayFault } from "#core/exchange/plan-file";
import { type JobState, type Plan, stateOf } from "#core/plan/plan";
import { lookOf } from "./look";
import { type Database, inTurn, type Store, within } from "./open";
import { readOnce } from "./read-once";
import { edits, ledgerLines, plans } from "./schema";
import { knownOf, readSummary, type Summary, workedOf } from "./summary";
import { UnreadableJob } from "./trouble";

export interface JobRow {
  id: string;
  title: string;
  client: string | null;
  state: JobState;
  updatedAt: Date;
  removedAt: Date | null;
  /** null if it was never worked out, or cannot be read */
  summary: Summary | null;
  /** the figures shown are those of an earlier version, and new ones are being worked out */
  pending: boolean;
  /** the version that its picture is of; null where there is none */
  look: number | null;
}

export interface Job {
  plan: Plan;
  version: number;
  /** labels of what undo and redo would do; null if there is nothing */
  undo: string | null;
  redo: string | null;
}

export interface Edit {
  id: string;
  base: number;
  label: string;
  commands: Command[];
}

export type Written =
  | { is: "written"; version: number; undo: string | null; redo: string | null; plan: Plan }
  /** based on another version; what was done since */
  | { is: "overtaken"; job: Job; since: string[] }
  | { is: "refused"; because: string }
  | { is: "missing" };

export type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];
export type Reader = Database | Transaction;

const jobColumns = {
  id: plans.id,
  title: plans.title,
  client: plans.client,
  state: sql<JobState>`${plans.state}`,
  updatedAt: plans.updatedAt,
  removedAt: plans.removedAt,
  // as text: one damaged row must not break the list
  summary: sql<string>`${plans.summary}`,
  pending: sql<number>`${plans.summarised} <> ${plans.version}`,
  // whether there is a picture, and never the picture itself
  hasLook: sql<number>`${isNotNull(plans.look)}`,
  summarised: plans.summarised,
};
type StoredRow = Omit<JobRow, "summary" | "pending" | "look"> & {
  summary: string;
  pending: number;
  hasLook: number;
  summarised: number;
};
const asJobRow = ({ hasLook, summarised, ...row }: StoredRow): JobRow => {
  const summary = readSummary(row.summary);
  return { ...row, summary, pending: row.pending !== 0, look: hasLook !== 0 ? summarised : null };
};

export const JOBS_A_PAGE = 60;

/** Which jobs are wanted of all. */
export interface JobsWanted {
  page?: number;
  /** those put away, instead of those that are not */
  away?: boolean;
  /** letters of a title or a client */
  text?: string;
  state?: JobState | null;
  client?: string | null;
}

export interface JobsFound {
  jobs: JobRow[];
  pages: number;
  /** how many jobs are put away, or are not, where those are looked at */
  others: number;
  /** how many jobs there are in each state, and of which clients, before anything is looked for */
  states: Partial<Record<JobState, number>>;
  clients: string[];
}

/** Letters as a pattern that finds them anywhere: what has a meaning in patterns is taken as itself. */
const anywhere = (text: string) => `%${text.replace(/[\\%_]/g, (letter) => `\\${letter}`)}%`;
const MOST_CLIENTS = 200;

/** A page of the jobs, last changed first, with what there is to choose from. */
export const listJobs = (
  store: Store,
  { page = 0, away = false, text = "", state = null, client = null }: JobsWanted = {},
): Promise<JobsFound> =>
  within(store, async (db) => {
    const isAway = eq(plans.state, "put away" satisfies JobState);
    const all = and(isNull(plans.removedAt), away ? isAway : not(isAway));
    const pattern = anywhere(text);
    const onList = and(
      all,
      text === ""
        ? undefined
        : sql`(${plans.title} like ${pattern} escape '\\' or ${plans.client} like ${pattern} escape '\\')`,
      state === null ? undefined : eq(plans.state, state),
      client === null ? undefined : eq(plans.client, client),
    );
    const offList = and(isNull(plans.removedAt), away ? not(isAway) : isAway);
    const counted = await db.select({ state: plans.state, jobs: count() }).from(plans).where(all).groupBy(plans.state);
    const clients = await db
      .selectDistinct({ client: plans.client })
      .from(plans)
      .where(and(all, isNotNull(plans.client)))
      .orderBy(plans.client)
      .limit(MOST_CLIENTS);
    const order = [desc(plans.updatedAt), plans.id];
    // which they are first, by the index alone
    const onPage = db
      .select({ id: plans.id })
      .from(plans)
      .where(onList)
      .orderBy(...order)
      .limit(JOBS_A_PAGE)
      .offset(page * JOBS_A_PAGE);
    const rows = await db
      .select(jobColumns)
      .from(plans)
      .where(inArray(plans.id, onPage))
      .orderBy(...order);
    const pages = Math.max(1, Math.ceil((await db.$count(plans, onList)) / JOBS_A_PAGE));
    return {
      jobs: rows.map(asJobRow),
      pages,
      others: await db.$count(plans, offList),
      states: Object.fromEntries(counted.map((row) => [row.state, row.jobs])),
      clients: clients.flatMap((client) => client.client ?? []),
    };
  });

/** Removed jobs that can still be restored. */
export const listRemoved = (store: Store): Promise<JobRow[]> =>
  within(store, async (db) =>
    (
      await db.select(jobColumns).from(plans).where(isNotNull(plans.removedAt)).orderBy(desc(plans.removedAt)).limit(20)
    ).map(asJobRow),
  );

const MOST_READ = 120;

/** A stored document, by its plan's id. */
const readDocument = readOnce(MOST_READ, (stored, id): Plan => {
  // a document written by an older version is migrated as a file would be
  const done = readPlan(stored);
  if (done.ok) return done.plan;
  const [fault] = done.faults;
  throw new UnreadableJob(
    `This job cannot be read (${fault!.where ? `${fault!.where}: ` : ""}${fault!.says}). It was not touched, and the other jobs are not affected. Download its file, correct that place and import it again, or restore a backup.`,
    id,
  );
});

/** The same; null if it cannot be read. */
export function readDocumentOf(text: string, id: string): Plan | null {
  try {
    return readDocument(text, id);
  } catch (error) {
    if (error instanceof UnreadableJob) return null;
    throw error;
  }
}

async function lastEdit(db: Reader, planId: string, state: "done" | "undone") {
  // undo takes the last edit done, redo the first undone
  const rows = await db
    .select()
    .from(edits)
    .where(and(eq(edits.planId, planId), eq(edits.state, state)))
    .orderBy(state === "done" ? desc(edits.place) : edits.place)
    .limit(1);
  return rows[0];
}

export async function readJob(db: Reader, id: string): Promise<Job | null> {
  const row = (
    await db
      .select({ document: sql<string>`${plans.document}`, version: plans.version })
      .from(plans)
      .where(and(eq(plans.id, id), isNull(plans.removedAt)))
  )[0];
  if (!row) return null;
  const [done, undone] = [await lastEdit(db, id, "done"), await lastEdit(db, id, "undone")];
  return {
    plan: readDocument(row.document, id),
    version: row.version,
    undo: done?.label ?? null,
    redo: undone?.label ?? null,
  };
}

export const getJob = (store: Store, id: string): Promise<Job | null> => within(store, (db) => readJob(db, id));

/** A job's document exactly as stored, readable or not; null if there is none. */
export const getDocument = (store: Store, id: string): Promise<{ title: string; text: string } | null> =>
  within(store, async (db) => {
    const [row] = await db
      .select({ title: plans.title, text: sql<string>`${plans.document}` })
      .from(plans)
      .where(eq(plans.id, id));
    return row ?? null;
  });

/** Adds a new plan; false if one with this id already exists (a form sent twice). */
export const addPlan = (store: Store, plan: Plan, now = new Date()): Promise<boolean> =>
  inTurn(store, async (db) => {
    const added = await db
      .insert(plans)
      .values({
        id: plan.id,
        title: plan.title,
        client: plan.client ?? null,
        state: stateOf(plan),
        start: plan.start,
        due: plan.due ?? null,
        version: 1,
        document: plan,
        summary: { known: knownOf(plan), worked: null, trouble: null } satisfies Summary,
        createdAt: now,
        updatedAt: now,
      })
      .onConflictDoNothing()
      .returning({ id: plans.id });
    return added.length > 0;
  });

/** Writes the next version; the summary of the one before stays until somebody works out the new one. */
export async function write(db: Reader, plan: Plan, version: number) {
  const [before] = await db
    .select({ summary: sql<string>`${plans.summary}` })
    .from(plans)
    .where(eq(plans.id, plan.id));
  const worked = (before && readSummary(before.summary)?.worked) ?? null;
  await db
    .update(plans)
    .set({
      title: plan.title,
      client: plan.client ?? null,
      state: stateOf(plan),
      start: plan.start,
      due: plan.due ?? null,
      version,
      document: plan,
      summary: { known: knownOf(plan), worked, trouble: null } satisfies Summary,
      updatedAt: new Date(),
    })
    .where(eq(plans.id, plan.id));
  readDocument.written(plan, plan.id);
}

const setSummary = (store: Store, planId: string, version: number, summary: Summary, look: Buffer | null = null) =>
  inTurn(store, async (db) => {
    await db
      .update(plans)
      .set({ summary, summarised: version, look })
      .where(and(eq(plans.id, planId), eq(plans.version, version)));
  });

/** A summary that says why there is none, as it is written. */
const IN_TROUBLE = '%"trouble":"%';

/** Jobs whose summary is older than they are, or could not be worked out, the last changed first. */
export const pendingSummaries = (store: Store, most: number): Promise<string[]> =>
  within(store, async (db) =>
    (
      await db
        .select({ id: plans.id })
        .from(plans)
        .where(and(isNull(plans.removedAt), or(ne(plans.summarised, plans.version), like(plans.summary, IN_TROUBLE))))
        .orderBy(desc(plans.updatedAt))
        .limit(most)
    ).map(({ id }) => id),
  );

const NOTHING_KNOWN: Summary["known"] = { pieces: [], zones: 0, start: "", due: null };

/** Works out the summary of a job for the list and saves it, unless the job has been edited meanwhile. */
export async function summarise(store: Store, planId: string): Promise<void> {
  const [row] = await within(store, (db) =>
    db.select({ version: plans.version }).from(plans).where(eq(plans.id, planId)),
  );
  if (!row) return;
  let summary: Summary;
  let look: Buffer | null = null;
  try {
    const job = await getJob(store, planId);
    if (!job || job.version !== row.version) return;
    summary = { known: knownOf(job.plan), worked: workedOf(job.plan), trouble: null };
    look = lookOf(job.plan);
  } catch (error) {
    if (!(error instanceof UnreadableJob)) throw error;
    summary = { known: NOTHING_KNOWN, worked: null, trouble: error.message };
  }
  await setSummary(store, planId, row.version, summary, look);
}

/** The predicted look of a job for the list, as PNG; null without one. */
export const getLook = (store: Store, planId: string): Promise<Buffer | null> =>
  within(store, async (db) => {
    const [row] = await db.select({ look: plans.look }).from(plans).where(eq(plans.id, planId));
    return row?.look ? Buffer.from(row.look) : null;
  });

/** Notes that a job could not be worked out, so that the list says so and nobody tries again until the shop is next opened. */
export async function summaryFailed(store: Store, planId: string, because: string): Promise<void> {
  const [row] = await within(store, (db) =>
    db
      .select({ version: plans.version, summary: sql<string>`${plans.summary}` })
      .from(plans)
      .where(eq(plans.id, planId)),
  );
  if (!row) return;
  const known = readSummary(row.summary)?.known ?? NOTHING_KNOWN;
  await setSummary(store, planId, row.version, { known, worked: null, trouble: because });
}

async function written(db: Reader, planId: string): Promise<Written> {
  const job = await readJob(db, planId);
  return job ? { is: "written", ...job } : { is: "missing" };
}

/** Whether somebody has edited a plan since a version; what its ledger has added since is no edit, and stands in no edit's way. */
async function isOvertaken(db: Reader, planId: string, base: number, version: number): Promise<boolean> {
  if (base === version) return false;
  if (base > version) return true;
  const since = and(eq(edits.planId, planId), gt(edits.version, base));
  const logged = await db.$count(ledgerLines, eq(ledgerLines.planId, planId));
  return logged === 0 || (await db.$count(edits, since)) > 0;
}

async function overtaken(db: Reader, job: Job, base: number): Promise<Written> {
  const rows = await db
    .select({ label: edits.label, state: edits.state })
    .from(edits)
    .where(and(eq(edits.planId, job.plan.id), gt(edits.version, base)))
    .orderBy(edits.version);
  const since = rows.map(({ label, state }) => (state === "done" ? label : `${label} (undone)`));
  return { is: "overtaken", job, since };
}

const inTransaction = (store: Store, work: (tx: Transaction) => Promise<Written>): Promise<Written> =>
  inTurn(store, (db) => db.transaction(work, { behavior: "immediate" }));

/** Makes an edit if it was based on the current version. Sent twice, it is made once. */
export const editPlan = (store: Store, planId: string, edit: Edit): Promise<Written> =>
  inTransaction(store, async (tx) => {
    const job = await readJob(tx, planId);
    if (!job) return { is: "missing" };
    const known = (await tx.select({ planId: edits.planId }).from(edits).where(eq(edits.id, edit.id)))[0];
    if (known)
      return known.planId === planId
        ? written(tx, planId)
        : { is: "refused", because: "This edit belongs to another job." };
    if (await isOvertaken(tx, planId, edit.base, job.version)) return overtaken(tx, job, edit.base);
    const done = applyCommands(job.plan, edit.commands);
    if (!done.ok) return { is: "refused", because: done.because };
    const checked = checkPlan(done.plan);
    if (!checked.ok) return { is: "refused", because: sayFault(checked.faults[0]!) };
    const version = job.version + 1;
    const [last] = await tx
      .select({ place: max(edits.place) })
      .from(edits)
      .where(eq(edits.planId, planId));
    await tx
      .update(edits)
      .set({ state: "dropped" })
      .where(and(eq(edits.planId, planId), eq(edits.state, "undone")));
    await tx.insert(edits).values({
      id: edit.id,
      planId,
      version,
      place: (last?.place ?? 0) + 1,
      label: edit.label,
      commands: edit.commands,
      inverse: done.inverse,
      state: "done",
      at: new Date(),
    });
    await write(tx, checked.plan, version);
    return written(tx, planId);
  });

/** Undoes the last edit, or redoes the last one undone. */
export const stepThroughEdits = (store: Store, planId: string, base: number, way: "undo" | "redo"): Promise<Written> =>
  inTransaction(store, async (tx) => {
    const job = await readJob(tx, planId);
    if (!job) return { is: "missing" };
    if (await isOvertaken(tx, planId, base, job.version)) return overtaken(tx, job, base);
    const edit = await lastEdit(tx, planId, way === "undo" ? "done" : "undone");
    if (!edit)
      return { is: "refused", because: way === "undo" ? "There is nothing to undo." : "There is nothing to redo." };
    // an older version may have written it: fields added since get their usual value
    const kept = Commands.safeParse(way === "undo" ? edit.inverse : edit.commands);
    if (!kept.success)
      return {
        is: "refused",
        because: `"${edit.label}" was made by an older version and can no longer be ${way === "undo" ? "undone" : "redone"}.`,
      };
    const done = applyCommands(job.plan, kept.data);
    if (!done.ok) return { is: "refused", because: done.because };
    const checked = checkPlan(done.plan);
    if (!checked.ok) return { is: "refused", because: sayFault(checked.faults[0]!) };
    const version = job.version + 1;
    await tx
      .update(edits)
      .set({ state: way === "undo" ? "undone" : "done", version, ...(way === "redo" ? { inverse: done.inverse } : {}) })
      .where(eq(edits.id, edit.id));
    await write(tx, checked.plan, version);
    return written(tx, planId);
  });

/** Removes a job from the list, or restores it. */
export const setRemoved = (store: Store, planId: string, removed: boolean): Promise<boolean> =>
  inTurn(store, async (db) => {
    const rows = await db
      .update(plans)
      .set({ removedAt: removed ? new Date() : null })
      .where(eq(plans.id, planId))
      .returning({ id: plans.id });
    return rows.length > 0;
  });

/** Whether a plan with this id exists, on the list or removed. */
export const isKnown = (store: Store, planId: string): Promise<boolean> =>
  within(store, async (db) => (await db.select({ id: plans.id }).from(plans).where(eq(plans.id, planId))).length > 0);

/** Jobs with so much work in them that judging and dating them takes long. */
export const WEIGHTY = 600;

export const weighty = (store: Store): Promise<{ id: string; phases: number }[]> =>
  within(store, (db) =>
    db
      .select({ id: plans.id, phases: sql<number>`json_extract(${plans.summary}, '$.worked.phases')` })
      .from(plans)
      .where(sql`json_valid(${plans.summary}) and json_extract(${plans.summary}, '$.worked.phases') >= ${WEIGHTY}`),
  );

/** What the jobs list shows of one job; null if it is not on it. */
export const getRow = (store: Store, id: string): Promise<JobRow | null> =>
  within(store, async (db) => {
    const [row] = await db
      .select(jobColumns)
      .from(plans)
      .where(and(eq(plans.id, id), isNull(plans.removedAt)));
    return row ? asJobRow(row) : null;
  });
