import { nanoid } from "nanoid";
import { data, redirect } from "react-router";
import { findCrust, findZone, Id } from "#core/plan/plan";
import { addPhoto, MOST_PHOTOS, setPhotoRemoved } from "#db/photos";
import { getJob } from "#db/plans";
import { readForm } from "./body.server";
import { readPhoto } from "./photo.server";
import { noSuchJob, planIdOf, withStore } from "./trouble.server";

const MOST_NOTE = 200;

export interface PhotoResult {
  photoFault: string;
}

const refused = (photoFault: string, status = 422) => data<PhotoResult>({ photoFault }, { status });

const text = (form: FormData, name: string) => {
  const value = form.get(name);
  return typeof value === "string" ? value.trim() : "";
};

export const isPhotoForm = (request: Request): boolean =>
  request.headers.get("Content-Type")?.startsWith("multipart/form-data") ?? false;

/** Adds, removes or restores a photo; then back to the page it was sent from. */
export async function photoAction(request: Request, params: { planId: string }) {
  const planId = planIdOf(params);
  const form = await readForm(request);
  const does = text(form, "do");
  const url = new URL(request.url);
  const here = `${url.pathname}${url.search}`;
  return withStore(async (store) => {
    if (does === "remove photo" || does === "restore photo") {
      const done = await setPhotoRemoved(store, planId, text(form, "photo"), does === "remove photo");
      if (done === "missing") return refused("This photo is no longer there.", 404);
      if (done === "full")
        return refused(`A job can have ${MOST_PHOTOS} photos at most. Remove one, then restore this one.`);
      url.searchParams.delete("against");
      url.searchParams.delete("photo");
      return redirect(`${url.pathname}${url.search}`);
    }
    const note = text(form, "note");
    if (note.length > MOST_NOTE) return refused(`A note can have ${MOST_NOTE} characters at most.`);
    if (does === "add piece photo") {
      const pieceId = Id.safeParse(text(form, "piece"));
      const photo = await readPhoto(form.get("photo"));
      if (!photo.ok) return refused(photo.says);
      const { jpeg, width, height } = photo;
      const edit = Id.safeParse(text(form, "edit"));
      const id = edit.success ? edit.data : nanoid();
      const added = await addPhoto(store, planId, {
        id,
        kind: "piece",
        zoneId: pieceId.data ?? "piece",
        stepId: null,
        note,
        width,
        height,
        jpeg,
      });
      if (added === "missing") throw noSuchJob(planId);
      if (added === "full")
        return refused(`A job can have ${MOST_PHOTOS} photos at most. Remove one, then add this one again.`);
      return redirect(`${url.pathname}?photo=${id}&view=mark`);
    }
    if (does !== "add photo") return refused("The form arrived incomplete. Reload the page and try again.");
    const zoneId = Id.safeParse(text(form, "zone"));
    if (!zoneId.success) return refused("Choose the zone this board belongs to.");
    const stepId = Id.safeParse(text(form, "step"));
    const photo = await readPhoto(form.get("photo"));
    if (!photo.ok) return refused(photo.says);
    const { jpeg, width, height } = photo;
    const job = await getJob(store, planId);
    if (!job) throw noSuchJob(planId);
    const zone = findZone(job.plan, zoneId.data);
    if (!zone) return refused("This zone is no longer in the plan. Choose another, then add the photo again.");
    const steps = findCrust(job.plan, zone.crustId)?.steps ?? [];
    const edit = Id.safeParse(text(form, "edit"));
    const added = await addPhoto(store, planId, {
      id: edit.success ? edit.data : nanoid(),
      zoneId: zoneId.data,
      stepId: steps.some(({ id }) => id === stepId.data) ? (stepId.data ?? null) : null,
      note,
      width,
      height,
      jpeg,
    });
    if (added === "missing") throw noSuchJob(planId);
    if (added === "full")
      return refused(`A job can have ${MOST_PHOTOS} photos at most. Remove one, then add this one again.`);
    return redirect(here);
  });
}
