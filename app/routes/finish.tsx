import { nanoid } from "nanoid";
import type { InShop } from "#core/finishes/facts";
import { getJob } from "#db/plans";
import { textOfPlan } from "~/editor/plan-text";
import { afterPaint } from "~/first/after-paint";
import { jobAction } from "~/http/job-action.server";
import { jobStandingFor } from "~/http/plan-of-work.server";
import { shelfForJob } from "~/http/shelf.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/finish";

export async function loader({ params }: Route.LoaderArgs) {
  const planId = planIdOf(params);
  return withStore(async (store) => {
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { shop, around } = await jobStandingFor(store, planId);
    const { book, pots, others, today } = await shelfForJob(store, planId);
    const inShop: InShop = { shop, around, book, pots, others, today };
    return { text: textOfPlan(job.plan), version: job.version, inShop, token: nanoid(10) };
  });
}

export const action = ({ request, params }: Route.ActionArgs) => jobAction(request, params, "crust");

export const meta: Route.MetaFunction = () => [{ title: "Finishes · Jolly Crust" }];

export default afterPaint(() => import("~/views/finish"));
