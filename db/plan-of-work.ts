import { and, desc, eq, gt, inArray, isNull, ne, notInArray, or, type SQL, sql } from "drizzle-orm";
import { z } from "zod";
import { readJobPlan } from "#core/exchange/plan-of-work-file";
import { type Change, changesOf, countingChanges } from "#core/schedule/changes";
import { markOf } from "#core/schedule/mark";
import { aroundOf, fittedIn, type JobPlan, type PlanOfWork, workOf } from "#core/schedule/plan-of-work";
import { getInputs, type Inputs, OVER } from "./inputs";
import { type Database, inTurn, type Store, within } from "./open";
import { readOnce } from "./read-once";
import { edits, jobPlans, planning, plans, plansOfWork, shops } from "./schema";
import { FIRST } from "./shop";

type Reader = Pick<Database, "select">;

/** Plans of work that were kept before, and can be gone back to. */
const MOST_PAST = 5;

const MadeFrom = z.object({
  shop: z.int(),
  /** versions of the jobs, by their ids */
  jobs: z.record(z.string(), z.int()),
  looks: z.int(),
  /** the idea that is tried in it */
  idea: z.string().nullable(),
});
export type MadeFrom = z.infer<typeof MadeFrom>;

const Changes = z.array(
  z.object({ planId: z.string(), says: z.string(), kind: z.enum(["earlier", "later", "same", "new", "gone"]) }),
);

/** A plan of work without its bookings. */
export interface PlanHead {
  id: number;
  key: string;
  madeFrom: MadeFrom;
  changes: Change[];
  at: Date;
}

const isHead = (state: (typeof plansOfWork.$inferSelect)["state"]) => eq(plansOfWork.state, state);

function readHead(row: typeof plansOfWork.$inferSelect): PlanHead | null {
  const madeFrom = MadeFrom.safeParse(row.madeFrom);
  const changes = Changes.safeParse(row.changes);
  // made by another version: as if there were none, and it is made again
  if (!madeFrom.success || !changes.success) return null;
  return { id: row.id, key: row.key, madeFrom: madeFrom.data, changes: changes.data, at: row.at };
}

async function headOf(db: Reader, state: "kept" | "offered" | "tried"): Promise<PlanHead | null> {
  const [row] = await db.select().from(plansOfWork).where(isHead(state)).orderBy(desc(plansOfWork.id)).limit(1);
  return row ? readHead(row) : null;
}

/** The plan of work that is kept, the one that is offered, and the one in which an idea is tried. */
interface Heads {
  kept: PlanHead | null;
  offered: PlanHead | null;
  tried: PlanHead | null;
  /** there is one that was kept before */
  hasBefore: boolean;
}

async function headsOf(db: Reader): Promise<Heads> {
  const rows = await db
    .select()
    .from(plansOfWork)
    .where(inArray(plansOfWork.id, sql`(select max(id) from plans_of_work group by state)`));
  const latest = (state: (typeof rows)[number]["state"]) => {
    const row = rows.find((head) => head.state === state);
    return row ? readHead(row) : null;
  };
  return {
    kept: latest("kept"),
    offered: latest("offered"),
    tried: latest("tried"),
    hasBefore: rows.some(({ state }) => state === "past"),
  };
}

/** More than a shop has in hand. */
const MOST_READ = 400;
const readJob = readOnce(MOST_READ, (stored) => ({ job: readJobPlan(stored) }));

/** The jobs in a plan of work, each with whether it is planned or tried; all, or only some. */
async function rowsOfJobs(db: Reader, head: PlanHead | null, only?: SQL) {
  if (!head) return [];
  const rows = await db
    .select({ planId: jobPlans.planId, kind: jobPlans.kind, document: sql<string>`${jobPlans.document}` })
    .from(jobPlans)
    .where(and(eq(jobPlans.planOfWork, head.id), only))
    .orderBy(jobPlans.planId);
  return rows.flatMap(({ planId, kind, document }) => {
    const { job } = readJob(document, `${head.id} ${kind} ${planId}`);
    return job ? [{ kind, job }] : [];
  });
}

const jobsOf = async (db: Reader, head: PlanHead | null, kind: "planned" | "tried", only?: SQL): Promise<JobPlan[]> =>
  (await rowsOfJobs(db, head, and(eq(jobPlans.kind, kind), only))).map(({ job }) => job);

/** The kept plan of work. */
export interface Kept {
  head: PlanHead | null;
  /** promised and under way, and of those that are over the ones asked for, as they were planned */
  planned: JobPlan[];
  /** ideas, each as it would fit in */
  tried: JobPlan[];
}

