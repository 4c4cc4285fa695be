import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { LEDGER_LIMITS, type LedgerEvent } from "#core/ledger/event";
import { stateOf } from "#core/plan/plan";
import { lampShelf } from "#demo/hobnail-yard";
import { addCode, deviceOf, listDevices, MOST_DEVICES, pair, putOut } from "./devices";
import { ledgerOf, logLines, tellChanges } from "./ledger";
import { openStore, type Store } from "./open";
import { addPlan, editPlan, getJob, stepThroughEdits } from "./plans";

let folder: string;
let store: Store;
const id = "lamp-shelf";

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "ledger-"));
  store = await openStore({ url: `file:${join(folder, "crust.db")}`, file: join(folder, "crust.db") });
  await addPlan(store, { ...lampShelf(), state: "promised" });
});
afterEach(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const NINE = Date.UTC(2026, 10, 23, 9);
const end = (name: string, phaseId: string, minutes: number, zoneId = "brackets"): LedgerEvent => ({
  kind: "end",
  id: name,
  at: NINE + minutes * 60_000,
  offset: 0,
  on: [{ zoneId, phaseId }],
});
const note = (name: string, minutes = 0): LedgerEvent => ({
  kind: "note",
  id: name,
  at: NINE + minutes * 60_000,
  offset: 0,
  on: [],
  text: name,
});
const log = (...events: LedgerEvent[]) =>
  logLines(
    store,
    id,
    events.map((event) => ({ event, claimedAt: event.at })),
  );
const job = async () => (await getJob(store, id))!;

describe("the ledger in the store", () => {
  it("a line is kept with the work it means, and the job is under way", async () => {
    const logged = await log(end("a", "scuff", 30));
    expect(logged).toMatchObject({ is: "logged", fresh: ["a"], version: 2 });
    const { plan } = await job();
    expect(plan.done).toMatchObject([{ zoneId: "brackets", phaseId: "scuff", ends: "2026-11-23T09:30" }]);
    expect(stateOf(plan)).toBe("under way");
  });

  it("handed in twice, from two devices at once, it is kept once", async () => {
    await Promise.all([log(end("a", "scuff", 30), note("b")), log(note("b"), end("a", "scuff", 30)), log(note("b"))]);
    expect((await ledgerOf(store, id)).map(({ event }) => event.id).sort()).toEqual(["a", "b"]);
    expect((await job()).plan.done).toHaveLength(1);
  });

  it("in whatever order lines arrive, the work is the same", async () => {
    await log(end("b", "block", 90));
    await log(end("a", "scuff", 30));
    const first = (await job()).plan.done;
    await addPlan(store, { ...lampShelf(), id: "other", state: "promised" });
    for (const event of [end("a2", "scuff", 30), end("b2", "block", 90)])
      await logLines(store, "other", [{ event, claimedAt: event.at }]);
    expect((await getJob(store, "other"))!.plan.done).toEqual(first);
  });

  it("a note changes nothing of the plan, and no version of it", async () => {
    expect(await log(note("b"))).toMatchObject({ is: "logged", version: 1 });
  });

  it("an edit that was begun before a line came in is made all the same", async () => {
    const { version } = await job();
    await log(end("a", "scuff", 30));
    const edit = {
      id: "edit-0001",
      base: version,
      label: "Rename",
      commands: [{ do: "set job" as const, patch: { title: "Lamp shelf" } }],
    };
    const written = await editPlan(store, id, edit);
    expect(written).toMatchObject({ is: "written", version: version + 2 });
    const { plan, undo } = await job();
    expect(plan.title).toBe("Lamp shelf");
    expect(plan.done).toHaveLength(1);
    expect(undo).toBe("Rename");
    // but not one that another edit has overtaken
    expect(await editPlan(store, id, { ...edit, id: "edit-0002" })).toMatchObject({
      is: "overtaken",
      since: ["Rename"],
    });
  });

  it("undo takes back the edit and never the ledger", async () => {
    await log(end("a", "scuff", 30));
    const { version } = await job();
    await editPlan(store, id, {
      id: "edit-0001",
      base: version,
      label: "Rename",
      commands: [{ do: "set job", patch: { title: "X" } }],
    });
    await log(end("b", "block", 90));
    expect(await stepThroughEdits(store, id, (await job()).version, "undo")).toMatchObject({ is: "written" });
    const { plan } = await job();
    expect(plan.title).toBe("Lamp-room shelf");
    expect(plan.done).toHaveLength(2);
  });

  it("an edit of what was done is refused with a sentence", async () => {
    await log(end("a", "scuff", 30));
    const { version } = await job();
    const refused = await editPlan(store, id, {
      id: "edit-0001",
      base: version,
      label: "Remove",
      commands: [{ do: "remove step", crustId: "worn-green", stepId: "scuff" }],
    });
    expect(refused).toMatchObject({ is: "refused" });
    expect(refused.is === "refused" && refused.because).toMatch(/has been done/);
  });

  it("the edit that goes with a line is made with it; where it cannot be, the line is kept and it is said", async () => {
    const commands = [{ do: "patch step" as const, crustId: "worn-green", stepId: "green", patch: { coats: 3 } }];
    const event = note("b");
    const good = await logLines(store, id, [{ event, claimedAt: event.at }], {
      id: "edit-b",
      label: "One more coat",
      commands,
    });
    expect(good).toMatchObject({ is: "logged", refused: null });
    expect((await job()).undo).toBe("One more coat");
    const bad = await logLines(store, id, [{ event: note("c"), claimedAt: NINE }], {
      id: "edit-c",
      label: "Gone",
      commands: [{ do: "remove step", crustId: "worn-green", stepId: "nowhere" }],
    });
    expect(bad.is === "logged" && bad.refused).toBeTruthy();
    expect(await ledgerOf(store, id)).toHaveLength(2);
  });

  it("what it changed stands beside the line", async () => {
    const before = (await job()).plan;
    const logged = await log(end("a", "scuff", 300));
    if (logged.is !== "logged") throw new Error(logged.is);
    expect(await tellChanges(store, id, before, logged.plan, logged.fresh)).toMatch(/later, because/);
    expect((await ledgerOf(store, id))[0]!.changed).toMatch(/later, because/);
  });

  it("a full ledger says so and loses nothing", async () => {
    const many = (from: number, count: number) =>
      Array.from({ length: count }, (_, index) => note(`n${from + index}`, index));
    await log(...many(0, LEDGER_LIMITS.lines));
    expect(await log(note("one-more"))).toMatchObject({ is: "full" });
    expect(await ledgerOf(store, id)).toHaveLength(LEDGER_LIMITS.lines);
  });

  it("a job that is gone is said to be missing", async () => {
    expect(await logLines(store, "nobody", [{ event: note("x"), claimedAt: NINE }])).toEqual({ is: "missing" });
  });
});

describe("devices", () => {
  const soon = new Date(Date.now() + 60_000);
  it("a code lets one device in, once, until its time is over", async () => {
    await addCode(store, { digest: "d1", role: "hand", endsAt: soon });
    const device = await pair(store, { digest: "d1", id: "tablet", name: "Bench tablet" });
    expect(device).toMatchObject({ role: "hand", name: "Bench tablet", putOutAt: null });
    expect(await pair(store, { digest: "d1", id: "other", name: "Other" })).toBe(null);
    expect(await pair(store, { digest: "d2", id: "other", name: "Other" })).toBe(null);
    await addCode(store, { digest: "d3", role: "hand", endsAt: new Date(Date.now() - 1) });
    expect(await pair(store, { digest: "d3", id: "other", name: "Other" })).toBe(null);
  });

  it("two devices with the same code at the same moment: one is let in", async () => {
    await addCode(store, { digest: "d1", role: "hand", endsAt: soon });
    const both = await Promise.all(["one", "two"].map((name) => pair(store, { digest: "d1", id: name, name })));
    expect(both.filter((device) => device !== null)).toHaveLength(1);
  });

  it("one that is put out stays on the list as such, and makes room when the list is full", async () => {
    for (let at = 0; at < MOST_DEVICES; at++) {
      await addCode(store, { digest: `d${at}`, role: "looker-on", endsAt: soon });
      await pair(store, { digest: `d${at}`, id: `device-${at}`, name: `Device ${at}` });
    }
    await addCode(store, { digest: "more", role: "hand", endsAt: soon });
    expect(await pair(store, { digest: "more", id: "more", name: "More" })).toBe(null);
    await putOut(store, "device-3");
    expect((await deviceOf(store, "device-3"))!.putOutAt).not.toBe(null);
    expect(await pair(store, { digest: "more", id: "more", name: "More" })).toMatchObject({ id: "more" });
    expect(await listDevices(store)).toHaveLength(MOST_DEVICES);
    expect(await deviceOf(store, "device-3")).toBe(null);
  });
});
