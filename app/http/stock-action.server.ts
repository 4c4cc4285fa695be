import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { readWallTime, sayWallTime } from "#core/units/wall-time";
import { sayMoment } from "#core/units/when";
import { book, setTakenBack, writeMovements } from "#db/shelf";
import { type Faults, type FormFields, fieldsOf } from "~/forms/fields";
import { readStockForm } from "~/forms/stock-form";
import { todayNow } from "~/shelf/today";
import { voiceOf } from "~/shelf/voice";
import { readForm } from "./body.server";
import { materialsKnown } from "./shelf.server";
import { withStore } from "./trouble.server";

/** A form of the shelf that could not be carried out, with everything that was typed. */
export interface StockResult {
  faults: Faults;
  values: FormFields;
  /** the receipt is booked in already: when that was */
  twice?: string;
}

const again = (result: StockResult, status = 422) => data(result, { status });

/** Back to the page that the form was on, and to nowhere else. */
const backTo = (fields: FormFields) =>
  redirect(/^\/shelf(\/list)?(\?[^\s]*)?$/.test(fields.to ?? "") ? fields.to! : "/shelf");

/** Every form of the shelf. */
export async function stockAction(request: Request) {
  const fields = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    if (fields.do === "take back" || fields.do === "restore") {
      await setTakenBack(store, fields.batch ?? "", fields.do === "take back");
      return backTo(fields);
    }
    const { document } = await book.get(store);
    const now = todayNow();
    const read = readStockForm(
      { ...fields, movement: fields.movement ?? nanoid(12) },
      { materials: await materialsKnown(store), book: document, voice: voiceOf(document), now: sayWallTime(now) },
    );
    if (!read.ok) return again({ faults: read.faults, values: fields });
    const written = await writeMovements(store, { batch: fields.movement ?? nanoid(12), ...read.read });
    if (written.is === "refused") return again({ faults: { "": written.because }, values: fields });
    if (written.is === "twice") {
      const at = readWallTime(written.at);
      const when = at === null ? written.at : sayMoment(at, now);
      return again(
        {
          faults: {
            "": `This receipt was booked in on ${when} already. If it is another with the same number, book it in anyway.`,
          },
          values: fields,
          twice: when,
        },
        409,
      );
    }
    return backTo(fields);
  });
}
