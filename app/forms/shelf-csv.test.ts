import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { CATALOGUE } from "#core/materials/catalogue";
import { CONSUMABLE_IDS } from "#core/quantity/consumables";
import { EMPTY_BOOK, ShelfBook, supplyId } from "#core/shelf/book";
import { potsOf } from "#core/shelf/stock";
import { hobnailBook, hobnailMovements } from "#demo/shelf";
import { readPricesCsv, readStockCsv, writePricesCsv, writeStockCsv } from "./shelf-csv";
import { type GoodName, goodNamed } from "./stock-form";

const materials = new Map(CATALOGUE.map((material) => [material.id, material]));
const nameOf = (id: string) => goodNamed(id, materials);
const goods: GoodName[] = [...materials.keys(), ...CONSUMABLE_IDS.map(supplyId)].map(nameOf);
const find = (named: string) => goods.find(({ id, name }) => id === named || name === named) ?? null;
const prices = (text: string, book = EMPTY_BOOK) => readPricesCsv(text, book, { find });
const stock = (text: string) => readStockCsv(text, { find, now: "2026-11-28T09:00", idOf: (at) => `import-${at}` });
const faultsOf = (read: { ok: boolean; faults?: string[] }) => (read.ok ? [] : (read as { faults: string[] }).faults);

describe("packs and prices as CSV", () => {
  it("read back as they were written", () => {
    const read = prices(writePricesCsv(hobnailBook(), nameOf));
    expect(read.ok).toBe(true);
    if (!read.ok) return;
    const packs = ({ goods: list, suppliers }: ShelfBook) =>
      list
        .flatMap(({ id, packs: own }) =>
          own.map(({ holds, price, supplierId }) => [
            id,
            holds,
            price,
            suppliers.find((supplier) => supplier.id === supplierId)!.name,
          ]),
        )
        .sort();
    expect(packs(read.book)).toEqual(packs(hobnailBook()));
  });

  it("take semicolons and decimal commas, a unit of their own, and columns in any order", () => {
    const read = prices("price;supplier;name;holds\r\n19,50;Harbour;Chalk-type, slate;0,5 L\r\n");
    expect(read).toMatchObject({ ok: true, packs: 1 });
    if (read.ok) expect(read.book.goods[0]).toMatchObject({ id: "chalk-slate", packs: [{ holds: 500, price: 19.5 }] });
  });

  it("bring a new price to a pack that is there, and leave the rest", () => {
    const read = prices("good,supplier,holds,price\nchalk-slate,Harbour Road Paints,500,21.00\n", hobnailBook());
    const slate = read.ok ? read.book.goods.find(({ id }) => id === "chalk-slate")! : null;
    expect(slate!.packs).toHaveLength(3);
    expect(slate!.packs.find(({ holds }) => holds === 500)!.price).toBe(21);
  });

  it.each<[string, string, RegExp]>([
    ["nothing", "", /has no rows/],
    ["no column for the price", "good,supplier,holds\nchalk-slate,Harbour,500\n", /no column "price"/],
    ["a good nobody knows", "good,supplier,holds,price\nunicorn,Harbour,500,1\n", /Line 2: "unicorn" is not/],
    [
      "a pack of nothing",
      "good,supplier,holds,price\nchalk-slate,Harbour,0,1\n",
      /Line 2: A pack holds more than nothing/,
    ],
    [
      "a negative price",
      "good,supplier,holds,price\nchalk-slate,Harbour,500,-1\n",
      /Line 2: A price cannot be negative/,
    ],
    [
      "a price that is none",
      "good,supplier,holds,price\nchalk-slate,Harbour,500,dear\n",
      /Line 2: Write the price as a number/,
    ],
    [
      "grams of what is counted by volume",
      "good,supplier,holds,price\nchalk-slate,Harbour,500 g,1\n",
      /not an amount in ml/,
    ],
    ["no supplier", "good,supplier,holds,price\nchalk-slate,,500,1\n", /give the supplier a name/i],
  ])("refuse %s and say where", (_what, text, says) => {
    expect(faultsOf(prices(text)).join("\n")).toMatch(says);
  });

  it("never hand a formula to a spreadsheet, and never work one out", () => {
    const book = ShelfBook.parse({
      suppliers: [{ id: "trick", name: '=HYPERLINK("http://example")' }],
      goods: [{ id: "chalk-slate", packs: [{ id: "a", supplierId: "trick", holds: 500, price: 1 }] }],
    });
    const text = writePricesCsv(book, nameOf);
    const [, row] = Papa.parse<string[]>(text).data;
    expect(row![2]).toBe('\'=HYPERLINK("http://example")');
    const read = prices(text);
    if (read.ok) expect(read.book.suppliers[0]!.name).toBe('=HYPERLINK("http://example")');
    expect(faultsOf(prices("good,supplier,holds,price\nchalk-slate,Harbour,=500*2,1\n")).join()).toMatch(/=500\*2/);
  });

  it("hold any name that a supplier can have", () => {
    const names = fc
      .string({ minLength: 1, maxLength: 20 })
      .filter((name) => /^[\p{L}\p{P} ]+$/u.test(name) && name.trim() === name);
    fc.assert(
      fc.property(names, (name) => {
        const book = ShelfBook.parse({
          suppliers: [{ id: "one", name }],
          goods: [{ id: "chalk-slate", packs: [{ id: "a", supplierId: "one", holds: 500, price: 1 }] }],
        });
        const read = prices(writePricesCsv(book, nameOf));
        expect(read.ok && read.book.suppliers[0]!.name).toBe(name);
      }),
    );
  });
});

describe("tins as CSV", () => {
  it("read back as they were written", () => {
    const pots = potsOf(hobnailMovements());
    const read = stock(writeStockCsv(pots, nameOf));
    expect(read.ok).toBe(true);
    if (!read.ok) return;
    const told = (list: ReturnType<typeof potsOf>) =>
      list.map(({ goodId, amount, place, opened, condition }) => [goodId, amount, place, opened, condition]);
    expect(told(potsOf(read.list))).toEqual(told(pots));
  });

  it.each<[string, string, RegExp]>([
    ["a negative amount", "good,amount\nchalk-slate,-5\n", /Line 2: Write an amount over 0/],
    ["an amount in words", "good,amount\nchalk-slate,half\n", /Line 2: "half" is not an amount in ml/],
    ["a condition nobody knows", "good,amount,condition\nchalk-slate,5,mouldy\n", /the condition is one of sealed/i],
    ["a day that is none", "good,amount,opened\nchalk-slate,5,2026-13-40\n", /Line 2: Write a date/],
  ])("refuse %s and say where", (_what, text, says) => {
    expect(faultsOf(stock(text)).join("\n")).toMatch(says);
  });
});
