import { nanoid } from "nanoid";
import { redirect } from "react-router";
import type { LedgerEvent } from "#core/ledger/event";
import { findCrust, findZone, Id } from "#core/plan/plan";
import type { Store } from "#db/open";
import { addPhoto, MOST_PHOTOS } from "#db/photos";
import { getJob } from "#db/plans";
import { readLogForm } from "~/bench/log-form";
import { type FormFields, fieldsOf } from "~/forms/fields";
import { callerOf } from "./access.server";
import { readForm } from "./body.server";
import { logPress, offsetAt } from "./log.server";
import { readPhoto } from "./photo.server";
import { troubleResponse, withStore } from "./trouble.server";

const refused = (says: string, status = 422) =>
  troubleResponse(status, "That was not written down", `${says} Go back and try again; nothing was lost.`);

/** Back to a page of the bench or of a job's ledger, and to nowhere else. */
const backTo = ({ to, plan }: FormFields) =>
  redirect(to && /^\/(bench|jobs\/[A-Za-z0-9_-]+\/ledger)(\?[^\s]*)?$/.test(to) ? to : plan ? "/bench" : "/");

/** Keeps the photo that a line of the ledger names, with those of the job; what is wrong with it, or null. */
export async function savePhoto(
  store: Store,
  planId: string,
  event: LedgerEvent | undefined,
  file: unknown,
): Promise<string | null> {
  if (event?.kind !== "photo") return "The form arrived incomplete.";
  const photo = await readPhoto(file);
  if (!photo.ok) return photo.says;
  const job = await getJob(store, planId);
  const [first] = event.on;
  const zone = job && first && findZone(job.plan, first.zoneId);
  const stepId = first?.phaseId.split(/[/~]/, 1)[0];
  const steps = zone ? (findCrust(job.plan, zone.crustId)?.steps ?? []) : [];
  const added = await addPhoto(store, planId, {
    id: event.photoId,
    zoneId: zone?.id ?? first?.zoneId ?? "",
    stepId: steps.some(({ id }) => id === stepId) ? (stepId ?? null) : null,
    note: (event.text ?? "").slice(0, 200),
    width: photo.width,
    height: photo.height,
    jpeg: photo.jpeg,
  });
  if (added === "missing") return "That job is no longer there.";
  return added === "full" ? `A job can have ${MOST_PHOTOS} photos at most. Remove one on its Board page.` : null;
}

/** Every form of the bench and of the ledger, sent without scripts; and photos. */
export async function benchAction(request: Request) {
  const form = await readForm(request);
  const fields = fieldsOf(form);
  return withStore(async (store) => {
    const planId = Id.safeParse(fields.plan).data;
    const job = planId ? await getJob(store, planId) : null;
    if (!job || !planId) throw refused("That job is no longer there.", 404);
    const caller = await callerOf(store, request);
    const device = caller.is === "device" ? caller.device.id : null;
    const at = Date.now();
    const id = Id.safeParse(fields.line).data ?? nanoid(16);
    const offset = await offsetAt(store, at);
    const read = readLogForm(fields, { plan: job.plan, id, at, offset });
    if (!read.ok) throw refused(read.says);
    const { ok: _, ...press } = read;
    const wrong = fields.kind === "photo" ? await savePhoto(store, planId, press.events[0], form.get("photo")) : null;
    if (wrong) throw refused(wrong);
    const result = await logPress(store, press, { device });
    if (result.is !== "logged") throw refused(result.says ?? "It could not be saved.");
    return backTo(fields);
  });
}
