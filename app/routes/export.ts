import { writePlanFile } from "#core/exchange/plan-file";
import { standingAlone } from "#core/schedule/plan-of-work";
import { getDocument, getJob } from "#db/plans";
import { getShop } from "#db/shop";
import { noSuchJob, planIdOf, resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/export";

const fileName = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "") || "job";

/**
 * The job as a *.crust.json file; `?as=stored` gives exactly what the database holds, for a job that cannot be read.
 */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  resource(async () => {
    const planId = planIdOf(params);
    const stored = new URL(request.url).searchParams.get("as") === "stored";
    const file = await withStore(async (store) => {
      if (stored) return getDocument(store, planId);
      const job = await getJob(store, planId);
      if (!job) return null;
      // by itself it has nobody else's hours
      const plan = standingAlone(job.plan, (await getShop(store)).shop);
      return { title: plan.title, text: writePlanFile(plan) };
    });
    if (!file) throw noSuchJob(planId);
    return new Response(file.text, {
      headers: {
        "Content-Type": "application/json; charset=utf-8",
        "Content-Disposition": `attachment; filename="${fileName(file.title)}.crust.json"`,
        "Cache-Control": "no-store",
      },
    });
  });
