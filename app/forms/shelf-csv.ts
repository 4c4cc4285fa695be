import Papa from "papaparse";
import { GoodPack, type ShelfBook, Supplier } from "#core/shelf/book";
import { CONDITIONS, type Condition, Movement, type PotOnShelf } from "#core/shelf/stock";
import type { ToBuy } from "#core/shelf/supply";
import { sayWallTime } from "#core/units/wall-time";
import { METRIC, readAmount, readNumber, type Voice } from "~/words/measures";
import { sentence } from "./fields";
import type { GoodName } from "./stock-form";

// CSV as RFC 4180 has it, through a library that knows it. A cell that a spreadsheet would take for a formula is written with an
// apostrophe before it; none is ever worked out here.

export const CSV_BYTES = 1_000_000;
const MOST_ROWS = 5000;
const MOST_FAULTS = 12;

/** The letters with which a spreadsheet's formula begins. */
const FORMULA = /^[=+\-@\t\r]/;

type CsvRow = Record<string, string | number>;

const written = (rows: readonly CsvRow[], columns: readonly string[]): string =>
  `${Papa.unparse({ fields: [...columns], data: rows.map((row) => columns.map((column) => row[column] ?? "")) }, { escapeFormulae: FORMULA, newline: "\r\n" })}\r\n`;

/** A number in a file: a point for decimals, and nothing between thousands. */
const figure = (value: number) => Math.round(value * 1000) / 1000;

const LIST_COLUMNS = ["supplier", "good", "name", "packs", "pack holds", "unit", "price each", "needed by"] as const;

/** What is to be bought, a line for each kind of pack. */
export function writeListCsv(list: readonly ToBuy[], book: ShelfBook): string {
  const supplierOf = (goodId: string, packId: string) => {
    const id = book.goods.find((good) => good.id === goodId)?.packs.find((pack) => pack.id === packId)?.supplierId;
    return book.suppliers.find((supplier) => supplier.id === id)?.name ?? "";
  };
  const rows = list.flatMap(({ line, basket }): CsvRow[] => {
    const common = {
      good: line.goodId,
      name: line.name,
      unit: line.unit,
      "needed by": line.wanted === null ? "" : sayWallTime(line.wanted).slice(0, 10),
    };
    return basket
      ? basket.packs.map(({ pack, count }) => ({
          ...common,
          supplier: supplierOf(line.goodId, pack.id),
          packs: count,
          "pack holds": figure(pack.holds),
          "price each": pack.price ?? "",
        }))
      : [{ ...common, supplier: "", packs: "", "pack holds": figure(line.missing), "price each": "" }];
  });
  return written(rows, LIST_COLUMNS);
}

const STOCK_COLUMNS = ["good", "name", "amount", "unit", "place", "condition", "opened"] as const;

/** What is on the shelf, a line for each tin. */
export const writeStockCsv = (pots: readonly PotOnShelf[], nameOf: (goodId: string) => GoodName): string =>
  written(
    pots.map((pot) => {
      const { name, unit } = nameOf(pot.goodId);
      return {
        good: pot.goodId,
        name,
        amount: figure(pot.amount),
        unit,
        place: pot.place ?? "",
        condition: pot.condition,
        opened: pot.opened ?? "",
      };
    }),
    STOCK_COLUMNS,
  );

const PRICE_COLUMNS = ["good", "name", "supplier", "holds", "unit", "price"] as const;

/** Every pack of the book, a line each. */
export const writePricesCsv = ({ goods, suppliers }: ShelfBook, nameOf: (goodId: string) => GoodName): string =>
  written(
    goods.flatMap(({ id, packs }) =>
      packs.map(({ supplierId, holds, price }) => ({
        good: id,
        name: nameOf(id).name,
        supplier: suppliers.find((supplier) => supplier.id === supplierId)?.name ?? "",
        holds: figure(holds),
        unit: nameOf(id).unit,
        price: price ?? "",
      })),
    ),
    PRICE_COLUMNS,
  );

type Row = Record<string, string>;
type ReadRows = { ok: true; rows: { line: number; row: Row }[] } | { ok: false; faults: string[] };

/** What was escaped on its way out is read back as it was. */
const unescaped = (text: string) => (text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text).trim();

/** The rows of a file by the names of their columns, whatever their order and whatever parts them: comma, semicolon or tab. */
function rowsOf(text: string, wanted: readonly string[]): ReadRows {
  if (text.length > CSV_BYTES)
    return { ok: false, faults: [`The file is larger than ${CSV_BYTES / 1_000_000} MB. Split it.`] };
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), {
    delimitersToGuess: [",", ";", "\t"],
    skipEmptyLines: "greedy",
  });
  const [head, ...body] = data;
  if (!head || body.length === 0)
    return { ok: false, faults: [`The file has no rows. It begins with a line of names: ${wanted.join(", ")}.`] };
  if (body.length > MOST_ROWS) return { ok: false, faults: [`The file has more than ${MOST_ROWS} rows. Split it.`] };
  const names = head.map((name) => name.trim().toLowerCase());
  const missing = wanted.filter((name) => !names.includes(name));
  if (missing.length > 0)
    return { ok: false, faults: [`Line 1: there is no column "${missing[0]}". The columns are ${wanted.join(", ")}.`] };
  return {
    ok: true,
    rows: body.map((cells, index) => ({
      line: index + 2,
      row: Object.fromEntries(names.map((name, column) => [name, unescaped(cells[column] ?? "")])),
    })),
  };
}

