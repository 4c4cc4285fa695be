import { nanoid } from "nanoid";
import { afterPaint } from "~/first/after-paint";
import { stockPage } from "~/http/shelf.server";
import { stockAction } from "~/http/stock-action.server";
import { withStore } from "~/http/trouble.server";
import type { Route } from "./+types/stock";

export const loader = ({ request }: Route.LoaderArgs) =>
  withStore(async (store) => ({
    ...(await stockPage(store, new URL(request.url).searchParams.get("tin"))),
    token: nanoid(10),
  }));

export const action = ({ request }: Route.ActionArgs) => stockAction(request);

export const meta = () => [{ title: "Shelf · Jolly Crust" }];

export default afterPaint(() => import("~/views/stock"));
