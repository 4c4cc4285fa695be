import { nanoid } from "nanoid";
import { getJob } from "#db/plans";
import { afterPaint } from "~/first/after-paint";
import { supplyFor } from "~/http/shelf.server";
import { stockAction } from "~/http/stock-action.server";
import { noSuchJob, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/shopping-list";

export const loader = ({ request }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const params = new URL(request.url).searchParams;
    const id = params.get("job");
    const job = id === null ? null : await getJob(store, id);
    if (id !== null && job === null) throw noSuchJob(id);
    const careful = params.get("careful") !== null;
    const supply = await supplyFor(store, job?.plan ?? null);
    return { ...supply, job: job && { id: job.plan.id, title: job.plan.title }, careful, token: nanoid(10) };
  });

export const action = ({ request }: Route.ActionArgs) => stockAction(request);

export const meta = () => [{ title: "Shopping list · Jolly Crust" }];

export default afterPaint(() => import("~/views/shopping-list"));
