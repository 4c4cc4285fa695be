import { listPhotos, type PhotoShelf } from "#db/photos";
import { afterPaint } from "~/first/after-paint";
import { jobAction } from "~/http/job-action.server";
import { isPhotoForm, photoAction } from "~/http/photo-action.server";
import { planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/on-photo";

export const loader = ({ params }: Route.LoaderArgs) =>
  withStore((store) => listPhotos(store, planIdOf(params), "piece"));

/** Where the server does not answer, what was marked is still there. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  serverLoader().catch((error): PhotoShelf => {
    if (error instanceof TypeError) return { photos: [], removed: null };
    throw error;
  });

export const action = ({ request, params }: Route.ActionArgs) =>
  isPhotoForm(request) ? photoAction(request, params) : jobAction(request, params);

export const shouldRevalidate = ({ formMethod }: { formMethod?: string }) => formMethod !== undefined;

export default afterPaint(() => import("~/views/on-photo"));
