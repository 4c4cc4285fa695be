import { nanoid } from "nanoid";
import { afterPaint } from "~/first/after-paint";
import { packed } from "~/first/packed";
import { stockPage } from "~/http/shelf.server";
import { stockAction } from "~/http/stock-action.server";
import { withStore } from "~/http/trouble.server";
import { showsTins } from "~/shelf/tins-shown";
import type { Route } from "./+types/stock";

export const loader = ({ request }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const params = new URL(request.url).searchParams;
    const { lines, materials, ...page } = await stockPage(store, params.get("tin"));
    // what a tin can be of is only asked for where tins are
    const needs = packed({ lines, materials: showsTins(params) ? materials : [] });
    return { ...page, needs, token: nanoid(10) };
  });

export const action = ({ request }: Route.ActionArgs) => stockAction(request);

export const meta = () => [{ title: "Shelf · Jolly Crust" }];

export default afterPaint(() => import("~/views/stock"));