/** Jobs that are over and still wanted: by their ids, or all. */
export type WantedOver = readonly string[] | "all";

async function keptOf(db: Reader, head: PlanHead | null, over: WantedOver): Promise<Kept> {
  const inHand = inArray(
    jobPlans.planId,
    db
      .select({ id: plans.id })
      .from(plans)
      .where(and(isNull(plans.removedAt), notInArray(plans.state, OVER))),
  );
  const only =
    over === "all" ? undefined : or(inHand, over.length > 0 ? inArray(jobPlans.planId, [...over]) : undefined);
  const rows = await rowsOfJobs(db, head, only);
  const ofKind = (wanted: "planned" | "tried") => rows.flatMap(({ kind, job }) => (kind === wanted ? job : []));
  return { head, planned: ofKind("planned"), tried: ofKind("tried") };
}

export const getKept = (store: Store, over: WantedOver = []): Promise<Kept> =>
  within(store, async (db) => keptOf(db, (await headsOf(db)).kept, over));

/** What a page shows of the plan of work besides the jobs in it. */
export interface Standing {
  kept: PlanHead | null;
  /** there is one that was kept before */
  hasBefore: boolean;
  offered: PlanHead | null;
  tried: (PlanHead & { leaves: number | null }) | null;
  planning: { looks: number; of: number } | null;
  /** the key of what nobody plans until somebody asks, and why, where it could not be planned */
  left: { key: string; trouble: string | null } | null;
}

/** When the idea in a tried plan could leave by it. */
async function triedIn(db: Reader, head: PlanHead | null): Promise<Standing["tried"]> {
  if (!head) return null;
  const [own] = await jobsOf(db, head, "planned", eq(jobPlans.planId, head.madeFrom.idea ?? ""));
  return { ...head, leaves: own?.dates?.leaves ?? null };
}

async function standingOf(db: Reader, heads: Heads): Promise<Standing> {
  const [row] = await db.select().from(planning).limit(1);
  const busy = row?.owner && Date.now() - row.beat.getTime() < SILENT_MILLISECONDS;
  return {
    kept: heads.kept,
    hasBefore: heads.hasBefore,
    offered: heads.offered,
    tried: await triedIn(db, heads.tried),
    planning: busy ? { looks: row.looks, of: row.of } : null,
    left: row && row.left !== null ? { key: row.left, trouble: row.trouble } : null,
  };
}

export const getStanding = (store: Store): Promise<Standing> =>
  within(store, async (db) => standingOf(db, await headsOf(db)));

/** Both, read together. */
export const getPlanOfWork = (store: Store, over: WantedOver = []): Promise<{ kept: Kept; stands: Standing }> =>
  within(store, async (db) => {
    const heads = await headsOf(db);
    return { kept: await keptOf(db, heads.kept, over), stands: await standingOf(db, heads) };
  });

/** Without a sign of life for so long, whoever was planning is taken to have died. */
export const SILENT_MILLISECONDS = 15_000;

/** Takes the planning of the shop on; false if somebody else is at it. */
export const beginPlanning = (store: Store, owner: string, of: number): Promise<boolean> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx) => {
        const [row] = await tx.select().from(planning).limit(1);
        const now = new Date();
        if (row?.owner && now.getTime() - row.beat.getTime() < SILENT_MILLISECONDS) return false;
        const mine = { owner, beat: now, looks: 0, of, calledOff: false };
        if (row) await tx.update(planning).set(mine).where(eq(planning.id, row.id));
        else await tx.insert(planning).values({ id: 1, left: null, trouble: null, ...mine });
        return true;
      },
      { behavior: "immediate" },
    ),
  );

/** A sign of life, with how far it is; false if it is to stop. */
export const goOnPlanning = (store: Store, owner: string, looks: number): Promise<boolean> =>
  inTurn(store, async (db) => {
    const rows = await db
      .update(planning)
      .set({ beat: new Date(), looks })
      .where(and(eq(planning.owner, owner), eq(planning.calledOff, false)))
      .returning({ id: planning.id });
    return rows.length > 0;
  });

/** Lets go of the planning. `left` is the key of what is not planned again until somebody asks. */
export const endPlanning = (
  store: Store,
  owner: string,
  { left = null, trouble = null }: { left?: string | null; trouble?: string | null } = {},
): Promise<void> =>
  inTurn(store, async (db) => {
    await db.update(planning).set({ owner: null, left, trouble }).where(eq(planning.owner, owner));
  });

