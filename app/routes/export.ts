import { writePlanFile } from "#core/exchange/plan-file";
import { standingAlone } from "#core/schedule/plan-of-work";
import { getDocument, getJob } from "#db/plans";
import { getShop } from "#db/shop";
import { archiveOf } from "~/http/job-archive.server";
import { noSuchJob, planIdOf, resource, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/export";

const fileName = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "") || "job";

/** The job with its ledger and its photos, in one file. */
async function archive(planId: string): Promise<Response> {
  const { title, bytes } = await withStore(async (store) => {
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const plan = standingAlone(job.plan, (await getShop(store)).shop);
    return { title: plan.title, bytes: await archiveOf(store, plan) };
  });
  return new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": "application/zip",
      "Content-Disposition": `attachment; filename="${fileName(title)}.job.zip"`,
      "Cache-Control": "no-store",
    },
  });
}

/**
 * The job as a *.crust.json file; `?as=stored` gives exactly what the database holds, for a job that cannot be read.
 */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  resource(async () => {
    const planId = planIdOf(params);
    const as = new URL(request.url).searchParams.get("as");
    if (as === "archive") return archive(planId);
    const stored = as === "stored";
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
