import { describe, expect, it } from "vitest";
import { EMPTY_BOOK, type ShelfBook } from "#core/shelf/book";
import { METRIC, type Voice } from "~/words/measures";
import { packField, readBookForm } from "./book-form";
import type { FormFields } from "./fields";
import type { GoodName } from "./stock-form";

const GOOD: GoodName = {
  id: "chalk-slate",
  name: "Chalk-type, slate",
  unit: "ml",
  words: { one: "tin", many: "tins" },
  material: null,
};
const COMMA: Voice = { ...METRIC, numbers: "1.234,50" };

const done = (fields: FormFields, book: ShelfBook = EMPTY_BOOK, voice = METRIC) => {
  const read = readBookForm(fields, book, GOOD, voice);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.book;
};
const faults = (fields: FormFields, book: ShelfBook = EMPTY_BOOK, voice = METRIC) => {
  const read = readBookForm(fields, book, GOOD, voice);
  return read.ok ? {} : read.faults;
};
const packs = (...rows: [string, string, string][]): FormFields => ({
  do: "packs",
  ...Object.fromEntries(
    rows.flatMap(([holds, price, supplier], index) => [
      [packField(index, "holds"), holds],
      [packField(index, "price"), price],
      [packField(index, "supplier"), supplier],
    ]),
  ),
});

const harbour = done({ do: "supplier", supplier: "Harbour stores", supplierNote: "Tuesdays" });

describe("suppliers", () => {
  it("are added with an id of their own, however alike their names are", () => {
    expect(harbour.suppliers).toEqual([{ id: "harbour-stores", name: "Harbour stores", note: "Tuesdays" }]);
    const two = done({ do: "supplier", supplier: "Harbour-Stores!" }, harbour);
    expect(two.suppliers.map(({ id }) => id)).toEqual(["harbour-stores", "harbour-stores-2"]);
    const named = done({ do: "supplier", supplier: "—" });
    expect(named.suppliers[0]!.id).toBe("supplier");
  });

  it("change their name and keep what they sell", () => {
    const stocked = done(packs(["750", "18.50", "harbour-stores"]), harbour);
    const renamed = done({ do: "supplier", supplierId: "harbour-stores", supplier: "Quay stores" }, stocked);
    expect(renamed.suppliers).toEqual([{ id: "harbour-stores", name: "Quay stores" }]);
    expect(renamed.goods).toEqual(stocked.goods);
  });

  it("go with what they sell when they are removed", () => {
    const stocked = done(packs(["750", "18.50", "harbour-stores"]), harbour);
    const without = done({ do: "supplier", supplierId: "harbour-stores", way: "remove" }, stocked);
    expect(without.suppliers).toEqual([]);
    expect(without.goods.flatMap(({ packs }) => packs)).toEqual([]);
  });

  it("are refused without a name, or with one that is taken", () => {
    expect(faults({ do: "supplier", supplier: " " }).supplier).toMatch(/./);
    expect(faults({ do: "supplier", supplier: "harbour STORES" }, harbour).supplier).toMatch(/already/);
  });
});

