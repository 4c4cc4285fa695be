import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { createClient, type InValue, type Row } from "@libsql/client";
import { sql } from "drizzle-orm";
import { inTurn, openStore, type Store, within } from "./open";
import { plans } from "./schema";
import { StorageTrouble } from "./trouble";

// The whole shop in one file: a copy that is consistent although the shop is being written to, checked before it counts, and read back
// into a shop that has no jobs yet.

/** Copies that are made by themselves, one a day; the oldest go. */
export const COPIES = 7;
const COPY = /^crust-\d{4}-\d{2}-\d{2}\.db$/;

const fileOf = ({ place: { file } }: Pick<Store, "place">): string => {
  if (file === null)
    throw new StorageTrouble(
      "This shop's data are on a database server: back it up there, with that server's own means.",
    );
  return file;
};

/** What is wrong with a file as a copy of a shop; null where nothing is. */
export async function faultOfCopy(path: string): Promise<string | null> {
  const client = createClient({ url: `file:${path}` });
  try {
    const { rows } = await client.execute("PRAGMA integrity_check");
    const said = String(rows[0]?.integrity_check ?? "");
    if (said !== "ok") return `The file is damaged: ${said.slice(0, 120)}`;
    const loose = await client.execute("PRAGMA foreign_key_check");
    if (loose.rows.length > 0) return "The file is damaged: parts of it belong to nothing.";
    const tables = await client.execute("SELECT name FROM sqlite_schema WHERE type = 'table' AND name = 'plans'");
    return tables.rows.length === 1 ? null : "This is a database, but not of Jolly Crust.";
  } catch {
    return "This is not a backup of a shop. Choose the file that was downloaded as one.";
  } finally {
    client.close();
  }
}

/** Copies the shop as it is at one moment into a new file, and checks it. The file is there whole or not at all. */
export async function backUp(store: Store, path: string): Promise<void> {
  fileOf(store);
  mkdirSync(dirname(path), { recursive: true });
  const unfinished = `${path}.part`;
  rmSync(unfinished, { force: true });
  await within(store, () => store.client.execute({ sql: "VACUUM INTO ?", args: [unfinished] }));
  const fault = await faultOfCopy(unfinished);
  if (fault) {
    rmSync(unfinished, { force: true });
    throw new StorageTrouble(`The copy could not be made: ${fault}`);
  }
  renameSync(unfinished, path);
}

export interface Copy {
  name: string;
  bytes: number;
  at: Date;
}

const copiesFolder = (store: Store) => join(dirname(fileOf(store)), "copies");

/** The copies that were made by themselves, the newest first. */
export function copiesOf(store: Store): Copy[] {
  if (store.place.file === null) return [];
  const folder = copiesFolder(store);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => COPY.test(name))
    .sort()
    .reverse()
    .map((name) => {
      const { size, mtime } = statSync(join(folder, name));
      return { name, bytes: size, at: mtime };
    });
}

/** The path of a copy by its name; null where there is none. */
export function copyPath(store: Store, name: string): string | null {
  return copiesOf(store).some((copy) => copy.name === name) ? join(copiesFolder(store), name) : null;
}

/** Makes today's copy, where there is none yet, and lets the oldest go. */
export async function copyOfToday(store: Store, now = new Date()): Promise<boolean> {
  if (store.place.file === null) return false;
  const name = `crust-${now.toISOString().slice(0, 10)}.db`;
  if (copiesOf(store).some((copy) => copy.name === name)) return false;
  await backUp(store, join(copiesFolder(store), name));
  for (const { name: old } of copiesOf(store).slice(COPIES)) rmSync(join(copiesFolder(store), old), { force: true });
  return true;
}

export const isEmpty = (store: Store): Promise<boolean> =>
  within(store, async (db) => (await db.select({ id: plans.id }).from(plans).limit(1)).length === 0);

/** What a backup holds, in an order in which nothing is missing what it belongs to. Devices are not among it: they are paired again. */
const TABLES = [
  "plans",
  "edits",
  "photos",
  "ledger_lines",
  "shops",
  "shelf_books",
  "movements",
  "plans_of_work",
  "job_plans",
  "drill_cards",
  "drill_answers",
] as const;
const ROWS_AT_ONCE = 20;

/** Pictures come as plain bytes; the driver takes them as they are. */
const asInput = (value: Row[number] | undefined): InValue =>
  value instanceof ArrayBuffer ? new Uint8Array(value) : (value ?? null);

/** What was practised here before is replaced by what the backup says of it. */
function insertOf(table: string, columns: readonly string[], row: Row) {
  const values = columns.map((_, index) => sql`${asInput(row[index])}`);
  return sql`${sql.raw(`INSERT ${table.startsWith("drill_") ? "OR REPLACE " : ""}INTO ${table} (${columns.join()}) VALUES (`)}${sql.join(values, sql`, `)})`;
}

/**
 * Reads a backup into a shop that has no jobs: all of it, or nothing. What an older version wrote is brought up to date first, on a
 * copy. Answers what is wrong, or null.
 */
export async function restore(store: Store, path: string): Promise<string | null> {
  const fault = await faultOfCopy(path);
  if (fault) return fault;
  if (!(await isEmpty(store)))
    return "This shop has jobs already. A backup is read into an empty one, so that nothing is overwritten.";
  const copy = await openStore({ url: `file:${path}`, file: path }, store.migrations);
  try {
    return await inTurn(store, (db) =>
      db.transaction(
        async (tx): Promise<string | null> => {
          if ((await tx.select({ id: plans.id }).from(plans).limit(1)).length > 0) return "This shop has jobs already.";
          for (const table of TABLES) {
            await tx.run(sql.raw(`DELETE FROM ${table}`));
            const { rows: described } = await copy.client.execute(`PRAGMA table_info(${table})`);
            const columns = described.map(({ name }) => `"${String(name)}"`);
            for (let from = 0; ; from += ROWS_AT_ONCE) {
              const { rows } = await copy.client.execute(
                `SELECT ${columns.join()} FROM ${table} ORDER BY rowid LIMIT ${ROWS_AT_ONCE} OFFSET ${from}`,
              );
              if (rows.length === 0) break;
              for (const row of rows) await tx.run(insertOf(table, columns, row));
            }
          }
          return null;
        },
        { behavior: "immediate" },
      ),
    );
  } finally {
    copy.client.close();
  }
}
