import { getPhoto } from "#db/photos";
import { getJob } from "#db/plans";
import { onPhotoJpeg, onPhotoKey } from "~/http/on-photo.server";
import { noSuchJob, planIdOf, resource, troubleResponse, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/on-photo-jpg";

const noSuchPhoto = () =>
  troubleResponse(
    404,
    "Photo not found",
    "The finish is laid on a photo of the piece that has marks. Open the photo view and mark one.",
  );

/** The finish on a photo of the piece. For a browser that already has it, nothing is drawn. */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  resource(async () => {
    const planId = planIdOf(params);
    const { searchParams } = new URL(request.url);
    const [job, jpeg] = await withStore(async (store) => [
      await getJob(store, planId),
      await getPhoto(store, planId, searchParams.get("photo") ?? ""),
    ]);
    if (!job) throw noSuchJob(planId);
    const key = onPhotoKey(job.plan, searchParams);
    if (key === null || !jpeg) throw noSuchPhoto();
    const headers = { "Cache-Control": "private, no-cache", ETag: `"${key}"` };
    if (request.headers.get("If-None-Match") === `"${key}"`) return new Response(null, { status: 304, headers });
    const picture = await onPhotoJpeg(job.plan, jpeg, searchParams);
    return new Response(new Uint8Array(picture), { headers: { ...headers, "Content-Type": "image/jpeg" } });
  });
