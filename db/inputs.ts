import { and, desc, inArray, isNull, sql } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import type { JobState, Plan } from "#core/plan/plan";
import type { Shop } from "#core/plan/shop";
import { markOf, markOfAny } from "#core/schedule/mark";
import { type Database, type Store, within } from "./open";
import { readDocumentOf } from "./plans";
import { plans } from "./schema";
import { getShop } from "./shop";

// What the shop's work is planned from. Every page asks for it, and a shop keeps its jobs for years: only the jobs in hand are
// read, and none twice.

type Reader = Pick<Database, "select">;

/** More jobs than this are not planned together: those due last are left out. */
export const MOST_PLANNED = 40;
/** More ideas than this are not fitted in: those not touched for longest are left as they are. */
export const MOST_IDEAS = 60;
/** So many jobs that are over keep their dates: those not touched for longest lose them. */
export const MOST_OVER = 400;

/** States that ask for hands and hours, or may. */
const IN_HAND = ["promised", "under way"] as const satisfies JobState[];
export const OVER = ["finished", "put away"] as const satisfies JobState[];

/** A job that could not be planned with the others. */
export interface LeftOut {
  id: string;
  title: string;
  because: string;
}

/** Everything that a plan of work is made from. */
export interface Inputs {
  /** the same for the same jobs in the same shop */
  key: string;
  shop: Shop;
  shopVersion: number;
  plans: Plan[];
  versions: Record<string, number>;
  ideas: Plan[];
  /** finished or put away, by their ids: they stay as they were planned */
  over: string[];
  leftOut: LeftOut[];
}

/** What can be said of a job without reading it. */
interface Row {
  id: string;
  title: string;
  state: JobState;
  /** another for every version that was ever written of it */
  stamp: string;
  start: string | null;
  due: string | null;
}

interface Read {
  stamp: string;
  version: number;
  plan: Plan;
}

const stamp = sql<string>`${plans.version} || ' ' || ${plans.updatedAt}`;

const rowsOf = (db: Reader): Promise<Row[]> =>
  db
    .select({
      id: plans.id,
      title: plans.title,
      state: sql<JobState>`${plans.state}`,
      stamp,
      start: plans.start,
      due: plans.due,
    })
    .from(plans)
    .where(and(isNull(plans.removedAt), inArray(plans.state, ["idea", ...IN_HAND])))
    .orderBy(desc(plans.updatedAt), plans.id);

const idsOver = async (db: Reader): Promise<string[]> =>
  (
    await db
      .select({ id: plans.id })
      .from(plans)
      .where(and(isNull(plans.removedAt), inArray(plans.state, OVER)))
      .orderBy(desc(plans.updatedAt), plans.id)
      .limit(MOST_OVER)
  ).map(({ id }) => id);

const readOf = new WeakMap<Store, LRUCache<string, Read>>();

/** The documents of these jobs, by their ids, without those that cannot be read: only what was written since is read again. */
async function documentsOf(store: Store, db: Reader, rows: readonly Row[]): Promise<Map<string, Read>> {
  const known = readOf.get(store) ?? new LRUCache({ max: MOST_PLANNED + MOST_IDEAS });
  readOf.set(store, known);
  const wanted = rows.filter((row) => known.get(row.id)?.stamp !== row.stamp).map(({ id }) => id);
  if (wanted.length > 0) {
    const columns = { id: plans.id, version: plans.version, stamp, document: sql<string>`${plans.document}` };
    for (const { id, version, stamp, document } of await db
      .select(columns)
      .from(plans)
      .where(inArray(plans.id, wanted))) {
      const plan = readDocumentOf(document, id);
      if (plan) known.set(id, { stamp, version, plan });
      else known.delete(id);
    }
  }
  return new Map(
    rows.flatMap(({ id }) => {
      const read = known.get(id);
      return read ? [[id, read] as const] : [];
    }),
  );
}

const byDue = (a: Row, b: Row) =>
  `${a.due ?? "9999"} ${a.start} ${a.id}` < `${b.due ?? "9999"} ${b.start} ${b.id}` ? -1 : 1;

/** What the plan of work would be made from now; with an idea, as if that were promised. */
export async function getInputs(store: Store, idea: string | null = null): Promise<Inputs> {
  const { shop, version: shopVersion } = await getShop(store);
  return within(store, async (db) => {
    const rows = await rowsOf(db);
    const over = await idsOver(db);
    const isPlanned = ({ id, state }: Row) => id === idea || state !== "idea";
    const inHand = rows.filter(isPlanned).sort(byDue);
    const planned = inHand.slice(0, MOST_PLANNED);
    const tried = rows.filter((row) => !isPlanned(row)).slice(0, MOST_IDEAS);
    const documents = await documentsOf(store, db, [...planned, ...tried]);
    const planOf = ({ id }: Row) => documents.get(id)?.plan ?? [];
    const promised = planned
      .flatMap(planOf)
      .map((plan) => (plan.id === idea ? { ...plan, state: "promised" as const } : plan));
    return {
      key: markOfAny([shop, promised.map(({ id }) => id).sort(), promised.map(markOf).sort(), [...over].sort()]),
      shop,
      shopVersion,
      plans: promised,
      versions: Object.fromEntries(promised.map(({ id }) => [id, documents.get(id)!.version])),
      ideas: tried.flatMap(planOf),
      over,
      leftOut: leftOutOf(inHand, [...planned, ...tried], documents),
    };
  });
}

function leftOutOf(inHand: readonly Row[], looked: readonly Row[], documents: ReadonlyMap<string, Read>): LeftOut[] {
  const unread = looked.filter(({ id }) => !documents.has(id));
  return [
    ...unread.map(({ id, title }) => ({ id, title, because: "its document cannot be read" })),
    ...inHand.slice(MOST_PLANNED).map(({ id, title }) => ({
      id,
      title,
      because: `${MOST_PLANNED} jobs can be planned together; this one is due last`,
    })),
  ];
}

/** Every job of the shop, for a file of all of it: without those that cannot be read, and those that were removed. */
export const everyPlan = (store: Store): Promise<Plan[]> =>
  within(store, async (db) => {
    const rows = await db
      .select({ id: plans.id, document: sql<string>`${plans.document}` })
      .from(plans)
      .where(isNull(plans.removedAt))
      .orderBy(plans.id);
    return rows.flatMap(({ id, document }) => readDocumentOf(document, id) ?? []);
  });
