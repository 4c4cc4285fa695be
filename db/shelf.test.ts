import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { EMPTY_BOOK, ShelfBook } from "#core/shelf/book";
import { type Movement, potsOf } from "#core/shelf/stock";
import { openStore, placeFrom, type Store } from "./open";
import { book, getStock, setTakenBack, writeMovements } from "./shelf";

let folder: string;
let store: Store;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-shelf-"));
  store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
});
afterEach(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const own = { goodId: "chalk-slate", potId: "tin-1" };
const bought = (id: string, more: object = {}): Movement =>
  ({ does: "bought", id, ...own, amount: 500, at: "2026-11-02T09:00", ...more }) as Movement;
const used = (id: string, amount: number): Movement => ({ does: "used", id, ...own, amount, at: "2026-11-03T09:00" });
const write = (batch: string, list: Movement[], anyway = false) =>
  writeMovements(store, { batch, label: `batch ${batch}`, list, anyway });
const left = async () => potsOf((await getStock(store)).movements)[0]?.amount ?? 0;

describe("the shelf in the database", () => {
  it("writes a movement down once, however often it is sent", async () => {
    await write("a", [bought("m1")]);
    await write("a", [bought("m1")]);
    await Promise.all([write("b", [used("m2", 100)]), write("b", [used("m2", 100)])]);
    expect(await left()).toBe(400);
  });

  it("writes all of a batch or nothing of it", async () => {
    await write("a", [bought("m1")]);
    expect(await write("b", [used("m2", 300), used("m3", 300)])).toMatchObject({ is: "refused" });
    expect(await left()).toBe(500);
  });

  it("takes the last batch back and puts it in again, until something else is written down", async () => {
    await write("a", [bought("m1")]);
    await write("b", [used("m2", 120)]);
    expect((await getStock(store)).undo).toMatchObject({ id: "b", label: "batch b" });
    await setTakenBack(store, "b", true);
    expect(await left()).toBe(500);
    expect(await getStock(store)).toMatchObject({ undo: { id: "a" }, redo: { id: "b" } });
    await setTakenBack(store, "b", false);
    expect(await left()).toBe(380);
    await setTakenBack(store, "b", true);
    await write("c", [used("m3", 10)]);
    expect((await getStock(store)).redo).toBeNull();
    expect(await left()).toBe(490);
  });

  it("asks before it books the same receipt in twice", async () => {
    const receipt = { receipt: "R 7", supplierId: "mill" };
    await write("a", [bought("m1", receipt)]);
    const again = [bought("m2", { ...receipt, potId: "tin-2" })];
    expect(await write("b", again)).toEqual({ is: "twice", at: "2026-11-02T09:00" });
    expect(await write("b", again, true)).toEqual({ is: "written" });
    expect(potsOf((await getStock(store)).movements)).toHaveLength(2);
  });

  it("takes a receipt with two tins of the same good for one receipt", async () => {
    const receipt = { receipt: "R 8", supplierId: "mill" };
    expect(await write("a", [bought("m1", receipt), bought("m2", { ...receipt, potId: "tin-2" })])).toEqual({
      is: "written",
    });
  });

  it("keeps its book in versions, refuses what was based on another, and goes back", async () => {
    const first = await book.get(store);
    expect(first).toMatchObject({ document: EMPTY_BOOK, version: 0, undo: null });
    const document = ShelfBook.parse({ suppliers: [{ id: "mill", name: "The Mill" }] });
    const written = await book.set(store, { base: 0, document, label: "The Mill" });
    expect(written).toMatchObject({ is: "written", row: { version: 2, undo: "The Mill" } });
    expect(await book.set(store, { base: 0, document, label: "late" })).toMatchObject({ is: "overtaken" });
    expect((await book.undo(store, 2)).row.document).toEqual(EMPTY_BOOK);
  });

  it("opens again with what was written", async () => {
    await write("a", [bought("m1"), used("m2", 20)]);
    store.client.close();
    store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
    expect(await left()).toBe(480);
  });
});
