import { redirect } from "react-router";
import type { Route } from "./+types/job-start";

export function loader({ params }: Route.LoaderArgs) {
  return redirect(`/jobs/${params.planId}/crust`);
}
