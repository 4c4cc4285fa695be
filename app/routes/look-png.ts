import { getLook } from "#db/plans";
import { planIdOf, resource, troubleResponse, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/look-png";

/** The predicted look of a job, small, for the list of jobs. Its address names the version it is of. */
export const loader = ({ params }: Route.LoaderArgs) =>
  resource(async () => {
    const look = await withStore((store) => getLook(store, planIdOf(params)));
    if (!look) throw troubleResponse(404, "No picture", "There is nothing on this piece yet. Add a coat to its crust.");
    return new Response(new Uint8Array(look), {
      headers: { "Content-Type": "image/png", "Cache-Control": "private, max-age=31536000, immutable" },
    });
  });
