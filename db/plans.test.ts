import { chmodSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sql } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { Command } from "#core/edit/command";
import { readPlan } from "#core/exchange/plan-file";
import { PLAN_VERSION, type Plan } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { openStore, placeFrom, type Store } from "./open";
import {
  addPlan,
  type Edit,
  editPlan,
  getDocument,
  getJob,
  getLook,
  isKnown,
  JOBS_A_PAGE,
  listJobs,
  listRemoved,
  pendingSummaries,
  setRemoved,
  stepThroughEdits,
  summarise,
  summaryFailed,
} from "./plans";
import { plans } from "./schema";

let folder: string;
let store: Store;
const opened: Store[] = [];

async function open(): Promise<Store> {
  const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  opened.push(store);
  return store;
}

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-db-"));
  store = await open();
});
afterEach(() => {
  for (const store of opened.splice(0)) store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const somePlan = (): Plan =>
  examplePlan({
    shows: "white on oak",
    ground: "raw timber",
    species: "oak",
    steps: [
      ["brush", "chalk-bone-white", { coats: 2 }],
      ["wax", "wax-dark"],
    ],
  });
const rename = (title: string): Command => ({ do: "set job", patch: { title, client: undefined, due: undefined } });
const edit = (id: string, base: number, ...commands: Command[]): Edit => ({ id, base, label: `Edit ${id}`, commands });

describe("what a job is after an edit", () => {
  it("is what is stored of it: whoever reads the file gets the same", async () => {
    const plan = somePlan();
    await addPlan(store, plan);
    const stepId = plan.crusts[0]!.steps[0]!.id;
    const edits: Command[][] = [
      [rename("A sea chest, in the hall")],
      [{ do: "patch step", crustId: "c1", stepId, patch: { coats: 3, what: undefined, wait: undefined } }],
      [{ do: "set job", patch: { title: "Sea chest", client: "Harbour office", due: "2027-03-01T17:00" } }],
      [rename("Sea chest")],
    ];
    for (const [index, commands] of edits.entries()) {
      const written = await editPlan(store, plan.id, edit(`as-stored-${index}`, index + 1, ...commands));
      expect(written.is).toBe("written");
      const stored = readPlan(JSON.parse((await getDocument(store, plan.id))!.text));
      expect(stored.ok && stored.plan).toEqual((await getJob(store, plan.id))!.plan);
    }
    for (const way of ["undo", "redo", "undo"] as const) {
      await stepThroughEdits(store, plan.id, (await getJob(store, plan.id))!.version, way);
      const stored = readPlan(JSON.parse((await getDocument(store, plan.id))!.text));
      expect(stored.ok && stored.plan).toEqual((await getJob(store, plan.id))!.plan);
    }
  });
});

describe("looking for jobs", () => {
  const add = async (id: string, more: Partial<Plan>) => addPlan(store, { ...somePlan(), id, ...more });
  const found = async (wanted: Parameters<typeof listJobs>[1]) =>
    (await listJobs(store, wanted)).jobs.map(({ id }) => id).sort();

  it("goes by letters of the title or the client, whatever their case", async () => {
    await add("a", { title: "Sea chest", client: "Harbour office" });
    await add("b", { title: "Harbour stool", client: "Chandler" });
    await add("c", { title: "Mirror" });
    expect(await found({ text: "harbour" })).toEqual(["a", "b"]);
    expect(await found({ text: "CHEST" })).toEqual(["a"]);
    expect(await found({ client: "Chandler" })).toEqual(["b"]);
    expect(await found({ text: "harbour", client: "Chandler" })).toEqual(["b"]);
    expect(await found({ text: "nothing" })).toEqual([]);
  });

  it("takes what has a meaning in patterns as itself", async () => {
    await add("a", { title: "50 % off" });
    await add("b", { title: "A_B" });
    await add("c", { title: "Plain \\ simple" });
    expect(await found({ text: "%" })).toEqual(["a"]);
    expect(await found({ text: "_" })).toEqual(["b"]);
    expect(await found({ text: "\\" })).toEqual(["c"]);
    expect(await found({ text: "' or 1=1 --" })).toEqual([]);
  });

  it("goes by state, and says how many there are of each, and of which clients", async () => {
    await add("a", { state: "idea", client: "Zeta" });
    await add("b", { state: "promised", client: "Alpha" });
    await add("c", { client: "Alpha" });
    await add("d", { state: "put away", client: "Gone" });
    const { states, clients, others } = await listJobs(store, {});
    expect(states).toEqual({ idea: 1, promised: 2 });
    expect(clients).toEqual(["Alpha", "Zeta"]);
    expect(others).toBe(1);
    expect(await found({ state: "idea" })).toEqual(["a"]);
    expect(await found({ state: "finished" })).toEqual([]);
    expect(await found({ away: true })).toEqual(["d"]);
  });

  it("has a picture of what was worked out, and none before", async () => {
    await add("a", {});
    expect((await listJobs(store, {})).jobs[0]!.look).toBeNull();
    await summarise(store, "a");
    expect((await listJobs(store, {})).jobs[0]!.look).toBe(1);
    expect((await getLook(store, "a"))!.subarray(1, 4).toString()).toBe("PNG");
    expect(await getLook(store, "nobody")).toBeNull();
  });
});

describe("the store", () => {
  it("keeps a journal ahead of writing and holds foreign keys", async () => {
    expect((await store.client.execute("PRAGMA journal_mode")).rows[0]!.journal_mode).toBe("wal");
    await expect(
      store.db.run(sql`insert into edits values ('e', 'nobody', 1, 1, 'x', '[]', '[]', 'done', 0)`),
    ).rejects.toThrow();
  });

  it("holds foreign keys after a transaction as well", async () => {
    await addPlan(store, somePlan());
    await editPlan(store, "example", edit("a", 1, rename("Once")));
    await expect(
      store.db.run(sql`insert into edits values ('e', 'nobody', 1, 1, 'x', '[]', '[]', 'done', 0)`),
    ).rejects.toThrow();
  });

  it("opens again with what was kept, migrations done once", async () => {
    await addPlan(store, somePlan());
    const again = await open();
    expect((await getJob(again, "example"))!.plan).toEqual(somePlan());
  });

  it("says where and what to do when the folder cannot be made", async () => {
    const file = join(folder, "file");
    writeFileSync(file, "");
    await expect(openStore(placeFrom({ JOLLY_CRUST_DATA: join(file, "below") }))).rejects.toThrow(
      /cannot be opened or created\. Check the path/,
    );
  });

  it("says so when the file is no database, and leaves it as it is", async () => {
    const other = mkdtempSync(join(tmpdir(), "crust-db-"));
    writeFileSync(
      join(other, "crust.db"),
      "not a database, but long enough to be looked at as one by its header".repeat(20),
    );
    await expect(openStore(placeFrom({ JOLLY_CRUST_DATA: other }))).rejects.toThrow(/is damaged, or not a database/);
    rmSync(other, { recursive: true });
  });

  it("says so when the file is gone under a running shop", async () => {
    await addPlan(store, somePlan());
    rmSync(join(folder, "crust.db"));
    await expect(listJobs(store)).rejects.toThrow(/is gone\. Everything in it was copied to/);
    await expect(editPlan(store, "example", edit("a", 1, rename("Lost?")))).rejects.toThrow(/Keep this page open/);
  });

  it("refuses to write on a read-only place with a sentence, and still reads", async () => {
    await addPlan(store, somePlan());
    for (const store of opened.splice(0)) store.client.close();
    chmodSync(join(folder, "crust.db"), 0o444);
    chmodSync(folder, 0o555);
    const root = process.getuid?.() === 0;
    if (root) process.seteuid!(65534);
    try {
      const locked = await open();
      expect((await getJob(locked, "example"))!.plan.title).toBe("Example");
      await expect(editPlan(locked, "example", edit("a", 1, rename("Lost?")))).rejects.toThrow(
        /can be read but not written\. Make it .* writable.*Nothing was changed/,
      );
    } finally {
      if (root) process.seteuid!(0);
      chmodSync(folder, 0o755);
    }
  });
});

describe("plans", () => {
  beforeEach(async () => {
    await addPlan(store, somePlan());
  });

  it("counts versions and keeps what the list shows", async () => {
    const done = await editPlan(store, "example", edit("a", 1, rename("Sea chest")));
    expect(done).toMatchObject({ is: "written", version: 2, undo: "Edit a", redo: null });
    const known = { known: { zones: 1 } };
    expect((await listJobs(store)).jobs[0]).toMatchObject({ title: "Sea chest", pending: true, summary: known });
    await summarise(store, "example");
    const worked = { counts: { stop: 1, caution: 1 } };
    expect((await listJobs(store)).jobs[0]).toMatchObject({ pending: false, summary: { ...known, worked } });
    // the old summary stays visible while the next version is being worked out
    await editPlan(store, "example", edit("b", 2, rename("Sea box")));
    expect((await listJobs(store)).jobs[0]).toMatchObject({ title: "Sea box", pending: true, summary: { worked } });
  });

  it("says why a job could not be worked out, what it is nevertheless, and has it tried again when the shop is next opened", async () => {
    await summarise(store, "example");
    expect(await pendingSummaries(store, 10)).toEqual([]);
    await summaryFailed(store, "example", "It takes too long.");
    expect((await listJobs(store)).jobs[0]).toMatchObject({
      pending: false,
      summary: { known: { zones: 1 }, worked: null, trouble: "It takes too long." },
    });
    expect(await pendingSummaries(store, 10)).toEqual(["example"]);
    await summarise(store, "example");
    expect((await listJobs(store)).jobs[0]).toMatchObject({ summary: { trouble: null } });
    expect(await pendingSummaries(store, 10)).toEqual([]);
    await editPlan(store, "example", edit("a", 1, rename("Sea chest")));
    expect(await pendingSummaries(store, 10)).toEqual(["example"]);
  });

  it("refuses an edit of an older version and says what changed", async () => {
    await editPlan(store, "example", edit("a", 1, rename("First window")));
    const late = await editPlan(store, "example", edit("b", 1, rename("Second window")));
    expect(late).toMatchObject({ is: "overtaken", since: ["Edit a"] });
    expect((await getJob(store, "example"))!.plan.title).toBe("First window");
  });

  it("lets one of two edits at the same moment through, never both", async () => {
    const other = await open();
    const both = await Promise.all([
      editPlan(store, "example", edit("a", 1, rename("One"))),
      editPlan(other, "example", edit("b", 1, rename("Two"))),
    ]);
    expect(both.map((written) => written.is).sort()).toEqual(["overtaken", "written"]);
  });

  it("does an edit sent twice once", async () => {
    const twice = edit("a", 1, { do: "remove step", crustId: "c1", stepId: "s2" });
    await editPlan(store, "example", twice);
    expect(await editPlan(store, "example", twice)).toMatchObject({ is: "written", version: 2 });
    expect(await addPlan(store, somePlan())).toBe(false);
  });

  it("undoes and redoes through a reload, and forgets what was undone once something new is done", async () => {
    await editPlan(store, "example", edit("a", 1, rename("One")));
    await editPlan(store, "example", edit("b", 2, rename("Two")));
    expect(await stepThroughEdits(store, "example", 3, "undo")).toMatchObject({
      version: 4,
      undo: "Edit a",
      redo: "Edit b",
    });
    const again = await open();
    expect((await getJob(again, "example"))!.plan.title).toBe("One");
    expect(await stepThroughEdits(again, "example", 4, "redo")).toMatchObject({ version: 5, redo: null });
    await stepThroughEdits(again, "example", 5, "undo");
    await stepThroughEdits(again, "example", 6, "undo");
    expect((await getJob(again, "example"))!.plan).toEqual(somePlan());
    expect(await editPlan(again, "example", edit("c", 7, rename("New")))).toMatchObject({ redo: null });
    expect(await stepThroughEdits(again, "example", 8, "redo")).toMatchObject({ is: "refused" });
  });

  it("refuses a change that would break the plan, and changes nothing", async () => {
    const broken = await editPlan(store, "example", edit("a", 1, { do: "remove crust", crustId: "c1" }));
    expect(broken).toMatchObject({ is: "refused", because: expect.stringContaining("still used on Panel") });
    expect((await getJob(store, "example"))!.version).toBe(1);
  });

  it("brings up to date what an older version wrote, and undoes what it did", async () => {
    await editPlan(
      store,
      "example",
      edit("a", 1, { do: "set hours", hours: { ...somePlan().pinned.hours, painters: 2 } }),
    );
    const old = structuredClone(somePlan()) as unknown as Record<string, unknown> & { pinned: { hours: object } };
    old.version = 3;
    delete old.pins;
    old.pinned.hours = { weekdays: somePlan().pinned.hours.weekdays };
    await store.db.update(plans).set({ document: old });
    await store.db.run(
      sql`update edits set inverse = json_remove(inverse, '$[0].hours.exceptions', '$[0].hours.painters')`,
    );
    const job = (await getJob(store, "example"))!;
    expect(job.plan.version).toBe(PLAN_VERSION);
    expect(job.plan.pins).toEqual([]);
    expect(job.plan.pinned.hours).toMatchObject({ exceptions: [], painters: 1 });
    expect(await stepThroughEdits(store, "example", 2, "undo")).toMatchObject({ is: "written", version: 3 });
    expect((await getJob(store, "example"))!.plan.pinned.hours.exceptions).toEqual([]);
  });

  it("removes a job and restores it", async () => {
    expect(await setRemoved(store, "example", true)).toBe(true);
    expect((await listJobs(store)).jobs).toHaveLength(0);
    expect(await getJob(store, "example")).toBeNull();
    expect(await listRemoved(store)).toHaveLength(1);
    expect(await isKnown(store, "example")).toBe(true);
    await setRemoved(store, "example", false);
    expect((await listJobs(store)).jobs).toHaveLength(1);
  });

  it("lists jobs a page at a time, none twice and none left out", async () => {
    for (let index = 0; index < JOBS_A_PAGE + 5; index++) await addPlan(store, { ...somePlan(), id: `job-${index}` });
    const first = await listJobs(store);
    const second = await listJobs(store, { page: 1 });
    expect([first.pages, first.jobs.length, second.jobs.length]).toEqual([2, JOBS_A_PAGE, 6]);
    expect(new Set([...first.jobs, ...second.jobs].map((job) => job.id)).size).toBe(JOBS_A_PAGE + 6);
  });

  it("gives the same plan as long as nothing wrote it, and what another shop wrote at once", async () => {
    const first = await getJob(store, "example");
    expect((await getJob(store, "example"))!.plan).toBe(first!.plan);
    const other = await open();
    await editPlan(other, "example", edit("a", 1, rename("From the other window")));
    const after = await getJob(store, "example");
    expect(after!.plan).not.toBe(first!.plan);
    expect(after!.plan.title).toBe("From the other window");
    expect(first!.plan.title).not.toBe("From the other window");
  });

  it("says so of a job whose document is not even whole", async () => {
    await store.db.run(sql`update plans set document = '{"format": "jolly' where id = 'example'`);
    await expect(getJob(store, "example")).rejects.toThrow(/cannot be read.*It was not touched/);
  });

  it("says so of a job whose document is broken, and leaves it alone", async () => {
    await store.db.update(plans).set({ document: { format: "jolly-crust" } });
    await expect(getJob(store, "example")).rejects.toThrow(/cannot be read \(version: .*It was not touched/);
  });
});
