import { Costing, Good, GoodPack, goodIn, MEASURES, NUMBER_FORMATS, ShelfBook, Supplier } from "#core/shelf/book";
import { readAmount, readNumber, type Voice } from "~/words/measures";
import { type Faults, type FormFields, faultsFrom, sentence } from "./fields";
import type { GoodName } from "./stock-form";

// The forms of the book: suppliers, packs of a good, and how the shop works out a price.

export type BookRead = { ok: true; book: ShelfBook; label: string } | { ok: false; faults: Faults };

const idFor = (name: string, taken: readonly string[]): string => {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "")
      .slice(0, 40) || "supplier";
  let id = plain;
  for (let number = 2; taken.includes(id); number++) id = `${plain}-${number}`;
  return id;
};

/** A supplier that is new, or has another name; without a name it is removed, with what it sells. */
function readSupplier(fields: FormFields, book: ShelfBook): BookRead {
  const known = book.suppliers.find(({ id }) => id === fields.supplierId);
  if (known && fields.way === "remove")
    return {
      ok: true,
      label: `${known.name} removed`,
      book: {
        ...book,
        suppliers: book.suppliers.filter((supplier) => supplier !== known),
        goods: book.goods.map((good) => ({
          ...good,
          packs: good.packs.filter(({ supplierId }) => supplierId !== known.id),
        })),
      },
    };
  const name = (fields.supplier ?? "").trim();
  if (book.suppliers.some((supplier) => supplier !== known && supplier.name.toLowerCase() === name.toLowerCase()))
    return { ok: false, faults: { supplier: `There is a supplier called ${name} already.` } };
  const note = (fields.supplierNote ?? "").trim();
  const read = Supplier.safeParse({
    id:
      known?.id ??
      idFor(
        name,
        book.suppliers.map(({ id }) => id),
      ),
    name,
    ...(note === "" ? {} : { note }),
  });
  if (!read.success) return { ok: false, faults: { supplier: sentence(read.error.issues[0]!.message) } };
  const suppliers = known
    ? book.suppliers.map((supplier) => (supplier === known ? read.data : supplier))
    : [...book.suppliers, read.data];
  return { ok: true, label: known ? `${known.name} changed` : `${read.data.name} added`, book: { ...book, suppliers } };
}

/** Rows of packs on the form of a good: those that are there, and one more. */
export const packField = (at: number, name: "holds" | "price" | "supplier"): string => `pack-${at}-${name}`;

function readPacks(fields: FormFields, book: ShelfBook, good: GoodName, voice: Voice): BookRead {
  const faults: Faults = {};
  const packs: GoodPack[] = [];
  for (let at = 0; packField(at, "holds") in fields; at++) {
    const of = (name: "holds" | "price" | "supplier") => (fields[packField(at, name)] ?? "").trim();
    // a row without content is no pack, and a pack whose content is rubbed out is removed
    if (of("holds") === "" && of("price") === "") continue;
    if (of("holds") === "") {
      faults[packField(at, "holds")] = "A price needs a pack: write what the pack holds.";
      continue;
    }
    const holds = readAmount(of("holds"), good.unit, voice);
    const price = of("price") === "" ? null : readNumber(of("price"), voice);
    if (holds === null) {
      faults[packField(at, "holds")] =
        good.unit === "ml" ? "Write what it holds, like 750 or 0.75 L." : "Write what it holds as a number.";
      continue;
    }
    const supplierId = of("supplier");
    const read = GoodPack.safeParse({
      id: `${supplierId}-${Math.round(holds * 10) / 10}`.replace(/[^a-z0-9:-]/g, "-").slice(0, 60),
      supplierId,
      holds,
      price: of("price") === "" ? null : (price ?? Number.NaN),
    });
    if (!read.success) {
      const [issue] = read.error.issues;
      const field = issue!.path[0] === "price" ? "price" : issue!.path[0] === "holds" ? "holds" : "supplier";
      faults[packField(at, field)] = field === "supplier" ? "Choose a supplier." : sentence(issue!.message);
    } else if (packs.some(({ id }) => id === read.data.id))
      faults[packField(at, "holds")] = "This supplier has a pack of this size already.";
    else packs.push(read.data);
  }
  const days = (fields.keeps ?? "").trim();
  const before = goodIn(book, good.id);
  const made = Good.safeParse({
    id: good.id,
    packs,
    ...(days === "" ? {} : { keepsOpenedDays: Number(days) }),
  });
  if (!made.success)
    for (const issue of made.error.issues)
      faults[issue.path[0] === "keepsOpenedDays" ? "keeps" : ""] ??= sentence(issue.message);
  if (Object.keys(faults).length > 0 || !made.success) return { ok: false, faults };
  const goods = before ? book.goods.map((good) => (good === before ? made.data : good)) : [...book.goods, made.data];
  const whole = ShelfBook.safeParse({ ...book, goods });
  if (!whole.success) return { ok: false, faults: { "": sentence(whole.error.issues[0]!.message) } };
  return { ok: true, label: `Packs of ${good.name}`, book: whole.data };
}

const COSTING_NUMBERS = ["hourly", "overhead", "margin", "tax", "touchUp", "validDays"] as const;

function readCosting(fields: FormFields, book: ShelfBook, voice: Voice): BookRead {
  const faults: Faults = {};
  const numbers: Record<string, number> = {};
  for (const name of COSTING_NUMBERS) {
    const value = readNumber(fields[name] ?? "", voice);
    if (value === null) faults[name] = "Write it as a number.";
    else numbers[name] = value;
  }
  const read = Costing.safeParse({
    ...book.costing,
    ...numbers,
    materialsBy: fields.materialsBy === "packs" ? "packs" : "use",
    currency: fields.currency ?? "",
    terms: fields.terms ?? "",
  });
  if (!read.success) Object.assign(faults, { ...faultsFrom(read.error), ...faults });
  if (Object.keys(faults).length > 0 || !read.success) return { ok: false, faults };
  return {
    ok: true,
    label: "How prices are worked out",
    book: {
      ...book,
      costing: read.data,
      measures: MEASURES.find((measure) => measure === fields.measures) ?? book.measures,
      numbers: NUMBER_FORMATS.find((numberFormat) => numberFormat === fields.numbers) ?? book.numbers,
    },
  };
}

/** Reads a form of the book; what it leaves out stays as it is. */
export function readBookForm(fields: FormFields, book: ShelfBook, good: GoodName | null, voice: Voice): BookRead {
  if (fields.do === "supplier") return readSupplier(fields, book);
  if (fields.do === "packs" && good) return readPacks(fields, book, good, voice);
  if (fields.do === "costing") return readCosting(fields, book, voice);
  return { ok: false, faults: { "": "The form arrived incomplete. Reload the page and try again." } };
}
