import { existsSync, mkdirSync } from "node:fs";
import { join, resolve } from "node:path";
import { type Client, createClient } from "@libsql/client";
import { drizzle, type LibSQLDatabase } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import * as schema from "./schema";
import { StorageTrouble, saidOf } from "./trouble";

export type Database = LibSQLDatabase<typeof schema>;

export interface Place {
  /** an address of a libSQL server, or the embedded file's */
  url: string;
  token?: string;
  /** path of the embedded file; null for a server */
  file: string | null;
}

const BUSY_MILLISECONDS = 5000;
/** Beside the project the server is started from. */
const MIGRATIONS = resolve("db/migrations");

/** Where the data lies: DATABASE_URL for a server, else crust.db in JOLLY_CRUST_DATA (./data). */
export function placeFrom(environment: Record<string, string | undefined>): Place {
  const url = environment.DATABASE_URL;
  if (url && !url.startsWith("file:")) return { url, token: environment.DATABASE_AUTH_TOKEN, file: null };
  const file = url ? url.slice("file:".length) : join(resolve(environment.JOLLY_CRUST_DATA ?? "data"), "crust.db");
  return { url: `file:${file}`, file };
}

export interface Store {
  db: Database;
  client: Client;
  place: Place;
}

async function prepare(client: Client, place: Place) {
  if (place.file !== null) {
    await client.execute("PRAGMA journal_mode = WAL");
    await client.execute("PRAGMA synchronous = NORMAL");
  }
  await client.execute("PRAGMA foreign_keys = ON");
}

/** Opens the store, making folder and tables where they are missing. Throws StorageTrouble with a sentence that helps. */
export async function openStore(place: Place, migrations = MIGRATIONS): Promise<Store> {
  try {
    if (place.file !== null) mkdirSync(resolve(place.file, ".."), { recursive: true });
    const client = createClient({ url: place.url, authToken: place.token, timeout: BUSY_MILLISECONDS });
    await prepare(client, place);
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder: migrations });
    return { db, client, place };
  } catch (error) {
    throw new StorageTrouble(saidOf(error, place), { cause: error });
  }
}

/** Runs work on the store; trouble with the file or the server comes out as a sentence, and nothing is half done. */
export async function within<T>(store: Store, work: (db: Database) => Promise<T>): Promise<T> {
  if (store.place.file !== null && !existsSync(store.place.file))
    throw new StorageTrouble(
      `The database file ${store.place.file} is gone. Put it back, or restart to begin with an empty one; keep this page open so that nothing typed is lost.`,
    );
  try {
    return await work(store.db);
  } catch (error) {
    if (error instanceof StorageTrouble || !isStorageError(error)) throw error;
    throw new StorageTrouble(saidOf(error, store.place), { cause: error });
  }
}

const turns = new Map<string, Promise<unknown>>();

/**
 * Runs one piece of writing work at a time on a place. The embedded client waits for a held file without giving way to the
 * event loop, so within one process writers must queue here; other processes are waited for by the busy timeout.
 */
export function inTurn<T>(store: Store, work: () => Promise<T>): Promise<T> {
  const key = store.place.url;
  const before = turns.get(key) ?? Promise.resolve();
  const mine = before.then(work, work);
  turns.set(
    key,
    mine.catch(() => undefined),
  );
  return mine;
}

const isStorageError = (error: unknown): boolean =>
  error instanceof Error &&
  (/SQLITE_|LIBSQL|HRANA|fetch failed/i.test(codeOf(error)) ||
    (error.cause !== undefined && isStorageError(error.cause)));
const codeOf = (error: Error) => `${"code" in error ? error.code : ""} ${error.message}`;
