import { findTechnique } from "#core/surface/techniques";
import { ledgerOf } from "#db/ledger";
import { getJob } from "#db/plans";
import { afterPaint } from "~/first/after-paint";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/report";

export const loader = ({ params }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const planId = planIdOf(params);
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const { plan } = job;
    const lines = await ledgerOf(store, planId);
    const materials = plan.pinned.materials;
    return {
      planId,
      title: plan.title,
      client: plan.client ?? null,
      crusts: plan.crusts.map(({ id, name, steps }) => ({
        id,
        name,
        steps: steps.map(
          ({ what, how, coats }) =>
            `${materials.find((material) => material.id === what)?.name ?? findTechnique(how)?.name ?? how}${coats > 1 ? ` × ${coats}` : ""}`,
        ),
      })),
      lines: lines.map(({ event }) => event),
    };
  });

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Job report: ${(loaderData as { title?: string } | undefined)?.title ?? ""}` },
];

export default afterPaint(() => import("~/views/report"));