interface Goods {
  voice?: Voice;
  /** the good of an id or a name; null where it is not known */
  find: (idOrName: string) => GoodName | null;
}

/** An amount of a cell, with the unit of its own column or beside the number. */
const amountIn = (row: Row, column: string, { unit }: GoodName, voice: Voice): number | null => {
  const own = row.unit && /^[\d.,'\s]+$/.test(row[column] ?? "") ? ` ${row.unit}` : "";
  return readAmount(`${row[column] ?? ""}${own}`, unit, voice);
};

const unknown = (line: number, name: string) =>
  `Line ${line}: "${name}" is not a material or consumable that is known here. Use the name or id as the export writes it.`;

export type ReadPrices = { ok: true; book: ShelfBook; packs: number } | { ok: false; faults: string[] };

const asId = (name: string): string =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .slice(0, 40) || "supplier";

/** Packs and prices of a file, put into the book: what is there already gets the new price, suppliers that are new are added. */
export function readPricesCsv(text: string, book: ShelfBook, { find, voice = METRIC }: Goods): ReadPrices {
  const read = rowsOf(text, ["supplier", "holds", "price"]);
  if (!read.ok) return read;
  const faults: string[] = [];
  const suppliers = [...book.suppliers];
  const goods = new Map(book.goods.map((good) => [good.id, { ...good, packs: [...good.packs] }]));
  let packs = 0;
  for (const { line, row } of read.rows) {
    const named = row.good || row.name || "";
    const good = find(named);
    if (!good) {
      faults.push(unknown(line, named));
      continue;
    }
    const supplier = supplierNamed(row.supplier ?? "", suppliers);
    const holds = amountIn(row, "holds", good, voice);
    const price = row.price === "" ? null : readNumber(row.price ?? "", voice);
    const pack = supplier
      ? GoodPack.safeParse({
          id: `${supplier.id}-${holds}`.replace(/[^a-z0-9:-]/g, "-").slice(0, 60),
          supplierId: supplier.id,
          holds,
          price: row.price === "" ? null : (price ?? Number.NaN),
        })
      : null;
    if (!pack?.success) {
      const says = !supplier
        ? "give the supplier a name"
        : holds === null
          ? `"${row.holds}" is not an amount in ${good.unit}`
          : (pack?.error.issues[0]?.message ?? "this cannot be read");
      faults.push(`Line ${line}: ${sentence(says)}`);
      continue;
    }
    const own = goods.get(good.id) ?? { id: good.id, packs: [] };
    own.packs = [...own.packs.filter(({ id }) => id !== pack.data.id), pack.data];
    goods.set(good.id, own);
    packs++;
  }
  if (faults.length > 0) return { ok: false, faults: faults.slice(0, MOST_FAULTS) };
  return { ok: true, book: { ...book, suppliers, goods: [...goods.values()] }, packs };
}

/** The supplier of a name, added to the list where it is new; null where the name cannot be one. */
function supplierNamed(name: string, suppliers: Supplier[]): Supplier | null {
  const known = suppliers.find((supplier) => supplier.name.toLowerCase() === name.toLowerCase());
  if (known) return known;
  let id = asId(name);
  while (suppliers.some((supplier) => supplier.id === id)) id = `${id}-2`;
  const read = Supplier.safeParse({ id, name });
  if (!read.success) return null;
  suppliers.push(read.data);
  return read.data;
}

export type ReadStock = { ok: true; list: Movement[] } | { ok: false; faults: string[] };

/** The tins of a file, each put on the shelf as a new one. */
export function readStockCsv(
  text: string,
  { find, voice = METRIC, now, idOf }: Goods & { now: string; idOf: (at: number) => string },
): ReadStock {
  const read = rowsOf(text, ["amount"]);
  if (!read.ok) return read;
  const faults: string[] = [];
  const list: Movement[] = [];
  read.rows.forEach(({ line, row }, index) => {
    const named = row.good || row.name || "";
    const good = find(named);
    const amount = good && amountIn(row, "amount", good, voice);
    if (!good || amount === null) {
      faults.push(good ? `Line ${line}: "${row.amount}" is not an amount in ${good.unit}.` : unknown(line, named));
      return;
    }
    const id = idOf(index);
    const common = { goodId: good.id, potId: `p-${id}`, at: now };
    const bought = Movement.safeParse({
      does: "bought",
      id,
      ...common,
      amount,
      ...(row.place ? { place: row.place } : {}),
    });
    const condition = row.condition || undefined;
    const opened = row.opened || undefined;
    const looked =
      condition || opened
        ? Movement.safeParse({ does: "looked at", id: `${id}-o`, ...common, condition, opened })
        : null;
    const wrong = !bought.success ? bought.error : looked && !looked.success ? looked.error : null;
    if (wrong) {
      const says = CONDITIONS.includes((condition ?? "good") as Condition)
        ? wrong.issues[0]!.message
        : `the condition is one of ${CONDITIONS.join(", ")}`;
      faults.push(`Line ${line}: ${sentence(says)}`);
      return;
    }
    list.push(bought.data!);
    if (looked?.success) list.push(looked.data);
  });
  if (faults.length > 0) return { ok: false, faults: faults.slice(0, MOST_FAULTS) };
  return { ok: true, list };
}
