import { z } from "zod";
import { sayIssue } from "../plan/fault-words.ts";
import type { Plan } from "../plan/plan.ts";
import { Shop } from "../plan/shop.ts";
import type { JobPlan } from "../schedule/plan-of-work.ts";
import { EMPTY_BOOK, SHELF_LIMITS, ShelfBook } from "../shelf/book.ts";
import { Movement } from "../shelf/stock.ts";
import { type Fault, faultsOf, readFileText, readPlan } from "./plan-file.ts";
import { readJobPlan } from "./plan-of-work-file.ts";

export const SHOP_FORMAT = "jolly-crust-shop";
export const SHOP_VERSION = 1;

/** A whole shop in one file: its settings, its jobs, and the plan of work that is kept. */
export interface ShopFile {
  shop: Shop;
  plans: Plan[];
  /** what of it could be read; of a job that was edited since, as it was scheduled before */
  planned: JobPlan[];
  /** what it buys where, and all that happened to what stands on its shelf */
  shelf: ShopShelf;
}

export interface ShopShelf {
  book: ShelfBook;
  movements: Movement[];
}

export const EMPTY_SHELF: ShopShelf = { book: EMPTY_BOOK, movements: [] };

export type ReadShopFile = { ok: true; file: ShopFile } | { ok: false; faults: Fault[] };

const MOST_JOBS = 2000;

const Outer = z.object({
  format: z.literal(SHOP_FORMAT),
  version: z.literal(SHOP_VERSION),
  shop: Shop,
  plans: z.array(z.unknown()).max(MOST_JOBS, `a shop file holds ${MOST_JOBS} jobs at most`),
  planned: z.array(z.unknown()).max(MOST_JOBS).default([]),
  shelf: z
    .strictObject({
      book: ShelfBook,
      movements: z
        .array(Movement)
        .max(SHELF_LIMITS.movements, `a shelf's list holds ${SHELF_LIMITS.movements} entries at most`),
    })
    .default(EMPTY_SHELF),
});

/** Whether a text claims to be the file of a whole shop. */
export function isShopFile(text: string): boolean {
  try {
    const raw: unknown = JSON.parse(text);
    return typeof raw === "object" && raw !== null && "format" in raw && raw.format === SHOP_FORMAT;
  } catch {
    return false;
  }
}

/** Reads the text of a *.shop.json file. A job that is wrong is named; a plan of work that another version wrote is left out. */
export function readShopFile(text: string): ReadShopFile {
  const read = readFileText(text);
  if (!read.ok) return read;
  const outer = Outer.safeParse(read.raw, { error: sayIssue });
  if (!outer.success) return { ok: false, faults: faultsOf(outer.error, read.raw) };
  const plans: Plan[] = [];
  for (const [at, one] of outer.data.plans.entries()) {
    const job = readPlan(one);
    if (!job.ok)
      return { ok: false, faults: job.faults.map(({ where, says }) => ({ where: `job ${at + 1}, ${where}`, says })) };
    plans.push(job.plan);
  }
  const planned = outer.data.planned.flatMap((one) => readJobPlan(one) ?? []);
  return { ok: true, file: { shop: outer.data.shop, plans, planned, shelf: outer.data.shelf } };
}

/** The text of a *.shop.json file; reading it gives the same shop. */
export const writeShopFile = ({
  shop,
  plans,
  planned,
  shelf = EMPTY_SHELF,
}: Omit<ShopFile, "shelf"> & { shelf?: ShopShelf }): string =>
  `${JSON.stringify({ format: SHOP_FORMAT, version: SHOP_VERSION, shop, plans, planned, shelf })}\n`;