describe("packs of a good", () => {
  it("are read as they are written, litres as millilitres", () => {
    const [good] = done(
      packs(["750", "18.50", "harbour-stores"], ["2.5 L", "", "harbour-stores"], ["", "", ""]),
      harbour,
    ).goods;
    expect(good!.packs.map(({ holds, price }) => [holds, price])).toEqual([
      [750, 18.5],
      [2500, null],
    ]);
  });

  it("are read with the decimal mark of the shop", () => {
    const [good] = done(packs(["0,75 L", "1.018,50", "harbour-stores"]), harbour, COMMA).goods;
    expect(good!.packs[0]).toMatchObject({ holds: 750, price: 1018.5 });
  });

  it("replace those there were, and a row that is cleared is removed", () => {
    const stocked = done(packs(["750", "18.50", "harbour-stores"], ["125", "6", "harbour-stores"]), harbour);
    const fewer = done(packs(["", "", "harbour-stores"], ["125", "7", "harbour-stores"]), stocked);
    expect(fewer.goods).toHaveLength(1);
    expect(fewer.goods[0]!.packs.map(({ holds, price }) => [holds, price])).toEqual([[125, 7]]);
  });

  it.each([
    ["a price for nothing", packs(["", "5", "harbour-stores"]), packField(0, "holds"), /what the pack holds/],
    ["a pack that holds words", packs(["plenty", "5", "harbour-stores"]), packField(0, "holds"), /like 750 or 0.75 L/],
    ["a pack that holds nothing", packs(["0", "5", "harbour-stores"]), packField(0, "holds"), /./],
    ["a price in words", packs(["750", "dear", "harbour-stores"]), packField(0, "price"), /as a number/],
    ["a price below nothing", packs(["750", "-3", "harbour-stores"]), packField(0, "price"), /negative/],
    ["nobody to buy it from", packs(["750", "5", ""]), packField(0, "supplier"), /Choose a supplier/],
    [
      "the same pack twice",
      packs(["750", "5", "harbour-stores"], ["0.75 L", "6", "harbour-stores"]),
      packField(1, "holds"),
      /of this size already/,
    ],
  ])("are refused for %s, where it was written", (_, fields, field, says) => {
    const found = faults(fields, harbour);
    expect(Object.keys(found)).toEqual([field]);
    expect(found[field]).toMatch(says);
  });

  it("are refused from a supplier that nobody knows", () => {
    expect(Object.values(faults(packs(["750", "5", "elsewhere"]), harbour)).join()).toMatch(/no supplier/i);
  });

  it("keep for as long as the label says", () => {
    const [good] = done({ ...packs(["750", "5", "harbour-stores"]), keeps: "90" }, harbour).goods;
    expect(good!.keepsOpenedDays).toBe(90);
    expect(faults({ ...packs(["750", "5", "harbour-stores"]), keeps: "a summer" }, harbour).keeps).toMatch(
      /whole number/i,
    );
    expect(faults({ ...packs(["750", "5", "harbour-stores"]), keeps: "0" }, harbour).keeps).toMatch(/day at least/);
  });
});

describe("how prices are worked out", () => {
  const costing = (change: FormFields = {}): FormFields => ({
    do: "costing",
    hourly: "42,50",
    overhead: "15",
    margin: "20",
    tax: "0",
    touchUp: "15",
    validDays: "30",
    materialsBy: "packs",
    currency: "§",
    terms: "Half on order.",
    measures: "US customary",
    numbers: "1.234,50",
    ...change,
  });

  it("is read in the shop's own numbers, and kept whole", () => {
    const book = done(costing(), harbour, COMMA);
    expect(book.costing).toMatchObject({ hourly: 42.5, materialsBy: "packs", currency: "§", terms: "Half on order." });
    expect(book).toMatchObject({ measures: "US customary", numbers: "1.234,50", suppliers: harbour.suppliers });
  });

  it.each([
    ["hourly", "a lot", /Write it as a number/],
    ["tax", "140", /100 % at most/],
    ["margin", "-5", /cannot be negative/],
    ["validDays", "2,5", /./],
  ])("is refused for %s of %s, where it was written", (name, value, says) => {
    const found = faults(costing({ [name]: value }), harbour, COMMA);
    expect(Object.keys(found)).toEqual([name]);
    expect(found[name]).toMatch(says);
  });

  it("leaves measures alone that nobody knows", () => {
    expect(done(costing({ measures: "cubits", numbers: "roman" }), harbour, COMMA)).toMatchObject({
      measures: harbour.measures,
      numbers: harbour.numbers,
    });
  });
});

it("a form that is none of these is refused, and changes nothing", () => {
  expect(faults({ do: "burn" })[""]).toMatch(/incomplete/);
});
