import type { ShouldRevalidateFunctionArgs } from "react-router";
import { listPhotos, type PhotoShelf } from "#db/photos";
import { afterPaint } from "~/first/after-paint";
import { jobAction } from "~/http/job-action.server";
import { isPhotoForm, photoAction } from "~/http/photo-action.server";
import { planIdOf, withStore } from "~/http/trouble.server";
import type { Route } from "./+types/board";

export const loader = ({ params }: Route.LoaderArgs) => withStore((store) => listPhotos(store, planIdOf(params)));

/** Where the server does not answer, the board is still drawn, without the photos. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  serverLoader().catch((error): PhotoShelf => {
    if (error instanceof TypeError) return { photos: [], removed: null };
    throw error;
  });

export const action = ({ request, params }: Route.ActionArgs) =>
  isPhotoForm(request) ? photoAction(request, params) : jobAction(request, params);

/** Scrubbing changes the address and nothing on the server: photos are loaded again only when a form was sent. */
export const shouldRevalidate = ({ formMethod, currentParams, nextParams }: ShouldRevalidateFunctionArgs) =>
  formMethod !== undefined || currentParams.planId !== nextParams.planId;

export default afterPaint(() => import("~/views/board"));