export const callOffPlanning = (store: Store): Promise<void> =>
  inTurn(store, async (db) => {
    await db.update(planning).set({ calledOff: true });
  });

/** What was done to a job since a version of it, the last edit last. */
async function editsSince(db: Reader, planId: string, version: number): Promise<string[]> {
  const rows = await db
    .select({ label: edits.label })
    .from(edits)
    .where(and(eq(edits.planId, planId), gt(edits.version, version), eq(edits.state, "done")))
    .orderBy(edits.version)
    .limit(50);
  return rows.map(({ label }) => label);
}

async function told(db: Reader, before: JobPlan[], head: PlanHead, inputs: Inputs, after: JobPlan[]) {
  const titles = new Map(
    (await db.select({ id: plans.id, title: plans.title }).from(plans)).map(({ id, title }) => [id, title]),
  );
  const own = new Map<string, string[]>();
  for (const { id } of inputs.plans)
    own.set(id, await editsSince(db, id, head.madeFrom.jobs[id] ?? Number.MAX_SAFE_INTEGER));
  const shop = await db
    .select({ label: shops.label })
    .from(shops)
    .where(and(gt(shops.version, head.madeFrom.shop), ne(shops.label, FIRST)))
    .orderBy(shops.version);
  return changesOf(before, after, {
    titleOf: (id) => titles.get(id) ?? "A job",
    editsOf: (id) => own.get(id) ?? [],
    shop: shop.map(({ label }) => label),
  });
}

const rowsOf = (id: number, jobs: readonly JobPlan[], kind: "planned" | "tried") =>
  jobs.map((document) => ({ planOfWork: id, planId: document.planId, kind, document }));

/**
 * Puts down a plan of work that was made. The first is kept at once, and so is one that moves nothing; any other is
 * offered. One that is made for an idea is only shown beside it.
 */
export async function putDown(
  store: Store,
  owner: string,
  inputs: Inputs,
  made: PlanOfWork,
  idea: string | null,
): Promise<"kept" | "offered" | "tried" | "gone"> {
  return inTurn(store, (db) =>
    db.transaction(
      async (tx) => {
        const [mine] = await tx.select().from(planning).where(eq(planning.owner, owner));
        if (!mine || mine.calledOff) return "gone";
        const kept = await headOf(tx, "kept");
        const before = await jobsOf(tx, kept, "planned");
        const over = new Set(inputs.over);
        const after = [...made.jobs, ...before.filter(({ planId }) => over.has(planId))];
        const changes = kept ? await told(tx, before, kept, inputs, after) : [];
        const state = idea !== null ? "tried" : kept === null || changes.length === 0 ? "kept" : "offered";
        const { key, shopVersion, versions } = inputs;
        const madeFrom: MadeFrom = { shop: shopVersion, jobs: versions, looks: made.looks, idea };
        const values = { state, key, madeFrom, changes, at: new Date() } as const;
        await tx.delete(plansOfWork).where(isHead(idea === null ? "offered" : "tried"));
        const [row] = await tx.insert(plansOfWork).values(values).returning({ id: plansOfWork.id });
        await insertJobs(tx, rowsOf(row!.id, after, "planned"));
        if (state === "kept") await becomesKept(tx, row!.id, kept);
        // where nothing moves there is nothing to go back to
        if (state === "kept" && kept) await tx.delete(plansOfWork).where(eq(plansOfWork.id, kept.id));
        return state;
      },
      { behavior: "immediate" },
    ),
  );
}

type Writer = Pick<Database, "select" | "insert" | "update" | "delete">;

const ROWS_AT_ONCE = 40;

async function insertJobs(tx: Writer, rows: ReturnType<typeof rowsOf>) {
  for (let at = 0; at < rows.length; at += ROWS_AT_ONCE)
    await tx.insert(jobPlans).values(rows.slice(at, at + ROWS_AT_ONCE));
}

