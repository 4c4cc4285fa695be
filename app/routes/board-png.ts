import { getJob } from "#db/plans";
import { boardPng } from "~/http/board-png.server";
import { noSuchJob, troubleResponse, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/board-png";

/** The sample board of a zone as a PNG picture. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const job = await withStore((store) => getJob(store, params.planId));
  if (!job) throw noSuchJob(params.planId);
  const png = await boardPng(job.plan, job.version, new URL(request.url).searchParams);
  if (!png)
    throw troubleResponse(
      404,
      "There is no such zone on this piece",
      "The board is drawn for a zone of the job. Open the board view and choose one there.",
    );
  return new Response(new Uint8Array(png), {
    headers: { "Content-Type": "image/png", "Cache-Control": "private, no-cache", "X-Content-Type-Options": "nosniff" },
  });
}
