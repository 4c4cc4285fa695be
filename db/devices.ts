import { and, asc, eq, gt, isNull } from "drizzle-orm";
import { inTurn, type Store, within } from "./open";
import { devices, pairingCodes } from "./schema";

/** What a device may do: everything; the bench and the ledger; or only look at them. */
export const ROLES = ["owner", "hand", "looker-on"] as const;
export type Role = (typeof ROLES)[number];

export interface Device {
  id: string;
  name: string;
  role: Role;
  pairedAt: Date;
  seenAt: Date;
  putOutAt: Date | null;
}

/** Devices that a shop lists; those put out longest ago go. */
export const MOST_DEVICES = 40;
/** Seen is noted no more often than this. */
const SEEN_MILLISECONDS = 60_000;

export const listDevices = (store: Store): Promise<Device[]> =>
  within(store, (db) => db.select().from(devices).orderBy(asc(devices.pairedAt)));

export const deviceOf = (store: Store, id: string): Promise<Device | null> =>
  within(store, async (db) => (await db.select().from(devices).where(eq(devices.id, id)))[0] ?? null);

/** Keeps the digest of a code by which one device can be let in until it ends. */
export const addCode = (store: Store, code: { digest: string; role: Role; endsAt: Date }, now = new Date()) =>
  inTurn(store, async (db) => {
    await db.insert(pairingCodes).values({ ...code, madeAt: now });
  });

/** Lets a device in by a code, once; null where there is no such code, or it was used, or its time is over. */
export const pair = (
  store: Store,
  { digest, id, name }: { digest: string; id: string; name: string },
  now = new Date(),
): Promise<Device | null> =>
  inTurn(store, (db) =>
    db.transaction(
      async (tx): Promise<Device | null> => {
        const [code] = await tx
          .select()
          .from(pairingCodes)
          .where(and(eq(pairingCodes.digest, digest), isNull(pairingCodes.usedAt), gt(pairingCodes.endsAt, now)));
        if (!code) return null;
        const known = await tx
          .select({ id: devices.id, out: devices.putOutAt })
          .from(devices)
          .orderBy(asc(devices.putOutAt));
        if (known.length >= MOST_DEVICES) {
          const gone = known.find(({ out }) => out !== null);
          if (!gone) return null;
          await tx.delete(devices).where(eq(devices.id, gone.id));
        }
        await tx.update(pairingCodes).set({ usedAt: now }).where(eq(pairingCodes.digest, digest));
        const device: Device = { id, name, role: code.role, pairedAt: now, seenAt: now, putOutAt: null };
        await tx.insert(devices).values(device);
        return device;
      },
      { behavior: "immediate" },
    ),
  );

export const nameDevice = (store: Store, id: string, name: string) =>
  inTurn(store, async (db) => {
    await db.update(devices).set({ name }).where(eq(devices.id, id));
  });

/** Puts a device out: from now on it is asked to pair again, and what it still has to hand in is refused. */
export const putOut = (store: Store, id: string, now = new Date()) =>
  inTurn(store, async (db) => {
    await db.update(devices).set({ putOutAt: now }).where(eq(devices.id, id));
  });

/** Notes that a device was seen, once a minute at most. */
export async function noteSeen(store: Store, device: Device, now = new Date()) {
  if (now.getTime() - device.seenAt.getTime() < SEEN_MILLISECONDS) return;
  await inTurn(store, async (db) => {
    await db.update(devices).set({ seenAt: now }).where(eq(devices.id, device.id));
  });
}
