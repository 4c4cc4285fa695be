import type { InShop } from "#core/finishes/facts";
import { getJob } from "#db/plans";
import { textOfPlan } from "~/editor/plan-text";
import { shelfIn } from "~/finishes/shelf-in";
import { afterPaint } from "~/first/after-paint";
import { jobStandingFor } from "~/http/plan-of-work.server";
import { shelfForJob } from "~/http/shelf.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/look";

export const loader = ({ params }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const planId = planIdOf(params);
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { shop, around } = await jobStandingFor(store, planId);
    const { book, pots, others, today } = await shelfForJob(store, planId);
    const inShop: InShop = { shop, around, book, pots, others, today };
    return {
      text: textOfPlan(job.plan),
      version: job.version,
      inShop,
      now: today,
      shelf: [...(shelfIn(pots) ?? [])].sort(),
    };
  });

export const meta: Route.MetaFunction = () => [{ title: "Plan a look · Jolly Crust" }];

export default afterPaint(() => import("~/views/look"));
