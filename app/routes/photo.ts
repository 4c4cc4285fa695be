import { Id } from "#core/plan/plan";
import { getPhoto } from "#db/photos";
import { planIdOf, resource, troubleResponse, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/photo";

/** One photo of a real board. It never changes under its name. */
export const loader = ({ params }: Route.LoaderArgs) =>
  resource(async () => {
    const planId = planIdOf(params);
    const photoId = Id.safeParse(params.photoId).data;
    const jpeg = photoId === undefined ? null : await withStore((store) => getPhoto(store, planId, photoId));
    if (!jpeg)
      throw troubleResponse(
        404,
        "Photo not found",
        "It may have been removed. The board view lists the photos there are.",
      );
    return new Response(new Uint8Array(jpeg), {
      headers: { "Content-Type": "image/jpeg", "Cache-Control": "private, max-age=31536000, immutable" },
    });
  });
