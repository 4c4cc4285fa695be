import { describe, expect, it } from "vitest";
import { CATALOGUE } from "#core/materials/catalogue";
import { goodIn } from "#core/shelf/book";
import { hobnailBook } from "#demo/shelf";
import { METRIC } from "~/words/measures";
import { packField, readBookForm } from "./book-form";
import { goodNamed, readStockForm } from "./stock-form";

const materials = new Map(CATALOGUE.map((material) => [material.id, material]));
const book = hobnailBook();
const known = { materials, book, voice: METRIC, now: "2026-11-28T09:00" };
const read = (fields: Record<string, string>) => readStockForm({ movement: "m1", potId: "tin-1", ...fields }, known);
const slate = goodNamed("chalk-slate", materials);

describe("what happened to a tin, as its form says", () => {
  it("is used in whatever unit it is typed", () => {
    const done = read({ do: "used", goodId: "chalk-slate", amount: "0,12 L" });
    expect(done).toMatchObject({ ok: true, read: { list: [{ does: "used", amount: 120, at: "2026-11-28T09:00" }] } });
  });

  it("is put on the shelf opened, if it was", () => {
    const done = read({ do: "bought", goodId: "milk-ochre", amount: "300 g", opened: "2026-10-01" });
    expect(done.ok && done.read.list.map(({ does }) => does)).toEqual(["bought", "looked at"]);
  });

  it.each<[string, Record<string, string>, string]>([
    ["no amount", { do: "used", goodId: "chalk-slate", amount: "" }, "amount"],
    ["an amount of nothing", { do: "used", goodId: "chalk-slate", amount: "0" }, "amount"],
    ["grams of a liquid", { do: "used", goodId: "chalk-slate", amount: "50 g" }, "amount"],
    ["a price in words", { do: "bought", goodId: "chalk-slate", amount: "50", paid: "much" }, "paid"],
    ["a day that is none", { do: "looked at", goodId: "chalk-slate", opened: "yesterday" }, "opened"],
  ])("refuses %s at its field", (_what, fields, field) => {
    const done = read(fields);
    expect(done.ok ? [] : Object.keys(done.faults)).toEqual([field]);
  });
});

describe("what was bought off the list", () => {
  it("is a tin for each pack, and one heap of what is counted", () => {
    const done = read({
      do: "buy list",
      "buy|chalk-slate|harbour-road-120": "2",
      "buy|supply:dry-rag|mill-store-20": "2",
      "buy|wax-dark|harbour-road-200": "0",
      receipt: "R 1",
    });
    expect(done.ok && done.read.list.map((one) => [one.goodId, "amount" in one && one.amount])).toEqual([
      ["chalk-slate", 120],
      ["chalk-slate", 120],
      ["supply:dry-rag", 40],
    ]);
  });

  it("is refused where a count is none, and where nothing was bought", () => {
    const wrong = read({ do: "buy list", "buy|chalk-slate|harbour-road-120": "a few" });
    expect(wrong.ok ? {} : wrong.faults).toEqual({
      "buy|chalk-slate|harbour-road-120": "Write how many packs you bought, from 0 to 200.",
    });
    const nothing = read({ do: "buy list", "buy|chalk-slate|harbour-road-120": "0" });
    expect(nothing.ok ? "" : nothing.faults[""]).toMatch(/Nothing is marked as bought/);
  });
});

describe("the book, as its forms say", () => {
  const packs = (fields: Record<string, string>) => readBookForm({ do: "packs", ...fields }, book, slate, METRIC);
  const row = (at: number, holds: string, price: string, supplier = "mill-store") => ({
    [packField(at, "holds")]: holds,
    [packField(at, "price")]: price,
    [packField(at, "supplier")]: supplier,
  });

  it("takes the packs of its rows, and leaves empty ones out", () => {
    const done = packs({ ...row(0, "0.75 L", "22,50"), ...row(1, "", "") });
    expect(done.ok && goodIn(done.book, "chalk-slate")!.packs).toEqual([
      { id: "mill-store-750", supplierId: "mill-store", holds: 750, price: 22.5 },
    ]);
  });

  it.each<[string, Record<string, string>, string, RegExp]>([
    ["a price without a pack", row(0, "", "12"), packField(0, "holds"), /A price needs a pack/],
    ["a pack of nothing", row(0, "0", "12"), packField(0, "holds"), /more than nothing/],
    ["a negative price", row(0, "500", "-1"), packField(0, "price"), /cannot be negative/],
    [
      "two packs alike",
      { ...row(0, "500", "1"), ...row(1, "0,5 L", "2") },
      packField(1, "holds"),
      /has a pack of this size/,
    ],
    ["days that are no number", { ...row(0, "500", "1"), keeps: "long" }, "keeps", /whole number/],
  ])("refuses %s at its field", (_what, fields, field, says) => {
    const done = packs(fields);
    expect(done.ok ? "" : done.faults[field]).toMatch(says);
  });

  it("removes a supplier with its packs, and no other", () => {
    const done = readBookForm({ do: "supplier", supplierId: "mill-store", way: "remove" }, book, null, METRIC);
    if (!done.ok) throw new Error("refused");
    expect(done.book.suppliers.map(({ id }) => id)).toEqual(["harbour-road", "gilding-corner"]);
    expect(done.book.goods.every(({ packs: own }) => own.every(({ supplierId }) => supplierId !== "mill-store"))).toBe(
      true,
    );
  });

  it("asks for a name, and not for one that is there", () => {
    const add = (supplier: string) => readBookForm({ do: "supplier", supplierId: "", supplier }, book, null, METRIC);
    expect(add("")).toMatchObject({ ok: false, faults: { supplier: "Give it a name." } });
    expect(add("the mill store")).toMatchObject({ ok: false });
    expect(add("Rope Walk")).toMatchObject({ ok: true, label: "Rope Walk added" });
  });

  it("keeps what a wrong figure of the costing would change", () => {
    const fields = {
      do: "costing",
      hourly: "a lot",
      overhead: "15",
      margin: "-3",
      tax: "0",
      touchUp: "15",
      validDays: "30",
    };
    const done = readBookForm(fields, book, null, METRIC);
    expect(done.ok ? {} : done.faults).toMatchObject({
      hourly: "Write it as a number.",
      margin: "It cannot be negative.",
    });
  });
});
