import { afterPaint } from "~/first/after-paint";
import { jobAction } from "~/http/job-action.server";
import { sensorAddress } from "~/http/room-sensor.server";
import type { Route } from "./+types/house";

/** Whether the shop has a logger in the room. */
export const loader = () => ({ sensor: sensorAddress(process.env) !== null });

/** Where the server does not answer there is no sensor either; the rules can still be set. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  serverLoader().catch((error) => {
    if (error instanceof TypeError) return { sensor: false };
    throw error;
  });

export const action = ({ request, params }: Route.ActionArgs) => jobAction(request, params);

export default afterPaint(() => import("~/views/house"));
