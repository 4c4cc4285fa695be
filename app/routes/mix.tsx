import { afterPaint } from "~/first/after-paint";
import { jobAction } from "~/http/job-action.server";
import { readShelf } from "~/http/shelf.server";
import { withStore } from "~/http/trouble.server";
import { lastKnown } from "~/shelf/while-away";
import type { Route } from "./+types/mix";

/** What there is of each paint on the shop's shelf. */
export interface There {
  there: Record<string, number>;
}

export const loader = () =>
  withStore(async (store): Promise<There> => {
    const there: Record<string, number> = {};
    for (const { goodId, amount } of (await readShelf(store)).pots) there[goodId] = (there[goodId] ?? 0) + amount;
    return { there };
  });

const known = lastKnown<There>(() => ({ there: {} }));
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) => known(serverLoader, "");

export const action = ({ request, params }: Route.ActionArgs) => jobAction(request, params);

export default afterPaint(() => import("~/views/mix"));
