import { getJob } from "#db/plans";
import { book } from "#db/shelf";
import { textOfPlan } from "~/editor/plan-text";
import { afterPaint } from "~/first/after-paint";
import { otherUsesOf } from "~/http/shelf.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/mix-cards";

export const loader = ({ params }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const planId = planIdOf(params);
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { document } = await book.get(store);
    return { text: textOfPlan(job.plan), book: document, others: await otherUsesOf(store, job.plan) };
  });

export const meta: Route.MetaFunction = () => [{ title: "Mix cards · Jolly Crust" }];

export default afterPaint(() => import("~/views/mix-cards"));
