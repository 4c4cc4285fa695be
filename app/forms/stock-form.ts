import type { Material } from "#core/materials/material";
import { CONSUMABLES } from "#core/quantity/consumables";
import { consumableOf, goodIn, type ShelfBook } from "#core/shelf/book";
import { CONDITIONS, type Condition, Movement } from "#core/shelf/stock";
import { type Unit, unitOf } from "#core/shelf/usage";
import { readAmount, readNumber, type Voice } from "~/words/measures";
import { type Faults, type FormFields, faultsFrom } from "./fields";

/** What a good is called and counted in. */
export interface GoodName {
  id: string;
  name: string;
  unit: Unit | "pieces";
  /** what one of it is called, and several, where it is counted */
  words: { one: string; many: string };
  material: Material | null;
}

const SHEETS = { one: "sheet", many: "sheets" };

/** A good by its id: a consumable, or one of the materials that are known. */
export function goodNamed(id: string, materials: ReadonlyMap<string, Material>): GoodName {
  const consumable = consumableOf(id);
  if (consumable) {
    const { name, one, many } = CONSUMABLES[consumable];
    return { id, name, unit: "pieces", words: { one, many }, material: null };
  }
  const material = materials.get(id) ?? null;
  return { id, name: material?.name ?? id, unit: material ? unitOf(material) : "ml", words: SHEETS, material };
}

export interface ReadMovements {
  label: string;
  list: Movement[];
  /** a receipt may be booked in twice: it was said to be another */
  anyway: boolean;
}

export type StockRead = { ok: true; read: ReadMovements } | { ok: false; faults: Faults };

interface Known {
  materials: ReadonlyMap<string, Material>;
  book: ShelfBook;
  voice: Voice;
  /** date and time on the shop's clock */
  now: string;
}

const SAYS_AMOUNT = "Write an amount, like 250 or 0.5 L.";

const parsed = (raw: unknown): { movement: Movement } | { faults: Faults } => {
  const read = Movement.safeParse(raw);
  return read.success ? { movement: read.data } : { faults: faultsFrom(read.error) };
};

const text = (value: string | undefined) => (value?.trim() ? value.trim() : undefined);

/** One movement of one tin, as its form says. */
function readOne(fields: FormFields, { materials, voice, now }: Known): StockRead {
  const good = goodNamed(fields.goodId ?? "", materials);
  const does = fields.do ?? "";
  const wants = does === "bought" || does === "used" || does === "counted";
  const amount = wants ? readAmount(fields.amount ?? "", good.unit, voice) : undefined;
  if (amount === null) return { ok: false, faults: { amount: SAYS_AMOUNT } };
  const paid = text(fields.paid) === undefined ? undefined : readNumber(fields.paid!, voice);
  if (paid === null) return { ok: false, faults: { paid: "Write the price as a number, like 12.50." } };
  const common = { does, id: fields.movement, goodId: good.id, potId: fields.potId, at: now };
  const own =
    does === "bought"
      ? {
          amount,
          paid,
          place: text(fields.place),
          receipt: text(fields.receipt),
          supplierId: text(fields.supplierId),
        }
      : does === "looked at"
        ? {
            place: text(fields.place),
            condition: CONDITIONS.includes(fields.condition as Condition) ? fields.condition : undefined,
            opened: text(fields.opened),
          }
        : wants
          ? { amount, note: text(fields.note) }
          : { note: text(fields.note) };
  const done = parsed({ ...common, ...own });
  if ("faults" in done) return { ok: false, faults: done.faults };
  const list = [done.movement];
  // a tin that is open already when it is put on the shelf
  if (does === "bought" && text(fields.opened)) {
    const opened = parsed({ ...common, does: "looked at", id: `${fields.movement}-o`, opened: text(fields.opened) });
    if ("faults" in opened) return { ok: false, faults: opened.faults };
    list.push(opened.movement);
  }
  const labels: Record<string, string> = {
    bought: `${good.name} put on the shelf`,
    used: `${good.name} used`,
    counted: `${good.name} counted`,
    "thrown away": `${good.name} thrown away`,
    "looked at": `${good.name} looked at`,
  };
  return { ok: true, read: { label: labels[does] ?? good.name, list, anyway: fields.anyway !== undefined } };
}

const MOST_PACKS = 200;

/** What was bought off the shopping list: a tin for each pack of a material, one heap for what is counted. */
function readList(fields: FormFields, { materials, book, voice, now }: Known): StockRead {
  const faults: Faults = {};
  const list: Movement[] = [];
  const receipt = text(fields.receipt);
  for (const [field, value] of Object.entries(fields)) {
    const [, goodId, packId] = /^buy\|([a-z0-9:-]+)\|([a-z0-9:-]+)$/.exec(field) ?? [];
    if (!goodId || !packId || value.trim() === "") continue;
    const pack = goodIn(book, goodId)?.packs.find(({ id }) => id === packId);
    const count = readNumber(value, voice);
    if (!pack || count === null || !Number.isInteger(count) || count < 0 || count > MOST_PACKS) {
      faults[field] = `Write how many packs you bought, from 0 to ${MOST_PACKS}.`;
      continue;
    }
    const { unit, name } = goodNamed(goodId, materials);
    const tins = unit === "pieces" ? Math.min(1, count) : count;
    for (let tin = 1; tin <= tins; tin++) {
      const each = unit === "pieces" ? count : 1;
      const id = `${fields.movement}-${list.length}`;
      const done = parsed({
        does: "bought",
        id,
        goodId,
        potId: `p-${id}`,
        at: now,
        amount: pack.holds * each,
        ...(pack.price === null ? {} : { paid: pack.price * each }),
        supplierId: pack.supplierId,
        receipt,
        place: text(fields.place),
      });
      if ("faults" in done) faults[field] = `${name}: ${Object.values(done.faults)[0]}`;
      else list.push(done.movement);
    }
  }
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  if (list.length === 0)
    return { ok: false, faults: { "": "Nothing is marked as bought. Write how many packs you bought." } };
  const label = `${list.length} ${list.length === 1 ? "pack" : "packs"} booked in`;
  return { ok: true, read: { label, list, anyway: fields.anyway !== undefined } };
}

/** Reads a form of the shelf: what happened to a tin, or what was bought off the list. */
export const readStockForm = (fields: FormFields, known: Known): StockRead =>
  fields.do === "buy list" ? readList(fields, known) : readOne(fields, known);
