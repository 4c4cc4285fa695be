import { writeShopFile } from "#core/exchange/shop-file";
import { everyPlan } from "#db/inputs";
import { getKept } from "#db/plan-of-work";
import { book, getStock } from "#db/shelf";
import { getShop } from "#db/shop";
import { resource, withStore } from "~/http/trouble.server";

/** The whole shop as a *.shop.json file: its settings, its jobs, the plan of work that is kept, and its shelf. */
export const loader = () =>
  resource(() =>
    withStore(async (store) => {
      const { shop } = await getShop(store);
      const { planned } = await getKept(store, "all");
      const shelf = { book: (await book.get(store)).document, movements: (await getStock(store)).movements };
      return new Response(writeShopFile({ shop, plans: await everyPlan(store), planned, shelf }), {
        headers: {
          "Content-Type": "application/json; charset=utf-8",
          "Content-Disposition": 'attachment; filename="jolly-crust.shop.json"',
          "Cache-Control": "no-store",
        },
      });
    }),
  );
