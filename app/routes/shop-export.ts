import { writeShopFile } from "#core/exchange/shop-file";
import { getInputs, getKept } from "#db/plan-of-work";
import { resource, withStore } from "~/http/trouble.server";

/** The whole shop as a *.shop.json file: its settings, its jobs, and the plan of work that is kept. */
export const loader = () =>
  resource(() =>
    withStore(async (store) => {
      const { shop, plans, ideas, over } = await getInputs(store);
      const { planned } = await getKept(store);
      return new Response(writeShopFile({ shop, plans: [...plans, ...ideas, ...over], planned }), {
        headers: {
          "Content-Type": "application/json; charset=utf-8",
          "Content-Disposition": 'attachment; filename="jolly-crust.shop.json"',
          "Cache-Control": "no-store",
        },
      });
    }),
  );
