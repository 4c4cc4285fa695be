import { desc, isNull, lte } from "drizzle-orm";
import { DEFAULT_SHOP, Shop, shopOf } from "#core/plan/shop";
import { type Database, inTurn, type Store, within } from "./open";
import { readDocumentOf } from "./plans";
import { plans, shops } from "./schema";

/** The shop's settings with the version that an edit of them is based on. */
export interface ShopRow {
  shop: Shop;
  version: number;
  /** what undo would take back; null if there is nothing */
  undo: string | null;
}

type Reader = Pick<Database, "select">;

/** Versions that can be gone back to. */
const MOST_KEPT = 50;
/** The version that was there before anybody set anything. */
export const FIRST = "The shop as it was set up";

async function latest(db: Reader): Promise<ShopRow | null> {
  const rows = await db.select().from(shops).orderBy(desc(shops.version)).limit(2);
  const [row, before] = rows;
  const read = row && Shop.safeParse(row.document);
  if (!row || !read?.success) return null;
  return { shop: read.data, version: row.version, undo: before ? row.label : null };
}

/** Of jobs made before there was a shop, the hours of the one changed last are taken for the shop's. */
async function hoursOfJobs(db: Reader): Promise<Shop> {
  const [row] = await db
    .select({ id: plans.id, document: plans.document })
    .from(plans)
    .where(isNull(plans.removedAt))
    .orderBy(desc(plans.updatedAt))
    .limit(1);
  const plan = row && readDocumentOf(row.document, row.id);
  return plan ? shopOf(plan.pinned.hours) : DEFAULT_SHOP;
}

/** The shop's settings as they are now; before anybody has set any, those its jobs have. */
export const getShop = (store: Store): Promise<ShopRow> =>
  within(store, async (db) => (await latest(db)) ?? { shop: await hoursOfJobs(db), version: 0, undo: null });

export type ShopWritten =
  | { is: "written"; row: ShopRow }
  /** somebody else changed them since */
  | { is: "overtaken"; row: ShopRow };

/** Writes the shop's next version, if it was based on the latest. */
export const setShop = (
  store: Store,
  { base, shop, label }: { base: number; shop: Shop; label: string },
): Promise<ShopWritten> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx): Promise<ShopWritten> => {
        const now = (await latest(tx)) ?? { shop: await hoursOfJobs(tx), version: 0, undo: null };
        if (now.version !== base) return { is: "overtaken", row: now };
        const at = new Date();
        // what there was before anything was set can be gone back to as well
        if (now.version === 0)
          await tx.insert(shops).values({ version: ++now.version, label: FIRST, document: now.shop, at });
        const version = now.version + 1;
        await tx.insert(shops).values({ version, label, document: shop, at });
        await tx.delete(shops).where(lte(shops.version, version - MOST_KEPT));
        return { is: "written", row: { shop, version, undo: label } };
      },
      { behavior: "immediate" },
    ),
  );

/** Takes the last change of the shop back, as a change of its own. */
export const undoShop = (store: Store, base: number): Promise<ShopWritten> =>
  within(store, async (db) => {
    const rows = await db.select().from(shops).orderBy(desc(shops.version)).limit(2);
    const [row, before] = rows;
    const read = before && Shop.safeParse(before.document);
    if (!row || row.version !== base || !read?.success)
      return { is: "overtaken", row: (await latest(db)) ?? { shop: DEFAULT_SHOP, version: 0, undo: null } };
    const label = row.label.startsWith(UNDONE) ? row.label.slice(UNDONE.length) : `${UNDONE}${row.label}`;
    return setShop(store, { base, shop: read.data, label });
  });

const UNDONE = "Undone: ";
