import { READINGS } from "#core/ledger/event";
import { askTool } from "~/http/bench-tools.server";
import type { Route } from "./+types/bench-tool";

/** What a tool on the bench reads now: the scale, the moisture meter, the comb. */
export async function loader({ request }: Route.LoaderArgs) {
  const of = READINGS.find((reading) => reading === new URL(request.url).searchParams.get("of"));
  const answer = of ? await askTool(of) : { says: "This tool does not exist." };
  return Response.json(answer, { headers: { "Cache-Control": "no-store" } });
}
