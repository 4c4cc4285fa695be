import { nanoid } from "nanoid";
import { type ShouldRevalidateFunction, useRouteError } from "react-router";
import { getJob } from "#db/plans";
import { textOfPlan } from "~/editor/plan-text";
import { afterPaint } from "~/first/after-paint";
import { packed } from "~/first/packed";
import { TroublePage } from "~/first/trouble-page";
import { fittedStandingFor } from "~/http/plan-of-work.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/job";

export async function loader({ params }: Route.LoaderArgs) {
  const planId = planIdOf(params);
  return withStore(async (store) => {
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { plan, ...saved } = job;
    const plans = await fittedStandingFor(store, plan);
    return { text: textOfPlan(plan), title: plan.title, saved, plans: packed(plans), token: nanoid(10) };
  });
}

/** The page keeps the plan itself; only another job, or a form the server handled, is loaded again. */
export function shouldRevalidate({ currentParams, nextParams, formMethod }: ShouldRevalidate) {
  return currentParams.planId !== nextParams.planId || formMethod !== undefined;
}

type ShouldRevalidate = Parameters<ShouldRevalidateFunction>[0];

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `${loaderData.title} · Jolly Crust` : "Jolly Crust" },
];

export default afterPaint(() => import("~/views/job"));

export function ErrorBoundary() {
  return <TroublePage error={useRouteError()} />;
}
