import { existsSync, mkdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { type Client, createClient } from "@libsql/client";
import { drizzle, type LibSQLDatabase } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import { markOf, type OpenFile, openFileAt, setAsideLeftLog, setAsideLog, writeMarks } from "./file-identity";
import type { DatabasePlace } from "./place";
import * as schema from "./schema";
import { isBusy, isStorageError, StorageTrouble, saidOf } from "./trouble";

export { type DatabasePlace, placeFrom } from "./place";

export type Database = LibSQLDatabase<typeof schema>;

/** How long another program may hold the file before an edit is refused, and how often it is tried in between. */
const PATIENCE_MILLISECONDS = 5000;
const TRY_EVERY_MILLISECONDS = 25;
/** How long the client itself waits, holding up its thread. */
const BUSY_MILLISECONDS = 20;
/** In the folder the server is started from. */
const MIGRATIONS = resolve("db/migrations");

export interface Store {
  readonly place: DatabasePlace;
  readonly migrations: string;
  db: Database;
  client: Client;
  /** the embedded file that is open; null for a server */
  open: OpenFile | null;
}

/** One connection for the write that is under way, and one for everything that reads meanwhile. */
const CONNECTIONS = 2;

/**
 * A client with all its connections open. One that it opened later would open whatever is at the path by then: perhaps another
 * file, with the log of this one beside it.
 */
async function newClient(place: DatabasePlace): Promise<Client> {
  const client = createClient({
    url: place.url,
    authToken: place.token,
    timeout: BUSY_MILLISECONDS,
    ...(place.file === null ? {} : { concurrency: CONNECTIONS }),
  });
  if (place.file === null) return client;
  try {
    // while one is held, the other has to be opened
    const held = await client.transaction("read");
    await client.execute("SELECT count(*) FROM sqlite_schema");
    await held.rollback();
    return client;
  } catch (error) {
    client.close();
    throw error;
  }
}

/** Migrations that the database has not had; checked without writing, so that it works while others write. */
async function isUpToDate(client: Client, migrations: string): Promise<boolean> {
  const journal = JSON.parse(readFileSync(join(migrations, "meta/_journal.json"), "utf8")) as { entries: unknown[] };
  try {
    const { rows } = await client.execute("SELECT count(*) AS done FROM __drizzle_migrations");
    return Number(rows[0]?.done) >= journal.entries.length;
  } catch (error) {
    if (isBusy(error)) throw error;
    return false;
  }
}

/** Another file came to the path while the one before was being opened. */
class ReplacedWhileOpening extends Error {
  readonly code = "SQLITE_BUSY";
  constructor(file: string) {
    super(`${file} was replaced while it was being opened`);
  }
}

const gone = (file: string) =>
  new StorageTrouble(
    `The database file ${file} is gone. Put it back, or restart to begin with an empty one. Keep this page open: nothing you typed is lost.`,
  );

/** Whether something is at the path. A file without anything in it is what a program leaves that opened one just taken away. */
const hasContent = (file: string) => (statSync(file, { throwIfNoEntry: false })?.size ?? 0) > 0;

/** Opens what is at the place. Only where nothing ever was may a new file be made. */
async function connect(
  place: DatabasePlace,
  migrations: string,
  mayCreate: boolean,
): Promise<Pick<Store, "client" | "db" | "open">> {
  if (place.file !== null && mayCreate) mkdirSync(dirname(resolve(place.file)), { recursive: true });
  return patiently(async () => {
    if (place.file !== null && !mayCreate && !hasContent(place.file)) throw gone(place.file);
    if (place.file !== null) setAsideLeftLog(place.file);
    const before = place.file === null ? null : markOf(place.file);
    const client = await newClient(place);
    try {
      const db = drizzle(client, { schema });
      if (!(await isUpToDate(client, migrations))) {
        // a new connection keeps foreign keys and writes through to the disk by itself; a test checks that
        if (place.file !== null) await client.execute("PRAGMA journal_mode = WAL");
        await migrate(db, { migrationsFolder: migrations });
      }
      const open = place.file === null ? null : openFileAt(place.file);
      if (before !== null && open?.database !== before) throw new ReplacedWhileOpening(place.file!);
      if (place.file !== null && open !== null) writeMarks(place.file, open);
      return { client, db, open };
    } catch (error) {
      client.close();
      throw error;
    }
  });
}

/**
 * Opens the store, creating folder and tables where they are missing. Throws StorageTrouble with a sentence that
 * helps.
 */
export async function openStore(place: DatabasePlace, migrations = MIGRATIONS): Promise<Store> {
  try {
    return { place, migrations, ...(await connect(place, migrations, !place.wasThere)) };
  } catch (error) {
    if (error instanceof StorageTrouble) throw error;
    throw new StorageTrouble(saidOf(error, place), { cause: error });
  }
}

/** Tries again, without holding up the thread, while another program holds the file. */
async function patiently<T>(work: () => Promise<T>, onBusy: () => Promise<void> = async () => {}): Promise<T> {
  for (const until = performance.now() + PATIENCE_MILLISECONDS; ; await pause(TRY_EVERY_MILLISECONDS))
    try {
      return await work();
    } catch (error) {
      if (!isBusy(error)) throw error;
      await onBusy().catch(() => undefined);
      if (performance.now() >= until) throw error;
    }
}

/**
 * Opens new connections. A statement refused because the file was held leaves its connection half way, with an
 * outdated view of the file: whatever is written on it afterwards is refused too, though nobody holds anything any
 * more. A server gives every statement a fresh view, and would keep what is under way locked if its client were closed.
 */
async function takeNewConnections(store: Store) {
  const { place, open } = store;
  if (place.file === null) return;
  // what has come to the path since is opened by whoever looks at it next
  if (open === null || markOf(place.file) !== open.database) return;
  const client = await newClient(place);
  store.client.close();
  store.client = client;
  store.db = drizzle(store.client, { schema });
}

/** Where a copy of the open file goes once its name is gone or another's. */
const rescueName = (file: string, open: OpenFile) =>
  join(dirname(file), `crust-rescued-${open.database.replace(/\D+/g, "-")}.db`);

/** Copies what the open file holds beside its old path; returns the copy's path, or null if that fails. */
async function rescue({ client, place: { file }, open }: Store): Promise<string | null> {
  if (file === null || open === null) return null;
  const copy = rescueName(file, open);
  if (existsSync(copy)) return copy;
  try {
    await client.execute({ sql: "VACUUM INTO ?", args: [copy] });
    return copy;
  } catch {
    return existsSync(copy) ? copy : null;
  }
}

const reopening = new WeakMap<Store, Promise<void>>();

/** What is being read and written on each store: it is finished, on the file it began on, before that is closed. */
const underWay = new WeakMap<Store, Set<Promise<unknown>>>();
const LONGEST_WORK_MILLISECONDS = 2000;

function atWork(store: Store): Set<Promise<unknown>> {
  const set = underWay.get(store) ?? new Set();
  underWay.set(store, set);
  return set;
}

async function counted<T>(store: Store, work: Promise<T>): Promise<T> {
  const set = atWork(store);
  set.add(work);
  try {
    return await work;
  } finally {
    set.delete(work);
  }
}

/** Closes the open file and opens the one now at its path. */
async function reopen(store: Store): Promise<void> {
  const under = reopening.get(store);
  if (under) return under;
  const work = (async () => {
    const { place, open } = store;
    await Promise.race([Promise.allSettled(atWork(store)), pause(LONGEST_WORK_MILLISECONDS)]);
    store.client.close();
    if (place.file !== null && open !== null && markOf(place.file) !== open.database) setAsideLog(place.file, open);
    Object.assign(store, await connect(place, store.migrations, false));
  })();
  reopening.set(store, work);
  try {
    await work;
  } finally {
    reopening.delete(store);
  }
}

/**
 * Notes which log and index belong to the open file, as long as it is the one at its path: they come and go while it
 * is open. False if another file, or none, is at the path.
 */
function takeDown(store: Store): boolean {
  const { file } = store.place;
  if (file === null || store.open === null) return true;
  const fresh = openFileAt(file);
  if (fresh?.database !== store.open.database) return false;
  if (fresh.log !== store.open.log || fresh.index !== store.open.index) writeMarks(file, fresh);
  store.open = fresh;
  return true;
}

/**
 * Makes sure that the open file is the one at its path. If another is there, the open one is copied aside and the
 * other opened; if none is, nothing is read or written.
 */
async function holdToPath(store: Store): Promise<void> {
  const { file } = store.place;
  await reopening.get(store);
  if (file === null || store.open === null) return;
  if (takeDown(store)) return;
  const now = markOf(file);
  const copy = await rescue(store);
  if (now === null)
    throw new StorageTrouble(
      `The database file ${file} is gone. ${copy ? `Everything in it was copied to ${copy}: stop the tool, rename that to ${file} and start again.` : "Put it back, or restart to begin with an empty one."} Keep this page open: nothing you typed is lost.`,
    );
  await reopen(store);
}

const LOOK_EVERY_MILLISECONDS = 500;

/**
 * Looks at the path now and then, also while nobody asks for anything: as long as another file's log lies beside it,
 * no other program could open it safely. Does not keep the process alive.
 */
export function watchPath(store: Store) {
  setInterval(() => void holdToPath(store).catch(() => undefined), LOOK_EVERY_MILLISECONDS).unref();
}

/** Runs work on the store; trouble with the file or the server comes out as a sentence, and nothing is half done. */
export async function within<T>(store: Store, work: (db: Database) => Promise<T>): Promise<T> {
  try {
    await holdToPath(store);
    const done = await patiently(
      () => counted(store, work(store.db)),
      () => takeNewConnections(store),
    );
    takeDown(store);
    return done;
  } catch (error) {
    if (error instanceof StorageTrouble || !isStorageError(error)) throw error;
    throw new StorageTrouble(saidOf(error, store.place), { cause: error });
  }
}

/** A confirmed write is in the file at the path: checked once more, because somebody may just have replaced it. */
async function writtenToPath<T>(store: Store, work: (db: Database) => Promise<T>): Promise<T> {
  const { open } = store;
  const done = await work(store.db);
  const { file } = store.place;
  if (file !== null && open !== null && markOf(file) !== open.database)
    throw new StorageTrouble(
      `The database file ${file} was replaced while this was being saved. Keep this page open: it is saved to the new file in a moment.`,
    );
  return done;
}

const turns = new Map<string, Promise<unknown>>();

/**
 * Runs one piece of writing at a time on a store; other threads and programs are waited for without holding up this
 * one.
 */
export function inTurn<T>(store: Store, work: (db: Database) => Promise<T>): Promise<T> {
  const key = store.place.url;
  const before = turns.get(key) ?? Promise.resolve();
  const run = () => within(store, () => writtenToPath(store, work));
  const mine = before.then(run, run).catch(async (error) => {
    // a connection that could not end its transaction is not used again
    if (error instanceof StorageTrouble && isStorageError(error.cause) && !isBusy(error.cause))
      await reopen(store).catch(() => undefined);
    throw error;
  });
  turns.set(
    key,
    mine.catch(() => undefined),
  );
  return mine;
}
