import { desc, inArray, isNull, sql } from "drizzle-orm";
import { DEFAULT_SHOP, Shop, shopOf } from "#core/plan/shop";
import type { Database, Store } from "./open";
import { readDocumentOf } from "./plans";
import { plans, shops } from "./schema";
import { type Version, type VersionWritten, versionsOf } from "./versions";

/** The shop's settings with the version that an edit of them is based on. */
export interface ShopRow extends Omit<Version<Shop>, "document"> {
  shop: Shop;
}

export type ShopWritten = { is: "written"; row: ShopRow } | { is: "overtaken"; row: ShopRow };

/** The version that was there before anybody set anything. */
export const FIRST = "The shop as it was set up";

/** Of jobs made before there was a shop, the hours of the one changed last are taken for the shop's. */
async function hoursOfJobs(db: Pick<Database, "select">): Promise<Shop> {
  const last = db
    .select({ id: plans.id })
    .from(plans)
    .where(isNull(plans.removedAt))
    .orderBy(desc(plans.updatedAt))
    .limit(1);
  const [row] = await db
    .select({ id: plans.id, document: sql<string>`${plans.document}` })
    .from(plans)
    .where(inArray(plans.id, last));
  const plan = row && readDocumentOf(row.document, row.id);
  return plan ? shopOf(plan.pinned.hours) : DEFAULT_SHOP;
}

const versions = versionsOf<Shop>({ table: shops, schema: Shop, first: hoursOfJobs, firstLabel: FIRST });

const rowOf = ({ document, version, undo }: Version<Shop>): ShopRow => ({ shop: document, version, undo });
const asWritten = ({ is, row }: VersionWritten<Shop>): ShopWritten => ({ is, row: rowOf(row) });

/** The shop's settings as they are now; before anybody has set any, those its jobs have. */
export const getShop = async (store: Store): Promise<ShopRow> => rowOf(await versions.get(store));

/** Writes the shop's next version, if it was based on the latest. */
export const setShop = async (
  store: Store,
  { base, shop, label }: { base: number; shop: Shop; label: string },
): Promise<ShopWritten> => asWritten(await versions.set(store, { base, document: shop, label }));

/** Takes the last change of the shop back, as a change of its own. */
export const undoShop = async (store: Store, base: number): Promise<ShopWritten> =>
  asWritten(await versions.undo(store, base));
