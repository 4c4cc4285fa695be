import { shoppingList } from "#core/shelf/supply";
import { getJob } from "#db/plans";
import { writeListCsv, writePricesCsv, writeStockCsv } from "~/forms/shelf-csv";
import { goodNamed } from "~/forms/stock-form";
import { materialsKnown, readShelf, supplyFor } from "~/http/shelf.server";
import { noSuchJob, resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/shelf-csv";

/** The shopping list, the tins, or the packs and prices as a file for a spreadsheet. */
export const loader = ({ request }: Route.LoaderArgs) =>
  resource(() =>
    withStore(async (store) => {
      const url = new URL(request.url);
      const name = url.pathname
        .split("/")
        .at(-1)!
        .replace(/\.data$/, "");
      const materials = await materialsKnown(store);
      const nameOf = (goodId: string) => goodNamed(goodId, materials);
      let text: string;
      if (name === "stock.csv") text = writeStockCsv((await readShelf(store)).pots, nameOf);
      else if (name === "prices.csv") text = writePricesCsv((await readShelf(store)).book, nameOf);
      else {
        const id = url.searchParams.get("job");
        const job = id === null ? null : await getJob(store, id);
        if (id !== null && job === null) throw noSuchJob(id);
        const { lines, book } = await supplyFor(store, job?.plan ?? null);
        text = writeListCsv(shoppingList(lines, book, { careful: url.searchParams.has("careful") }), book);
      }
      return new Response(text, {
        headers: {
          "Content-Type": "text/csv; charset=utf-8",
          "Content-Disposition": `attachment; filename="${name}"`,
          "Cache-Control": "no-store",
        },
      });
    }),
  );
