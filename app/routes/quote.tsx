import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { measurePhoto } from "#core/photo/measure";
import type { PiecePhoto } from "#core/plan/photo-marks";
import { Id } from "#core/plan/plan";
import { tryWays } from "#core/shelf/alternatives";
import { quoteOf } from "#core/shelf/quote";
import { listPhotos } from "#db/photos";
import { editPlan, getJob } from "#db/plans";
import { book } from "#db/shelf";
import { afterPaint } from "~/first/after-paint";
import { fieldsOf } from "~/forms/fields";
import { readForm } from "~/http/body.server";
import { jobPlanFor } from "~/http/plan-of-work.server";
import { noSuchJob, planIdOf, withStore } from "~/http/trouble.server";
import { noteWritten } from "~/http/written.server";
import { todayNow } from "~/shelf/today";
import { voiceOf } from "~/shelf/voice";
import type { Route } from "./+types/quote";

/** Photos of the piece on one quote. */
const MOST_PHOTOS = 2;

/** Whether something of it can be painted: a face of a zone whose size is known. */
const isPainted = (photo: PiecePhoto) => {
  const { sizes } = measurePhoto(photo);
  return photo.faces.some(({ id, zoneId }) => zoneId !== undefined && sizes.some(({ faceId }) => faceId === id));
};

export const loader = ({ params, request }: Route.LoaderArgs) =>
  withStore(async (store) => {
    const asked = new URL(request.url).searchParams;
    const shop = asked.get("for") === "shop";
    const planId = planIdOf(params);
    const found = await getJob(store, planId);
    if (!found) throw noSuchJob(planId);
    const { job, shop: own } = await jobPlanFor(store, found.plan);
    const { document } = await book.get(store);
    const { cost, ...quote } = quoteOf({ plan: found.plan, book: document, job, today: todayNow() });
    // the page for the client holds no figure of the shop's own, not even where it cannot be seen
    const { measures, numbers, costing } = document;
    const kept = new Set((await listPhotos(store, planId, "piece")).photos.map((photo) => photo.id));
    const photos = (found.plan.photos ?? [])
      .filter((photo) => kept.has(photo.id) && isPainted(photo))
      .slice(0, MOST_PHOTOS)
      .map(({ id, width, height }) => ({ id, width, height }));
    return {
      id: planId,
      voice: voiceOf({ measures, numbers, costing }),
      quote: { ...quote, photos },
      inside: shop ? { cost, hourly: costing.hourly, version: found.version, token: nanoid(10) } : null,
      ways: shop && asked.has("ways") ? tryWays(found.plan, own, document) : null,
    };
  });

/** Uses one of the other ways: the edit that it stands for, if the job is still the one it was tried on. */
export async function action({ params, request }: Route.ActionArgs) {
  const planId = planIdOf(params);
  const fields = fieldsOf(await readForm(request));
  return withStore(async (store) => {
    const found = await getJob(store, planId);
    if (!found) throw noSuchJob(planId);
    const { shop } = await jobPlanFor(store, found.plan);
    const way = tryWays(found.plan, shop, (await book.get(store)).document).find(({ id }) => id === fields.way);
    const written = way
      ? await editPlan(store, planId, {
          id: Id.safeParse(fields.edit).data ?? nanoid(),
          base: Number(fields.base),
          label: way.label,
          commands: way.commands,
        })
      : null;
    if (written?.is !== "written")
      return data(
        { says: "The job was changed in the meantime, so this was not done. Compare again." },
        { status: 409 },
      );
    noteWritten(written.plan);
    return redirect(`/jobs/${planId}/quote?for=shop&ways=yes`);
  });
}

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `Quote: ${loaderData?.quote.title ?? ""}` }];

export default afterPaint(() => import("~/views/quote"));
