import { find } from "#core/ledger/find";
import { allLedgers } from "#db/ledger";
import type { Store } from "#db/open";
import { getJob, listJobs } from "#db/plans";
import { afterPaint } from "~/first/after-paint";
import { withStore } from "~/http/trouble.server";
import type { Route } from "./+types/find";

/** Jobs that are looked through: the last changed of them. */
const MOST_JOBS = 300;

async function allJobs(store: Store) {
  const ids: string[] = [];
  for (const away of [false, true])
    for (let page = 0; ids.length < MOST_JOBS; page++) {
      const { jobs, pages } = await listJobs(store, { page, away });
      ids.push(...jobs.map(({ id }) => id));
      if (page + 1 >= pages) break;
    }
  const ledgers = await allLedgers(store);
  const found = [];
  for (const id of ids.slice(0, MOST_JOBS)) {
    const job = await getJob(store, id).catch(() => null);
    if (job) found.push({ plan: job.plan, events: (ledgers.get(id) ?? []).map(({ event }) => event) });
  }
  return found;
}

export const loader = ({ request }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const asked = (new URL(request.url).searchParams.get("q") ?? "").slice(0, 200);
    return { asked, found: asked.trim() === "" ? [] : find(asked, await allJobs(store)) };
  });

export const meta = () => [{ title: "Find · Jolly Crust" }];

export default afterPaint(() => import("~/views/find"));
