import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { DEFAULT_SHOP, type Shop } from "#core/plan/shop";
import { openStore, type Store, within } from "./open";
import { shops } from "./schema";
import { FIRST, getShop, setShop, undoShop } from "./shop";

let folder: string;
let store: Store;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-versions-"));
  store = await openStore({ url: `file:${join(folder, "shop.db")}`, file: join(folder, "shop.db") });
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** The shop with so many places to dry. */
const withPlaces = (dryingPlaces: number): Shop => ({
  ...DEFAULT_SHOP,
  hours: { ...DEFAULT_SHOP.hours, dryingPlaces },
});
const placesOf = async () => (await getShop(store)).shop.hours.dryingPlaces;
const set = (base: number, places: number, label = `${places} places`) =>
  setShop(store, { base, shop: withPlaces(places), label });

describe("what the whole shop shares", () => {
  it("is as it was set up, before anybody has set anything", async () => {
    expect(await getShop(store)).toEqual({ shop: DEFAULT_SHOP, version: 0, undo: null });
  });

  it("is written as a new version; the one it was set up with can be gone back to", async () => {
    const written = await set(0, 4);
    expect(written).toMatchObject({ is: "written", row: { version: 2, undo: "4 places" } });
    expect(await placesOf()).toBe(4);
    await undoShop(store, 2);
    expect((await getShop(store)).shop).toEqual(DEFAULT_SHOP);
  });

  it("changed by two at once, is changed by the first; the second is shown that", async () => {
    await set(0, 4);
    const late = await set(0, 9);
    expect(late).toMatchObject({ is: "overtaken", row: { version: 2, undo: "4 places" } });
    expect(await placesOf()).toBe(4);
    expect(await set(2, 9)).toMatchObject({ is: "written" });
    expect(await placesOf()).toBe(9);
  });

  it("written by two in the same moment, is written by one", async () => {
    const both = await Promise.all([set(0, 4), set(0, 9)]);
    expect(both.map(({ is }) => is).sort()).toEqual(["overtaken", "written"]);
  });

  it("taken back twice is as it was before: a taking back can be taken back", async () => {
    const first = await set(0, 4);
    const second = await set(first.row.version, 7);
    const undone = await undoShop(store, second.row.version);
    expect(undone).toMatchObject({ is: "written", row: { undo: "Undone: 7 places" } });
    expect(await placesOf()).toBe(4);
    const redone = await undoShop(store, undone.row.version);
    expect(redone.row.undo).toBe("7 places");
    expect(await placesOf()).toBe(7);
  });

  it("is not taken back from an old page, nor where there is nothing to take back", async () => {
    expect((await undoShop(store, 0)).is).toBe("overtaken");
    const { row } = await set(0, 4);
    await set(row.version, 5);
    expect((await undoShop(store, row.version)).is).toBe("overtaken");
    expect(await placesOf()).toBe(5);
  });

  it("goes back fifty versions and no further", async () => {
    let { version } = await getShop(store);
    for (let turn = 0; turn < 60; turn++) version = (await set(version, 1 + (turn % 9))).row.version;
    const rows = await within(store, (db) => db.select({ label: shops.label }).from(shops));
    expect(rows).toHaveLength(50);
    expect(rows.some(({ label }) => label === FIRST)).toBe(false);
    expect((await getShop(store)).version).toBe(version);
  });

  it("that cannot be read is as if nobody had set anything, and may be set again", async () => {
    await set(0, 4);
    await within(store, (db) =>
      db
        .update(shops)
        .set({ document: { weekdays: "none" } as unknown as Shop })
        .where(eq(shops.version, 2)),
    );
    const { shop, version, undo } = await getShop(store);
    expect([shop, version, undo]).toEqual([DEFAULT_SHOP, 2, "4 places"]);
    expect((await set(version, 6)).is).toBe("written");
    expect(await placesOf()).toBe(6);
  });
});
