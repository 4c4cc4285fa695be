import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { addCode, deviceOf, listDevices, MOST_DEVICES, nameDevice, noteSeen, pair, putOut, type Role } from "./devices";
import { openStore, type Store } from "./open";

let folder: string;
let store: Store;
const NOW = new Date("2026-11-29T10:00:00Z");
const later = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-devices-"));
  store = await openStore({ url: `file:${join(folder, "shop.db")}`, file: join(folder, "shop.db") });
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const code = (digest: string, role: Role = "hand") => addCode(store, { digest, role, endsAt: later(10) }, NOW);
const letIn = (digest: string, id: string, now = NOW) => pair(store, { digest, id, name: `Tablet ${id}` }, now);

describe("a device of the shop", () => {
  it("is let in by a code, in the role that the code was made for", async () => {
    await code("one", "looker-on");
    expect(await letIn("one", "tablet")).toMatchObject({ id: "tablet", role: "looker-on", putOutAt: null });
    expect(await deviceOf(store, "tablet")).toMatchObject({ name: "Tablet tablet", role: "looker-on" });
  });

  it("is not let in by a code that was used, is over, or never was", async () => {
    await code("once");
    expect(await letIn("once", "first")).not.toBeNull();
    expect(await letIn("once", "second")).toBeNull();
    await code("slow");
    expect(await letIn("slow", "third", later(10))).toBeNull();
    expect(await letIn("slow", "third", later(9.9))).not.toBeNull();
    expect(await letIn("never", "fourth")).toBeNull();
    expect((await listDevices(store)).map(({ id }) => id)).toEqual(["first", "third"]);
  });

  it("of two that use one code in the same moment, one comes in", async () => {
    await code("race");
    const both = await Promise.all([letIn("race", "a"), letIn("race", "b")]);
    expect(both.filter((device) => device !== null)).toHaveLength(1);
    expect(await listDevices(store)).toHaveLength(1);
  });

  it("has a name that can be changed, and is put out", async () => {
    await code("one");
    await letIn("one", "tablet");
    await nameDevice(store, "tablet", "By the window");
    await putOut(store, "tablet", later(5));
    expect(await deviceOf(store, "tablet")).toMatchObject({ name: "By the window", putOutAt: later(5) });
    expect(await deviceOf(store, "nobody")).toBeNull();
  });

  it("is noted as seen, once a minute at most", async () => {
    await code("one");
    const device = (await letIn("one", "tablet"))!;
    await noteSeen(store, device, later(0.5));
    expect((await deviceOf(store, "tablet"))!.seenAt).toEqual(NOW);
    await noteSeen(store, device, later(2));
    expect((await deviceOf(store, "tablet"))!.seenAt).toEqual(later(2));
  });

  it("of a full list, the one put out longest ago makes room; while all are in, nobody more comes in", async () => {
    for (let index = 0; index < MOST_DEVICES; index++) {
      await code(`c${index}`);
      await letIn(`c${index}`, `d${index}`);
    }
    await code("more");
    expect(await letIn("more", "more")).toBeNull();
    await putOut(store, "d7", later(2));
    await putOut(store, "d3", later(1));
    expect(await letIn("more", "more")).not.toBeNull();
    const ids = (await listDevices(store)).map(({ id }) => id);
    expect(ids).toHaveLength(MOST_DEVICES);
    expect(ids).not.toContain("d3");
    expect(ids).toContain("d7");
  });
});
