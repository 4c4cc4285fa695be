import { nanoid } from "nanoid";
import { useMemo } from "react";
import { Outlet, type ShouldRevalidateFunction, useRouteError } from "react-router";
import { getJob } from "#db/plans";
import { JobEditorProvider } from "~/editor/job-editor";
import { planOfText, textOfPlan } from "~/editor/plan-text";
import { jobStandingFor } from "~/http/plan-of-work.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import { JobFrame } from "~/parts/job-frame";
import { TroublePage } from "~/parts/trouble-page";
import type { Route } from "./+types/job";

export async function loader({ params }: Route.LoaderArgs) {
  const planId = planIdOf(params);
  return withStore(async (store) => {
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { plan, ...saved } = job;
    const plans = await jobStandingFor(store, planId);
    return { text: textOfPlan(plan), title: plan.title, saved, plans, token: nanoid(10) };
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

export default function JobRoute({ loaderData }: Route.ComponentProps) {
  const { text, saved, plans, token } = loaderData;
  const job = useMemo(() => ({ plan: planOfText(text), ...saved }), [text, saved]);
  return (
    <JobEditorProvider key={job.plan.id} job={job} token={token} plans={plans}>
      <JobFrame>
        <Outlet />
      </JobFrame>
    </JobEditorProvider>
  );
}

export function ErrorBoundary() {
  return <TroublePage error={useRouteError()} />;
}
