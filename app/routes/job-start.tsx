import { redirect } from "react-router";
import { planIdOf } from "~/http/trouble.server";
import type { Route } from "./+types/job-start";

export function loader({ params }: Route.LoaderArgs) {
  return redirect(`/jobs/${planIdOf(params)}/crust`);
}
