import { getJob } from "#db/plans";
import { boardKey, boardPng } from "~/http/board-png.server";
import { noSuchJob, planIdOf, resource, troubleResponse, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/board-png";

const noSuchZone = () =>
  troubleResponse(
    404,
    "Zone not found",
    "The board is drawn for a zone of the job. Open the board view and choose one there.",
  );

/** The sample board of a zone as a PNG picture. For a browser that already has it, nothing is drawn. */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  resource(async () => {
    const planId = planIdOf(params);
    const job = await withStore((store) => getJob(store, planId));
    if (!job) throw noSuchJob(planId);
    const { searchParams } = new URL(request.url);
    const key = boardKey(job.plan, searchParams);
    if (key === null) throw noSuchZone();
    const headers = { "Cache-Control": "private, no-cache", ETag: `"${key}"` };
    if (request.headers.get("If-None-Match") === `"${key}"`) return new Response(null, { status: 304, headers });
    const png = await boardPng(job.plan, searchParams, key);
    if (!png) throw noSuchZone();
    return new Response(new Uint8Array(png), { headers: { ...headers, "Content-Type": "image/png" } });
  });
