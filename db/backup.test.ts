import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { LedgerEvent } from "#core/ledger/event";
import { harbourStool, lampShelf } from "#demo/hobnail-yard";
import { harbourStoolLedger } from "#demo/ledger";
import { backUp, COPIES, copiesOf, copyOfToday, faultOfCopy, restore } from "./backup";
import { ledgerOf, logLines } from "./ledger";
import { openStore, type Store } from "./open";
import { addPhoto, getPhoto, listPhotos } from "./photos";
import { addPlan, editPlan, getJob } from "./plans";

let folder: string;
let store: Store;
const openAt = (name: string) => openStore({ url: `file:${join(folder, name)}`, file: join(folder, name) });

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "backup-"));
  store = await openAt("shop.db");
});
afterEach(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

async function fill() {
  const plan = harbourStool();
  await addPlan(store, plan);
  const events: readonly LedgerEvent[] = harbourStoolLedger(plan);
  await logLines(
    store,
    plan.id,
    events.map((event) => ({ event, claimedAt: event.at })),
  );
  await addPhoto(store, plan.id, {
    id: "p1",
    zoneId: "stool-legs",
    stepId: null,
    note: "finished",
    width: 2,
    height: 1,
    jpeg: Buffer.from([1, 2, 250]),
  });
  return plan;
}

describe("the whole shop in one file", () => {
  it("a backup restored into an empty shop gives the same jobs, ledgers, edits and photos", async () => {
    const plan = await fill();
    const job = (await getJob(store, plan.id))!;
    await editPlan(store, plan.id, {
      id: "edit-1234",
      base: job.version,
      label: "Rename",
      commands: [{ do: "set job", patch: { title: "Quay stool" } }],
    });
    const path = join(folder, "backup.db");
    await backUp(store, path);
    const other = await openAt("other.db");
    expect(await restore(other, path)).toBe(null);
    expect(await getJob(other, plan.id)).toEqual(await getJob(store, plan.id));
    expect((await getJob(other, plan.id))!.undo).toBe("Rename");
    expect(await ledgerOf(other, plan.id)).toEqual(await ledgerOf(store, plan.id));
    expect(await listPhotos(other, plan.id)).toEqual(await listPhotos(store, plan.id));
    expect([...(await getPhoto(other, plan.id, "p1"))!]).toEqual([1, 2, 250]);
    other.client.close();
  });

  it("it is consistent although lines are logged while it is made", async () => {
    const plan = await fill();
    const path = join(folder, "backup.db");
    const line = (at: number): LedgerEvent => ({
      kind: "note",
      id: `n${at}`,
      at: 1_764_000_000_000 + at,
      offset: 0,
      on: [],
      text: `note ${at}`,
    });
    const writing = Promise.all(
      Array.from({ length: 12 }, (_, index) =>
        logLines(store, plan.id, [{ event: line(index), claimedAt: line(index).at }]),
      ),
    );
    await backUp(store, path);
    await writing;
    expect(await faultOfCopy(path)).toBe(null);
    const other = await openAt("other.db");
    expect(await restore(other, path)).toBe(null);
    const [job, lines] = [(await getJob(other, plan.id))!, await ledgerOf(other, plan.id)];
    expect(lines.length).toBeGreaterThanOrEqual(harbourStoolLedger(plan).length);
    expect(job.plan.done!.length).toBeGreaterThan(0);
    other.client.close();
  });

  it("a shop with jobs is not overwritten, and a file that is none is refused with a sentence", async () => {
    await fill();
    const path = join(folder, "backup.db");
    await backUp(store, path);
    expect(await restore(store, path)).toMatch(/jobs already/);
    const other = await openAt("other.db");
    const text = join(folder, "text.db");
    writeFileSync(text, "no database at all");
    expect(await restore(other, text)).toMatch(/not a backup/);
    const cut = join(folder, "cut.db");
    const whole = await import("node:fs").then(({ readFileSync }) => readFileSync(path));
    writeFileSync(cut, whole.subarray(0, Math.floor(whole.length / 2)));
    expect(await restore(other, cut)).toMatch(/damaged|not a backup/);
    expect(await getJob(other, "harbour-stool")).toBe(null);
    await addPlan(other, lampShelf());
    other.client.close();
  });

  it("one copy a day is made by itself, and the oldest goes", async () => {
    await fill();
    for (let day = 1; day <= COPIES + 2; day++) {
      const now = new Date(Date.UTC(2026, 10, day, 9));
      expect(await copyOfToday(store, now)).toBe(true);
      expect(await copyOfToday(store, now)).toBe(false);
    }
    const names = copiesOf(store).map(({ name }) => name);
    expect(names).toHaveLength(COPIES);
    expect(names[0]).toBe(`crust-2026-11-0${COPIES + 2}.db`);
    expect(names.at(-1)).toBe("crust-2026-11-03.db");
  });
});
