import { beforeAll, describe, expect, it } from "vitest";
import { potsOf } from "#core/shelf/stock";
import { book, getStock } from "#db/shelf";
import { hobnailBook } from "#demo/shelf";
import { answered, ownShop, sentForm } from "../../tests/own-shop";
import { stockAction } from "./stock-action.server";

let next = 0;
/** A name for a tin or a movement that no other test has. */
const fresh = (what: string) => `${what}-stock-${++next}`;

beforeAll(async () => {
  const store = await ownShop();
  const { version } = await book.get(store);
  await book.set(store, { base: version, document: hobnailBook(), label: "The demo's shelf" });
});

const press = (fields: Record<string, string>) => answered(stockAction(sentForm("/shelf", fields)));
const potNamed = async (id: string) => potsOf((await getStock(await ownShop())).movements).find((pot) => pot.id === id);

const buy = (potId: string, more: Record<string, string> = {}) =>
  press({ do: "bought", goodId: "chalk-slate", potId, movement: fresh("m"), amount: "500", ...more });

describe("what happens to a tin, sent by a form", () => {
  it("bought, it stands on the shelf with its price, its place and where it came from", async () => {
    const potId = fresh("tin");
    expect((await buy(potId, { paid: "19.50", place: "loft", supplierId: "harbour-road" })).to).toBe("/shelf");
    expect(await potNamed(potId)).toMatchObject({
      goodId: "chalk-slate",
      amount: 500,
      paid: 19.5,
      place: "loft",
      supplierId: "harbour-road",
      condition: "sealed",
    });
  });

  it.each([
    ["0.5 L", 500],
    ["250", 250],
    ["1 l", 1000],
  ])("an amount is read as it is written on the tin: %s", async (amount, held) => {
    const potId = fresh("tin");
    await buy(potId, { amount });
    expect(await potNamed(potId)).toMatchObject({ amount: held });
  });

  it("open already when it comes, it is open", async () => {
    const potId = fresh("tin");
    await buy(potId, { opened: "2026-10-02" });
    expect(await potNamed(potId)).toMatchObject({ opened: "2026-10-02", amount: 500 });
  });

  it("used, it holds less and is open; counted, it holds what was found; thrown away, nothing", async () => {
    const potId = fresh("tin");
    await buy(potId);
    const happens = (does: string, amount = "") =>
      press({ do: does, goodId: "chalk-slate", potId, movement: fresh("m"), amount });
    await happens("used", "120");
    expect(await potNamed(potId)).toMatchObject({ amount: 380, condition: "good" });
    await happens("counted", "300");
    expect(await potNamed(potId)).toMatchObject({ amount: 300 });
    await happens("thrown away");
    expect((await potNamed(potId))?.amount ?? 0).toBe(0);
  });

  it("sent twice, it happens once", async () => {
    const potId = fresh("tin");
    const movement = fresh("m");
    await buy(potId, { movement });
    await buy(potId, { movement });
    expect(await potNamed(potId)).toMatchObject({ amount: 500 });
  });

  it("is taken back, and put in again", async () => {
    const potId = fresh("tin");
    const movement = fresh("m");
    await buy(potId, { movement });
    await press({ do: "take back", batch: movement });
    expect(await potNamed(potId)).toBeUndefined();
    await press({ do: "restore", batch: movement });
    expect(await potNamed(potId)).toMatchObject({ amount: 500 });
  });

  it("on a receipt that is booked in already asks first, and is booked in if that is said", async () => {
    const receipt = fresh("receipt");
    await buy(fresh("tin"), { receipt, supplierId: "mill-store" });
    const second = fresh("tin");
    const { status, body } = await buy(second, { receipt, supplierId: "mill-store" });
    expect(status).toBe(409);
    expect(body.faults[""]).toMatch(/booked in on .* already/);
    expect(body.values).toMatchObject({ receipt, potId: second });
    expect(await potNamed(second)).toBeUndefined();
    await buy(second, { receipt, supplierId: "mill-store", anyway: "yes" });
    expect(await potNamed(second)).toMatchObject({ amount: 500 });
  });

  it.each<[string, Record<string, string>, string]>([
    ["no amount", { amount: "" }, "amount"],
    ["words for an amount", { amount: "a bit" }, "amount"],
    ["nothing of it", { amount: "0" }, "amount"],
    ["more than a house could hold", { amount: "1e12" }, "amount"],
    ["a price in words", { paid: "cheap" }, "paid"],
    ["a price below nothing", { paid: "-3" }, "paid"],
    ["a date that is none", { opened: "yesterday" }, "opened"],
  ])("%s is refused beside its field, and what was typed stays", async (_what, fields, field) => {
    const potId = fresh("tin");
    const { status, body } = await buy(potId, { place: "window sill", ...fields });
    expect(status).toBe(422);
    expect(Object.keys(body.faults)).toEqual([field]);
    expect(body.faults[field]).toMatch(/^[A-Z].*[.!]?$/);
    expect(body.values.place).toBe("window sill");
    expect(await potNamed(potId)).toBeUndefined();
  });

  it("leads back to the page of the shelf that it came from, and nowhere else", async () => {
    for (const [to, leads] of [
      ["/shelf?good=chalk-slate", "/shelf?good=chalk-slate"],
      ["/shelf/list", "/shelf/list"],
      ["https://elsewhere.test/shelf", "/shelf"],
      ["//elsewhere.test", "/shelf"],
      ["/shelf/../jobs", "/shelf"],
    ] as const)
      expect((await buy(fresh("tin"), { to })).to).toBe(leads);
  });
});

describe("what was bought off the list", () => {
  it("is a tin for each pack, priced as in the book, all taken back at once", async () => {
    const { goods } = (await book.get(await ownShop())).document;
    const good = goods.find(({ id }) => id === "chalk-slate")!;
    const pack = good.packs[0]!;
    const movement = fresh("m");
    await press({ do: "buy list", movement, [`buy|${good.id}|${pack.id}`]: "3" });
    const tins = async () =>
      (await getStock(await ownShop())).movements.filter(({ id }) => id.startsWith(`${movement}-`));
    expect(await tins()).toHaveLength(3);
    for (const tin of await tins())
      expect(tin).toMatchObject({ does: "bought", amount: pack.holds, paid: pack.price, supplierId: pack.supplierId });
    await press({ do: "take back", batch: movement });
    expect(await tins()).toEqual([]);
  });

  it.each(["-1", "2.5", "many", "201"])("%s packs are refused beside the pack", async (count) => {
    const good = (await book.get(await ownShop())).document.goods.find(({ id }) => id === "chalk-slate")!;
    const field = `buy|${good.id}|${good.packs[0]!.id}`;
    const { status, body } = await press({ do: "buy list", movement: fresh("m"), [field]: count });
    expect(status).toBe(422);
    expect(body.faults[field]).toMatch(/from 0 to 200/);
  });

  it("nothing is no purchase", async () => {
    const { body } = await press({ do: "buy list", movement: fresh("m") });
    expect(body.faults[""]).toMatch(/Nothing is marked as bought/);
  });
});
