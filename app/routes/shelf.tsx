import { afterPaint } from "~/first/after-paint";
import { jobAction } from "~/http/job-action.server";
import { shelfForJob } from "~/http/shelf.server";
import { planIdOf, withStore } from "~/http/trouble.server";
import { todayNow } from "~/shelf/today";
import { lastKnown } from "~/shelf/while-away";
import type { Route } from "./+types/shelf";

export const loader = ({ params }: Route.LoaderArgs) => withStore((store) => shelfForJob(store, planIdOf(params)));

export type Shelf = Awaited<ReturnType<typeof shelfForJob>> & { away?: boolean };

const known = lastKnown<Shelf>(async () => {
  const { EMPTY_BOOK } = await import("#core/shelf/book");
  return { book: EMPTY_BOOK, version: 0, pots: [], others: [], undo: null, redo: null, today: todayNow(), away: true };
});

/** While the server is away the needs are still worked out; what is on the shelf is as it was last seen, or not known. */
export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs) => known(serverLoader, params.planId);

export const action = ({ request, params }: Route.ActionArgs) => jobAction(request, params);

export default afterPaint(() => import("~/views/shelf"));
