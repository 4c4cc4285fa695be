import { getPhoto } from "#db/photos";
import { troubleResponse, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/photo";

/** One photo of a real board. It never changes under its name. */
export async function loader({ params }: Route.LoaderArgs) {
  const jpeg = await withStore((store) => getPhoto(store, params.planId, params.photoId));
  if (!jpeg)
    throw troubleResponse(
      404,
      "There is no such photo",
      "It may have been taken away. The board view shows what there is.",
    );
  return new Response(new Uint8Array(jpeg), {
    headers: {
      "Content-Type": "image/jpeg",
      "Cache-Control": "private, max-age=31536000, immutable",
      "X-Content-Type-Options": "nosniff",
    },
  });
}
