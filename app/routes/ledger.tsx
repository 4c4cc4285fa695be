import { nanoid } from "nanoid";
import { useRouteError } from "react-router";
import { z } from "zod";
import { factorsOf } from "#core/ledger/learned";
import { FAMILIES } from "#core/materials/material";
import { fittedIn, workOf } from "#core/schedule/plan-of-work";
import { ledgerOf } from "#db/ledger";
import { editPlan, getJob } from "#db/plans";
import { getShop } from "#db/shop";
import { textOfPlan } from "~/editor/plan-text";
import { afterPaint } from "~/first/after-paint";
import { TroublePage } from "~/first/trouble-page";
import { fieldsOf } from "~/forms/fields";
import { benchAction } from "~/http/bench-action.server";
import { readForm } from "~/http/body.server";
import { learnedOf } from "~/http/ledger.server";
import { noSuchJob, planIdOf, troubleResponse, withStore } from "~/http/trouble.server";
import { noteWritten } from "~/http/written.server";
import type { Route } from "./+types/ledger";

export const loader = ({ params }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const planId = planIdOf(params);
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const lines = await ledgerOf(store, planId);
    const { shop } = await getShop(store);
    const { done: _, ...planned } = job.plan;
    const asPlanned = fittedIn(workOf(planned, shop), {}).bookings;
    const asItGoes = fittedIn(workOf(job.plan, shop), {});
    return {
      text: textOfPlan(job.plan),
      title: job.plan.title,
      lines,
      learned: await learnedOf(store),
      planned: asPlanned.map(({ does, starts, ends }) => ({ does, starts, ends })),
      ahead: asItGoes.bookings
        .filter(({ done, kind }) => !done && kind === "zone")
        .map(({ does, starts, ends, name, zoneId }) => ({ does, starts, ends, name, zoneId })),
      leaves: asItGoes.dates?.leaves ?? null,
      token: nanoid(10),
    };
  });

/** How long a kind of material is to take: as was learned, or as the tin says. */
const Drying = z.object({ do: z.enum(["use", "tin"]), family: z.enum(FAMILIES) });

/** Takes what was learned into this job, or goes back to the tin; any other form is a line of the ledger. */
export async function action({ request, params }: Route.ActionArgs) {
  const planId = planIdOf(params);
  const copy = request.clone();
  const fields = fieldsOf(await readForm(copy));
  if (fields.kind !== undefined) return benchAction(request);
  return withStore(async (store) => {
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const asked = Drying.safeParse(fields);
    if (!asked.success)
      throw troubleResponse(422, "That was not changed", "The form arrived incomplete. Reload the page and try again.");
    const { do: does, family } = asked.data;
    const { [family]: _, ...others } = job.plan.pinned.drying ?? {};
    const factor = factorsOf(await learnedOf(store))[family];
    const drying = does === "use" && factor !== undefined ? { ...others, [family]: factor } : others;
    const written = await editPlan(store, planId, {
      id: fields.edit?.slice(0, 40) || nanoid(),
      base: job.version,
      label: does === "use" ? `${family}: dries as seen here` : `${family}: dries as the tin says`,
      commands: [{ do: "set drying", drying }],
    });
    if (written.is !== "written") throw troubleResponse(409, "That was not changed", "Reload the page and try again.");
    noteWritten(written.plan);
    return new Response(null, { status: 303, headers: { Location: `/jobs/${planId}/ledger` } });
  });
}

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `Ledger: ${loaderData.title} · Jolly Crust` : "Ledger · Jolly Crust" },
];

export function ErrorBoundary() {
  return <TroublePage error={useRouteError()} />;
}

export default afterPaint(() => import("~/views/ledger"));
