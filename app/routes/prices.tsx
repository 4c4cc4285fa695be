import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { CONSUMABLE_IDS } from "#core/quantity/consumables";
import { supplyId } from "#core/shelf/book";
import { sayWallTime } from "#core/units/wall-time";
import { book, writeMovements } from "#db/shelf";
import { afterPaint } from "~/first/after-paint";
import { readBookForm } from "~/forms/book-form";
import { type Faults, type FormFields, fieldsOf } from "~/forms/fields";
import { CSV_BYTES, readPricesCsv, readStockCsv } from "~/forms/shelf-csv";
import { type GoodName, goodNamed } from "~/forms/stock-form";
import { readForm } from "~/http/body.server";
import { materialsKnown } from "~/http/shelf.server";
import { withStore } from "~/http/trouble.server";
import { todayNow } from "~/shelf/today";
import { voiceOf } from "~/shelf/voice";
import type { Route } from "./+types/prices";

type Store = Parameters<Parameters<typeof withStore>[0]>[0];

/** Everything that can be bought, by name. */
async function goodsKnown(store: Store): Promise<GoodName[]> {
  const materials = await materialsKnown(store);
  return [...materials.keys(), ...CONSUMABLE_IDS.map(supplyId)]
    .map((id) => goodNamed(id, materials))
    .sort((a, b) => a.name.localeCompare(b.name));
}

export const loader = () =>
  withStore(async (store) => {
    const { document, version, undo } = await book.get(store);
    return { book: document, version, undo, goods: await goodsKnown(store), token: nanoid(10) };
  });

export const meta = () => [{ title: "Suppliers and prices · Jolly Crust" }];

export interface Result {
  faults: Faults;
  values: FormFields;
  /** lines of a file that could not be read */
  lines?: string[];
}

const again = (result: Result, status = 422) => data(result, { status });

const OVERTAKEN =
  "Suppliers and prices were changed in another window. What you typed is still here. Check it, then save it again.";

const NOT_IMPORTED = "Prices were changed in another window meanwhile. Nothing was imported. Import the file again.";

const NOT_UNDONE =
  "Something was changed in another window meanwhile, so nothing was undone. Look at it, then undo again.";

const backTo = (fields: FormFields) =>
  redirect(/^\/shelf\/prices(\?[^\s]*)?$/.test(fields.to ?? "") ? fields.to! : "/shelf/prices");

async function textOf(form: FormData): Promise<string | null> {
  const file = form.get("file");
  if (!(file instanceof File) || file.size === 0 || file.size > CSV_BYTES) return null;
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(await file.arrayBuffer());
  } catch {
    return null;
  }
}

/** A file of prices or of tins; nothing is taken from one that has a wrong line. */
async function importCsv(store: Store, fields: FormFields, form: FormData) {
  const text = await textOf(form);
  if (text === null)
    return again({ faults: {}, values: fields, lines: ["Choose a CSV file of up to 1 MB, saved as UTF-8 text."] });
  const { document, version } = await book.get(store);
  const goods = await goodsKnown(store);
  const find = (named: string) =>
    goods.find(({ id, name }) => id === named || name.toLowerCase() === named.toLowerCase()) ?? null;
  const voice = voiceOf(document);
  if (fields.do === "import prices") {
    const read = readPricesCsv(text, document, { find, voice });
    if (!read.ok) return again({ faults: {}, values: fields, lines: read.faults });
    const written = await book.set(store, {
      base: version,
      document: read.book,
      label: `${read.packs} packs imported`,
    });
    return written.is === "overtaken"
      ? again({ faults: {}, values: fields, lines: [NOT_IMPORTED] }, 409)
      : backTo(fields);
  }
  const batch = fields.movement ?? nanoid();
  const read = readStockCsv(text, { find, voice, now: sayWallTime(todayNow()), idOf: (at) => `${batch}-${at}` });
  if (!read.ok) return again({ faults: {}, values: fields, lines: read.faults });
  const label = `${read.list.length} entries imported`;
  const written = await writeMovements(store, { batch, label, list: read.list, anyway: true });
  if (written.is === "refused") return again({ faults: {}, values: fields, lines: [written.because] });
  return redirect("/shelf?show=tins");
}

export async function action({ request }: Route.ActionArgs) {
  const form = await readForm(request);
  const fields = fieldsOf(form);
  return withStore(async (store) => {
    if (fields.do === "import prices" || fields.do === "import stock") return importCsv(store, fields, form);
    const base = Number(fields.base);
    if (fields.do === "undo") {
      const undone = await book.undo(store, base);
      return undone.is === "overtaken" ? again({ faults: { "": NOT_UNDONE }, values: fields }, 409) : backTo(fields);
    }
    const { document } = await book.get(store);
    const good = fields.goodId ? goodNamed(fields.goodId, await materialsKnown(store)) : null;
    const read = readBookForm(fields, document, good, voiceOf(document));
    if (!read.ok) return again({ faults: read.faults, values: fields });
    const written = await book.set(store, { base, document: read.book, label: read.label });
    if (written.is === "overtaken") return again({ faults: { "": OVERTAKEN }, values: fields }, 409);
    return backTo(fields);
  });
}

export default afterPaint(() => import("~/views/prices"));
