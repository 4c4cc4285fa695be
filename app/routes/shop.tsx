import { data, redirect } from "react-router";
import { getShop, type ShopWritten, setShop, undoShop } from "#db/shop";
import { afterPaint } from "~/first/after-paint";
import { type Faults, type FormFields, fieldsOf } from "~/forms/fields";
import { readShopFields } from "~/forms/shop-form";
import { readForm } from "~/http/body.server";
import { readShopState, standingIn } from "~/http/plan-of-work.server";
import { withStore } from "~/http/trouble.server";
import { noteShopChanged } from "~/http/written.server";
import type { Route } from "./+types/shop";

export const loader = () =>
  withStore(async (store) => ({ row: await getShop(store), standing: standingIn(await readShopState(store)) }));

export const meta = () => [{ title: "Hours and painters · Jolly Crust" }];

const refused = (faults: Faults, values: FormFields, status = 422) => data({ faults, values }, { status });

/** Saves the shop's settings, or takes the last change back. */
export async function action({ request }: Route.ActionArgs) {
  const fields = fieldsOf(await readForm(request));
  const base = Number(fields.base);
  return withStore(async (store) => {
    let written: ShopWritten;
    if (fields.do === "undo") written = await undoShop(store, base);
    else {
      const read = readShopFields(fields, (await getShop(store)).shop);
      if (!read.ok) return refused(read.faults, fields);
      written = await setShop(store, { base, shop: read.shop, label: read.label });
    }
    if (written.is === "overtaken")
      return refused(
        { "": "The shop was changed in another window. What you typed is still here. Check it, then save it again." },
        fields,
        409,
      );
    noteShopChanged();
    return redirect("/shop");
  });
}

export default afterPaint(() => import("~/views/shop"));
