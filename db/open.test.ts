import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createClient } from "@libsql/client";
import { sql } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { Command } from "#core/edit/command";
import { examplePlan } from "#core/rules/example";
import { openFileAt } from "./file-identity";
import { inTurn, openStore, placeFrom, type Store } from "./open";
import { WAS_THERE } from "./place";
import { addPlan, editPlan, getJob, listJobs, summarise } from "./plans";
import { plans } from "./schema";
import { saidOf } from "./trouble";

let folder: string;
let store: Store;
const file = () => join(folder, "crust.db");

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-open-"));
  store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  await addPlan(store, examplePlan({ shows: "one", ground: "raw timber", steps: [["brush", "chalk-slate"]] }));
});
afterEach(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const rename = (title: string): Command => ({ do: "set job", patch: { title, client: undefined, due: undefined } });
const edit = (id: string, base: number) => ({ id: `edit-${id}`, base, label: id, commands: [rename(id)] });

describe("every connection", () => {
  it("writes through to the disk and holds foreign keys, also those opened beside a transaction", async () => {
    await store.db.transaction(async () => {
      const beside = await store.client.execute("PRAGMA synchronous");
      expect(beside.rows[0]!.synchronous).toBe(2);
      expect((await store.client.execute("PRAGMA foreign_keys")).rows[0]!.foreign_keys).toBe(1);
    });
    expect((await store.client.execute("PRAGMA synchronous")).rows[0]!.synchronous).toBe(2);
    expect((await store.client.execute("PRAGMA journal_mode")).rows[0]!.journal_mode).toBe("wal");
  });
});

describe("a database that is exchanged under a running shop", () => {
  it("is noticed: edits go to the file at the path, and nothing confirmed is in neither", async () => {
    // a backup, an edit, then the backup replaces the open file
    await store.client.execute({ sql: "VACUUM INTO ?", args: [join(folder, "backup.db")] });
    expect(await editPlan(store, "example", edit("first", 1))).toMatchObject({ is: "written", version: 2 });
    rmSync(file());
    copyFileSync(join(folder, "backup.db"), file());
    // the page's version is one that the backup does not know
    expect(await editPlan(store, "example", edit("second", 2))).toMatchObject({ is: "overtaken" });
    expect(await editPlan(store, "example", edit("third", 1))).toMatchObject({ is: "written", version: 2 });
    store.client.close();
    const again = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
    expect((await getJob(again, "example"))!.plan.title).toBe("third");
    again.client.close();
    // and the edit that only the lost file held was copied aside
    const rescued = readdirSync(folder).find((name) => name.startsWith("crust-rescued-"))!;
    const copy = await openStore(placeFrom({ DATABASE_URL: `file:${join(folder, rescued)}` }));
    expect((await getJob(copy, "example"))!.plan.title).toBe("first");
    copy.client.close();
    store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  });

  it("that is gone is not written to: what it held is copied, and found again when it is back", async () => {
    renameSync(file(), join(folder, "away.db"));
    await expect(editPlan(store, "example", edit("lost", 1))).rejects.toThrow(
      /is gone\. Everything in it was copied to/,
    );
    expect(existsSync(file())).toBe(false);
    renameSync(join(folder, "away.db"), file());
    expect(await editPlan(store, "example", edit("back", 1))).toMatchObject({ is: "written" });
  });

  it("is exchanged again and again without losing its place", async () => {
    await store.client.execute({ sql: "VACUUM INTO ?", args: [join(folder, "backup.db")] });
    for (let round = 0; round < 5; round++) {
      expect(await editPlan(store, "example", edit(`round-${round}`, 1))).toMatchObject({ is: "written", version: 2 });
      copyFileSync(join(folder, "backup.db"), join(folder, "next.db"));
      renameSync(join(folder, "next.db"), file());
      expect((await getJob(store, "example"))!.version).toBe(1);
    }
    const { rows } = await store.client.execute("PRAGMA integrity_check");
    expect(rows[0]!.integrity_check).toBe("ok");
  });
});

describe("a database that another program holds", () => {
  it("is waited for without standing still, and written when it is let go", async () => {
    const other = createClient({ url: `file:${file()}` });
    const held = await other.transaction("write");
    let beats = 0;
    const heart = setInterval(() => beats++, 10);
    const written = editPlan(store, "example", edit("patient", 1));
    await new Promise((resolve) => setTimeout(resolve, 400));
    await held.rollback();
    expect(await written).toMatchObject({ is: "written" });
    clearInterval(heart);
    expect(beats).toBeGreaterThan(8);
    other.close();
  });

  it("for too long refuses with a sentence, and takes edits again afterwards", async () => {
    const other = createClient({ url: `file:${file()}` });
    const held = await other.transaction("write");
    await expect(editPlan(store, "example", edit("late", 1))).rejects.toThrow(/in use by another program/);
    await held.rollback();
    other.close();
    for (let round = 1; round < 4; round++)
      expect(await editPlan(store, "example", edit(`after-${round}`, round))).toMatchObject({ is: "written" });
  });
});

describe("one bad job", () => {
  it("does not take the list along: the rest is shown, and it says that it cannot be read", async () => {
    await addPlan(store, { ...examplePlan({ shows: "two", ground: "raw timber", steps: [] }), id: "good" });
    await store.db.run(sql`update plans set document = '{"half": ', summary = 'broken' where id = 'example'`);
    const { jobs } = await listJobs(store);
    expect(jobs.map(({ id }) => id).sort()).toEqual(["example", "good"]);
    expect(jobs.find(({ id }) => id === "example")).toMatchObject({ summary: null, pending: true });
    await summarise(store, "example");
    await summarise(store, "good");
    const after = (await listJobs(store)).jobs;
    expect(after.find(({ id }) => id === "example")!.summary!.trouble).toMatch(/cannot be read/);
    expect(after.find(({ id }) => id === "good")).toMatchObject({
      pending: false,
      summary: { worked: { phases: 0 } },
    });
  });

  it("a table of another version is recognised by its code, not by its words", async () => {
    await store.db.run(sql`alter table plans rename column summary to full_summary`);
    await expect(listJobs(store)).rejects.toThrow(/from another version/);
  });
});

describe("what is said of trouble", () => {
  const place = placeFrom({ JOLLY_CRUST_DATA: "/shop" });
  it.each([
    ["SQLITE_FULL", /disk .* is full/],
    ["ENOSPC", /disk .* is full/],
    ["SQLITE_READONLY_DBMOVED", /can be read but not written/],
    ["EACCES", /can be read but not written/],
    ["SQLITE_BUSY_SNAPSHOT", /in use by another program/],
    ["SQLITE_CORRUPT_INDEX", /is damaged, or not a database/],
    ["SQLITE_IOERR_READ", /does not read or write properly/],
    ["ENOENT", /cannot be opened or created/],
    ["SQLITE_ERROR", /from another version/],
  ])("%s", (code, says) => {
    const cause = Object.assign(new Error("FULL ENOSPC disk is full READONLY"), { code });
    expect(saidOf(new Error("outer", { cause }), place)).toMatch(says);
  });
});

describe("a database exchanged while the shop is not running", () => {
  it("does not meet the log that a crash left beside the other", async () => {
    await store.client.execute({ sql: "VACUUM INTO ?", args: [join(folder, "backup.db")] });
    await editPlan(store, "example", edit("crashed", 1));
    // as after a crash: database and log as they are, and nobody has closed them
    const after = mkdtempSync(join(tmpdir(), "crust-open-"));
    for (const name of ["crust.db", "crust.db-wal", "crust.db-marks"])
      renameSync(join(folder, name), join(after, name));
    rmSync(join(after, "crust.db"));
    copyFileSync(join(folder, "backup.db"), join(after, "crust.db"));
    const restored = await openStore(placeFrom({ JOLLY_CRUST_DATA: after }));
    expect((await getJob(restored, "example"))!.plan.title).toBe("Example");
    expect((await restored.client.execute("PRAGMA integrity_check")).rows[0]!.integrity_check).toBe("ok");
    expect(readdirSync(after).some((name) => name.includes("wal-of-replaced-file"))).toBe(true);
    restored.client.close();
    rmSync(after, { recursive: true });
  });
});

describe("a database exchanged right after its log came into being", () => {
  it("does not meet the log of the file before it", async () => {
    await store.client.execute({ sql: "VACUUM INTO ?", args: [join(folder, "backup.db")] });
    // every connection closes: the log goes, and the next edit makes a new one
    store.client.close();
    store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
    for (let round = 0; round < 6; round++) {
      const { version } = (await getJob(store, "example"))!;
      await editPlan(store, "example", edit(`log-${round}`, version));
      copyFileSync(join(folder, "backup.db"), join(folder, "next.db"));
      renameSync(join(folder, "next.db"), file());
      expect((await getJob(store, "example"))!.plan.title).toBe("Example");
      const { rows } = await store.client.execute("PRAGMA integrity_check");
      expect(rows[0]!.integrity_check).toBe("ok");
    }
  });
});

describe("a database exchanged while an edit is being written", () => {
  it("is not opened by the way, beside the log of the file before", async () => {
    await store.client.execute({ sql: "VACUUM INTO ?", args: [join(folder, "backup.db")] });
    await editPlan(store, "example", edit("before", 1));
    await store.client.execute("PRAGMA wal_checkpoint(TRUNCATE)");
    const { log } = openFileAt(file())!;
    const held = await store.client.transaction("write");
    renameSync(join(folder, "backup.db"), file());
    // a second connection, while the first is held: it was open before, and reads the file that it belongs to
    const { rows } = await store.client.execute("SELECT title FROM plans WHERE id = 'example'");
    expect(rows[0]!.title).toBe("before");
    await held.rollback();
    // whoever asks next gets the new file, without the old log
    expect((await getJob(store, "example"))!.plan.title).toBe("Example");
    expect(openFileAt(file())!.log).not.toBe(log);
    expect((await store.client.execute("PRAGMA integrity_check")).rows[0]!.integrity_check).toBe("ok");
  });

  it("waits for the edit, and says that it went into the file before", async () => {
    await store.client.execute({ sql: "VACUUM INTO ?", args: [join(folder, "backup.db")] });
    const writing = inTurn(store, (db) =>
      db.transaction(async (tx) => {
        await tx.update(plans).set({ title: "late" });
        renameSync(join(folder, "backup.db"), file());
        // somebody else looks at the path meanwhile, and wants the new file
        void getJob(store, "example");
        await new Promise((resolve) => setTimeout(resolve, 40));
        await tx.update(plans).set({ title: "later" });
      }),
    );
    await expect(writing).rejects.toThrow(/was replaced while this was being saved/);
    expect((await getJob(store, "example"))!.plan.title).toBe("Example");
  });
});

describe("a thread that opens the store late", () => {
  it("puts no empty file in the place of one that was there when the program started", async () => {
    const place = placeFrom({ JOLLY_CRUST_DATA: join(folder, "gone"), [WAS_THERE]: "yes" });
    await expect(openStore(place)).rejects.toThrow(/is gone\. Put it back/);
    expect(existsSync(join(folder, "gone"))).toBe(false);
  });

  it("makes no shop of the empty file that is left where one was taken away while it was being opened", async () => {
    const left = join(folder, "left.db");
    writeFileSync(left, "");
    const place = placeFrom({ DATABASE_URL: `file:${left}`, [WAS_THERE]: "yes" });
    await expect(openStore(place)).rejects.toThrow(/is gone\. Put it back/);
    expect(readFileSync(left).length).toBe(0);
  });
});
