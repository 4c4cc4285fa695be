import { writePlanFile } from "#core/exchange/plan-file";
import { getJob } from "#db/plans";
import { noSuchJob, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/export";

/** The job as a *.crust.json file. */
export async function loader({ params }: Route.LoaderArgs) {
  const job = await withStore((store) => getJob(store, params.planId));
  if (!job) throw noSuchJob(params.planId);
  const name =
    job.plan.title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "") || "job";
  return new Response(writePlanFile(job.plan), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="${name}.crust.json"`,
      "X-Content-Type-Options": "nosniff",
    },
  });
}
