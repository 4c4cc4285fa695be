import { and, asc, count, desc, eq, isNotNull, isNull } from "drizzle-orm";
import { type Database, inTurn, type Store, within } from "./open";
import { photos, plans } from "./schema";

/** Photos a job shows at most; removed ones do not count. */
export const MOST_PHOTOS = 60;

/** Whether it shows a board, or a whole piece that the finish is laid on. */
export type PhotoKind = (typeof photos.kind.enumValues)[number];

export interface Photo {
  id: string;
  kind: PhotoKind;
  /** the zone that a board belongs to; the piece, for a photo of one */
  zoneId: string;
  stepId: string | null;
  note: string;
  width: number;
  height: number;
  at: Date;
}

/** Takes the right to write at once: nothing is read first that another could change meanwhile. */
const IMMEDIATE = { behavior: "immediate" } as const;

const SHOWN = {
  id: photos.id,
  kind: photos.kind,
  zoneId: photos.zoneId,
  stepId: photos.stepId,
  note: photos.note,
  width: photos.width,
  height: photos.height,
  at: photos.at,
};

export interface PhotoShelf {
  photos: Photo[];
  /** the photo removed last, to be restored */
  removed: Photo | null;
}

/** All photos of a job that are shown, of either kind, the oldest first. */
export const allPhotos = (store: Store, planId: string): Promise<Photo[]> =>
  within(store, (db) =>
    db
      .select(SHOWN)
      .from(photos)
      .where(and(eq(photos.planId, planId), isNull(photos.removedAt)))
      .orderBy(asc(photos.at)),
  );

/** The photos of a job of one kind, the oldest first. */
export const listPhotos = (store: Store, planId: string, kind: PhotoKind = "board"): Promise<PhotoShelf> =>
  within(store, async (db) => {
    const shown = await db
      .select(SHOWN)
      .from(photos)
      .where(and(eq(photos.planId, planId), eq(photos.kind, kind), isNull(photos.removedAt)))
      .orderBy(asc(photos.at));
    const [removed] = await db
      .select(SHOWN)
      .from(photos)
      .where(and(eq(photos.planId, planId), eq(photos.kind, kind), isNotNull(photos.removedAt)))
      .orderBy(desc(photos.removedAt))
      .limit(1);
    return { photos: shown, removed: removed ?? null };
  });

/** The picture itself, as JPEG; null if there is none with that id. */
export const getPhoto = (store: Store, planId: string, id: string): Promise<Buffer | null> =>
  within(store, async (db) => {
    const [found] = await db
      .select({ jpeg: photos.jpeg })
      .from(photos)
      .where(and(eq(photos.planId, planId), eq(photos.id, id)));
    return found ? Buffer.from(found.jpeg) : null;
  });

type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];

async function shownCount(tx: Transaction, planId: string): Promise<number> {
  const shown = and(eq(photos.planId, planId), isNull(photos.removedAt));
  return (await tx.select({ photos: count() }).from(photos).where(shown))[0]?.photos ?? 0;
}

/** Of the removed photos, those removed longest ago are deleted for good: as many can be restored as a job shows. */
async function dropOldest(tx: Transaction, planId: string) {
  const old = await tx
    .select({ id: photos.id })
    .from(photos)
    .where(and(eq(photos.planId, planId), isNotNull(photos.removedAt)))
    .orderBy(desc(photos.removedAt))
    .limit(MOST_PHOTOS)
    .offset(MOST_PHOTOS);
  for (const { id } of old) await tx.delete(photos).where(eq(photos.id, id));
}

export type Added = "added" | "missing" | "full";

/** A photo to be saved; of a board, if it does not say. */
export type NewPhoto = Omit<Photo, "at" | "kind"> & { kind?: PhotoKind; jpeg: Buffer };

/** Saves a photo. Sent twice under one id, it is saved once. */
export const addPhoto = (store: Store, planId: string, photo: NewPhoto): Promise<Added> =>
  inTurn(store, (db) =>
    db.transaction(async (tx) => {
      const [plan] = await tx.select({ id: plans.id }).from(plans).where(eq(plans.id, planId));
      if (!plan) return "missing";
      if ((await shownCount(tx, planId)) >= MOST_PHOTOS) return "full";
      await dropOldest(tx, planId);
      await tx
        .insert(photos)
        .values({ ...photo, planId, at: new Date() })
        .onConflictDoNothing();
      return "added";
    }, IMMEDIATE),
  );

/** Removes a photo from the boards, or restores it if there is room. */
export const setPhotoRemoved = (
  store: Store,
  planId: string,
  id: string,
  removed: boolean,
): Promise<"done" | "missing" | "full"> =>
  inTurn(store, (db) =>
    db.transaction(async (tx) => {
      if (!removed && (await shownCount(tx, planId)) >= MOST_PHOTOS) return "full";
      const done = await tx
        .update(photos)
        .set({ removedAt: removed ? new Date() : null })
        .where(and(eq(photos.planId, planId), eq(photos.id, id)))
        .returning({ id: photos.id });
      return done.length > 0 ? "done" : "missing";
    }, IMMEDIATE),
  );