/** One plan of work is the kept one from now on, and the one before it can be gone back to. */
async function becomesKept(tx: Writer, id: number, before: PlanHead | null) {
  const was = new Map((await jobsOf(tx, before, "planned")).map((job) => [job.planId, job]));
  const ideas = await jobsOf(tx, before, "tried");
  const now = Date.now();
  const rows = await tx.select().from(jobPlans).where(eq(jobPlans.planOfWork, id));
  for (const { planId, document } of rows) {
    const job = readJobPlan(document);
    if (!job) continue;
    await tx
      .update(jobPlans)
      .set({ document: countingChanges(was.get(planId), job, now) })
      .where(and(eq(jobPlans.planOfWork, id), eq(jobPlans.planId, planId)));
  }
  await tx
    .update(plansOfWork)
    .set({ state: "past" })
    .where(and(isHead("kept"), ne(plansOfWork.id, id)));
  await tx.update(plansOfWork).set({ state: "kept" }).where(eq(plansOfWork.id, id));
  await tx.delete(plansOfWork).where(inArray(plansOfWork.state, ["offered", "tried"]));
  const past = await tx
    .select({ id: plansOfWork.id })
    .from(plansOfWork)
    .where(isHead("past"))
    .orderBy(desc(plansOfWork.id));
  const oldest = past.slice(MOST_PAST).map((row) => row.id);
  if (oldest.length > 0) await tx.delete(plansOfWork).where(inArray(plansOfWork.id, oldest));
  // ideas keep their dates until they are fitted in again
  await tx.delete(jobPlans).where(and(eq(jobPlans.planOfWork, id), eq(jobPlans.kind, "tried")));
  const planned = new Set(rows.filter(({ kind }) => kind === "planned").map(({ planId }) => planId));
  const old = ideas.filter(({ planId }) => !planned.has(planId)).map((idea) => ({ ...idea, mark: TO_FIT_IN }));
  await insertJobs(tx, rowsOf(id, old, "tried"));
}

/** The mark of no job: what has it is fitted in again. */
const TO_FIT_IN = "";

export type Taken =
  | { is: "taken" }
  /** another plan of work is offered by now, or none */
  | { is: "gone" };

/** Takes an offered plan of work on: from now on it is the kept one. */
export const takeOn = (store: Store, id: number): Promise<Taken> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx): Promise<Taken> => {
        if ((await headOf(tx, "offered"))?.id !== id) return { is: "gone" };
        await becomesKept(tx, id, await headOf(tx, "kept"));
        return { is: "taken" };
      },
      { behavior: "immediate" },
    ),
  );

/** Takes an offered plan back: the jobs are again as the kept one has them. */
export const withdraw = (store: Store, id: number): Promise<void> =>
  inTurn(store, async (db) => {
    await db.delete(plansOfWork).where(and(eq(plansOfWork.id, id), isHead("offered")));
  });

/** Goes back to the plan of work that was kept before. */
export const goBack = (store: Store, from: number): Promise<Taken> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx): Promise<Taken> => {
        const kept = await headOf(tx, "kept");
        const past = await tx
          .select({ id: plansOfWork.id })
          .from(plansOfWork)
          .where(isHead("past"))
          .orderBy(desc(plansOfWork.id))
          .limit(1);
        if (kept?.id !== from || !past[0]) return { is: "gone" };
        await becomesKept(tx, past[0].id, kept);
        await tx.delete(plansOfWork).where(eq(plansOfWork.id, kept.id));
        return { is: "taken" };
      },
      { behavior: "immediate" },
    ),
  );

/** Fits the ideas into the kept plan of work: those that were never tried in it, or have changed since. */
export async function refitIdeas(store: Store): Promise<void> {
  const { shop, ideas } = await getInputs(store);
  const { head, planned, tried } = await getKept(store);
  if (!head) return;
  const marks = new Map(tried.map(({ planId, mark }) => [planId, mark]));
  const around = aroundOf(shop, planned);
  for (const idea of ideas) {
    if (marks.get(idea.id) === markOf(idea)) continue;
    const fitted = fittedIn(workOf(idea, shop), around);
    await inTurn(store, async (db) => {
      const ids = and(eq(jobPlans.planOfWork, head.id), eq(jobPlans.planId, idea.id));
      if ((await headOf(db, "kept"))?.id !== head.id) return;
      await db.delete(jobPlans).where(ids);
      await db.insert(jobPlans).values(rowsOf(head.id, [fitted], "tried"));
    });
  }
}

/** The idea in a tried plan; null if another has been tried since. */
export const ideaTriedIn = (store: Store, id: number): Promise<string | null> =>
  within(store, async (db) => {
    const tried = await headOf(db, "tried");
    return tried?.id === id ? tried.madeFrom.idea : null;
  });

/** The tried plan becomes the one that is offered: the idea in it has been promised. */
export const offerTried = (store: Store, id: number): Promise<void> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx) => {
        await tx.delete(plansOfWork).where(isHead("offered"));
        await tx
          .update(plansOfWork)
          .set({ state: "offered" })
          .where(and(eq(plansOfWork.id, id), isHead("tried")));
      },
      { behavior: "immediate" },
    ),
  );
