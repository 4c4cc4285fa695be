import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { nanoid } from "nanoid";
import { z } from "zod";
import { readPlanFile, writePlanFile } from "#core/exchange/plan-file";
import { LEDGER_LIMITS, LedgerEvent } from "#core/ledger/event";
import { Id, LIMITS, type Plan } from "#core/plan/plan";
import { ledgerOf, logLines } from "#db/ledger";
import type { Store } from "#db/open";
import { addPhoto, allPhotos, getPhoto, MOST_PHOTOS } from "#db/photos";
import { addPlan, isKnown } from "#db/plans";
import { readPhoto } from "./photo.server";

// A job with everything that belongs to it, as one file: its plan as a crust file, its ledger, its photos. A zip, so that anybody can
// look inside.

const PLAN = "job.crust.json";
const LEDGER = "ledger.json";
const PHOTOS = "photos.json";
const photoFile = (id: string) => `photos/${id}.jpg`;

const KeptLines = z
  .array(
    z.object({
      event: LedgerEvent,
      cameAt: z.number(),
      claimedAt: z.number().nullable(),
      changed: z.string().nullable(),
    }),
  )
  .max(LEDGER_LIMITS.lines);
const KeptPhotos = z
  .array(
    z.object({
      id: Id,
      kind: z.enum(["board", "piece"]).default("board"),
      zoneId: Id,
      stepId: Id.nullable(),
      note: z.string().max(200),
    }),
  )
  .max(MOST_PHOTOS);

/** A zip may not grow to more than this. */
const MOST_BYTES = 120_000_000;

export const isArchive = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** A job as an archive. */
export async function archiveOf(store: Store, plan: Plan): Promise<Uint8Array> {
  const photos = await allPhotos(store, plan.id);
  const files: Record<string, Uint8Array> = {
    [PLAN]: strToU8(writePlanFile(plan)),
    [LEDGER]: strToU8(JSON.stringify(await ledgerOf(store, plan.id))),
    [PHOTOS]: strToU8(
      JSON.stringify(photos.map(({ id, kind, zoneId, stepId, note }) => ({ id, kind, zoneId, stepId, note }))),
    ),
  };
  for (const { id } of photos) {
    const jpeg = await getPhoto(store, plan.id, id);
    if (jpeg) files[photoFile(id)] = new Uint8Array(jpeg);
  }
  return zipSync(files, { level: 1 });
}

type Imported = { ok: true; id: string; plan: Plan } | { ok: false; says: string };

/** Reads an archive as from a stranger and adds its job beside those that are here. */
export async function importArchive(store: Store, bytes: Uint8Array): Promise<Imported> {
  let whole = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        whole += originalSize;
        return (
          whole <= MOST_BYTES &&
          (name === PLAN || name === LEDGER || name === PHOTOS || /^photos\/[\w-]{1,60}\.jpg$/.test(name))
        );
      },
    });
  } catch {
    return { ok: false, says: "The archive is damaged. Export the job again." };
  }
  if (!files[PLAN]) return { ok: false, says: `There is no ${PLAN} in this archive.` };
  if (files[PLAN].length > LIMITS.projectFileBytes)
    return { ok: false, says: "The plan in this archive is over 5 MB." };
  const read = readPlanFile(strFromU8(files[PLAN]));
  if (!read.ok) return { ok: false, says: `${read.faults[0]!.where} ${read.faults[0]!.says}`.trim() };
  const parsed = (name: string): unknown => {
    try {
      return files[name] ? JSON.parse(strFromU8(files[name])) : [];
    } catch {
      return null;
    }
  };
  const lines = KeptLines.safeParse(parsed(LEDGER));
  if (!lines.success) return { ok: false, says: `${LEDGER} in this archive cannot be read.` };
  const photos = KeptPhotos.safeParse(parsed(PHOTOS));
  if (!photos.success) return { ok: false, says: `${PHOTOS} in this archive cannot be read.` };
  // a job with this id stays as it is; the archive is added beside it, with ids of its own
  const beside = await isKnown(store, read.plan.id);
  const id = beside ? `import-${nanoid(10)}` : read.plan.id;
  const own = (text: string) => (beside ? `${text.slice(0, 44)}-${id.slice(-10)}` : text);
  // what is marked on photos goes with them under their new ids
  const marked = read.plan.photos?.map((photo) => ({ ...photo, id: own(photo.id) }));
  const plan = { ...read.plan, id, ...(marked ? { photos: marked } : {}) };
  await addPlan(store, plan);
  for (const photo of photos.data) {
    const file = files[photoFile(photo.id)];
    const jpeg = file ? await readPhoto(new File([new Uint8Array(file)], "photo.jpg")) : null;
    if (jpeg?.ok)
      await addPhoto(store, id, {
        ...photo,
        id: own(photo.id),
        width: jpeg.width,
        height: jpeg.height,
        jpeg: jpeg.jpeg,
      });
  }
  const events = lines.data.map(({ event, claimedAt }) => {
    const named = { ...event, id: own(event.id) };
    const line =
      named.kind === "photo"
        ? { ...named, photoId: own(named.photoId) }
        : named.kind === "correction"
          ? { ...named, corrects: own(named.corrects) }
          : named;
    return { event: line, claimedAt: claimedAt ?? event.at };
  });
  if (events.length > 0) await logLines(store, id, events);
  return { ok: true, id, plan };
}
