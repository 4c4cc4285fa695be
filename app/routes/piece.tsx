import { afterPaint } from "~/first/after-paint";
import { jobAction } from "~/http/job-action.server";
import type { Route } from "./+types/piece";

export const action = ({ request, params }: Route.ActionArgs) => jobAction(request, params);

export default afterPaint(() => import("~/views/piece"));
