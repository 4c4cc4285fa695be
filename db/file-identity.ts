import { closeSync, existsSync, openSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
import { z } from "zod";

// An embedded database is three files that belong together. When somebody replaces the open one, the old one lives on without a
// name: what is written to it then is in no file that anybody will ever open.

/**
 * Which file is at a path: its device, inode and birth, because a new file gets a freed inode at once; null if there
 * is none.
 */
export function markOf(path: string): string | null {
  const found = statSync(path, { throwIfNoEntry: false, bigint: true });
  return found ? `${found.dev}:${found.ino}:${found.birthtimeNs}` : null;
}

export interface OpenFile {
  database: string;
  log: string | null;
  index: string | null;
}

/**
 * What is at the path now. The three are looked at one after another, and between two looks another file may come: then what
 * was seen belongs to both, and is looked at again.
 */
export function openFileAt(path: string): OpenFile | null {
  for (;;) {
    const database = markOf(path);
    if (database === null) return null;
    const open = { database, log: markOf(`${path}-wal`), index: markOf(`${path}-shm`) };
    if (markOf(path) === database) return open;
  }
}

/**
 * Beside the database: which file it was when it was last open, and which log belonged to it. It survives a crash.
 */
const noteBeside = (path: string) => `${path}-marks`;

const Noted = z.object({ database: z.string(), log: z.string().nullable(), index: z.string().nullable() });

export function writeMarks(path: string, open: OpenFile) {
  try {
    writeFileSync(noteBeside(path), JSON.stringify(open));
  } catch {
    // a place that cannot be written has no log either
  }
}

function readMarks(path: string): OpenFile | null {
  try {
    return Noted.parse(JSON.parse(readFileSync(noteBeside(path), "utf8")));
  } catch {
    return null;
  }
}

/**
 * Before a database is opened: if it is not the one last open at this path, the log left by that one is moved away.
 */
export function setAsideLeftLog(path: string) {
  const noted = readMarks(path);
  if (noted !== null && noted.database !== markOf(path)) setAsideLog(path, noted);
}

/**
 * Moves the log of a file that no longer exists out of the way of the file that replaced it: read together they would
 * mix pages of both. A log that came with the new file has another mark and stays.
 */
export function setAsideLog(path: string, open: OpenFile) {
  alone(path, () => moveAside(path, open));
}

const LOCK_STEP = 4;
const LOCK_LONGEST = 2000;

/** One thread at a time: between looking at a file and removing it, another thread could have put a new one there. */
function alone(path: string, work: () => void) {
  const lock = `${path}-aside`;
  for (let waited = 0; waited < LOCK_LONGEST; waited += LOCK_STEP)
    try {
      closeSync(openSync(lock, "wx"));
      break;
    } catch (error) {
      if (!(error instanceof Error && "code" in error && error.code === "EEXIST")) throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, LOCK_STEP);
    }
  try {
    work();
  } finally {
    // one left by a crash is removed here too
    rmSync(lock, { force: true });
  }
}

function moveAside(path: string, open: OpenFile) {
  const log = `${path}-wal`;
  try {
    if (open.log !== null && markOf(log) === open.log) renameSync(log, unusedName(`${log}-of-replaced-file`));
  } catch (error) {
    // another thread got there first
    if (!(error instanceof Error && "code" in error && error.code === "ENOENT")) throw error;
  }
  const index = `${path}-shm`;
  if (open.index !== null && markOf(index) === open.index) rmSync(index, { force: true });
}

/** The name, or the name with the next free number. */
export function unusedName(path: string): string {
  if (!existsSync(path)) return path;
  for (let number = 2; ; number++) if (!existsSync(`${path}-${number}`)) return `${path}-${number}`;
}
