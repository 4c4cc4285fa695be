import { z } from "zod";
import { Commands } from "#core/edit/command";
import { LEDGER_LIMITS, type LedgerAir, LedgerEvent } from "#core/ledger/event";
import { replay } from "#core/ledger/replay";
import { stepThen } from "#core/ledger/step-then";
import { usedFor } from "#core/ledger/used";
import { Id, type Plan } from "#core/plan/plan";
import { potsOf } from "#core/shelf/stock";
import { instantIn } from "#core/units/time-zone";
import { type HandedIn, ledgerOf, logLines, tellChanges } from "#db/ledger";
import type { Store } from "#db/open";
import { getJob } from "#db/plans";
import { getStock, writeMovements } from "#db/shelf";
import { getShop } from "#db/shop";
import { askSensor, sensorAddress } from "./room-sensor.server";
import { noteWritten } from "./written.server";

/** What a device hands in at once: lines of several jobs, in the order in which they happened. */
export const HandIn = z.strictObject({
  /** milliseconds, by the device's own clock, when this was sent */
  sentAt: z.int().min(0).max(9_999_999_999_999),
  lines: z
    .array(
      z.strictObject({
        planId: Id,
        events: z.array(LedgerEvent).min(1).max(8),
        edit: z
          .strictObject({ id: z.string().min(4).max(64), label: z.string().min(1).max(200), commands: Commands })
          .nullable(),
      }),
    )
    .min(1)
    .max(LEDGER_LIMITS.handIn),
});
export type HandIn = z.infer<typeof HandIn>;

export interface HandInResult {
  /** the first line's id */
  id: string;
  is: "logged" | "missing" | "full" | "refused";
  says: string | null;
}

/** A clock that is this far off by nothing but the way there is right. */
const RIGHT_ENOUGH = 2000;
/** A reading of the room's air belongs to what happened so shortly before. */
const SAME_AIR = 30 * 60_000;
const AIR_KEPT = 60_000;

let lastAir: { at: number; air: LedgerAir | null } | null = null;

/** The room's air now, if the shop has a sensor that answers; asked once a minute at most. */
export async function airNow(now = Date.now()): Promise<LedgerAir | null> {
  if (lastAir && now - lastAir.at < AIR_KEPT) return lastAir.air;
  const address = sensorAddress(process.env);
  const answer = address === null ? null : await askSensor(address);
  const latest = answer?.ok ? answer.latest : undefined;
  const air: LedgerAir | null = latest
    ? {
        celsius: Math.round(latest.celsius * 10) / 10,
        relativeHumidity: Math.round(latest.relativeHumidity),
        from: "sensor",
      }
    : null;
  lastAir = { at: now, air };
  return air;
}

/** Minutes by which the clock on the shop's wall is ahead of UTC at an instant. */
export async function offsetAt(store: Store, at: number): Promise<number> {
  const { timeZone } = (await getShop(store)).shop.hours;
  if (timeZone === undefined) return -new Date(at).getTimezoneOffset();
  // the offset whose wall time is this instant again
  const near = Math.floor(at / 60_000);
  for (const minutes of [0, 60, 120, -60]) {
    const offset = near + minutes - instantIn(timeZone, near + minutes) / 60_000;
    if (instantIn(timeZone, near + offset) === near * 60_000) return Math.round(offset);
  }
  return Math.round(near - instantIn(timeZone, near) / 60_000);
}

/** Books what finished coats took off the shelf; what is booked already stays as it is. */
async function bookUsed(store: Store, plan: Plan, fresh: ReadonlySet<string>) {
  const lines = await ledgerOf(store, plan.id);
  const ends = lines.filter(({ event }) => event.kind === "end" && fresh.has(event.id));
  if (ends.length === 0) return;
  const state = replay(lines.map(({ event }) => event));
  // a second press of Done takes nothing a second time
  const counted = new Set(state.lines.filter(({ remark }) => remark === null).map(({ event }) => event.id));
  for (const { event } of ends) {
    if (!counted.has(event.id)) continue;
    const { movements } = await getStock(store);
    const list = usedFor(plan, event, state, potsOf(movements));
    if (list.length === 0) continue;
    await writeMovements(store, {
      batch: event.id,
      label: `Used at the bench: ${event.step?.name ?? plan.title}`.slice(0, 120),
      list,
      asTheyAre: true,
    });
  }
}

export interface LogOptions {
  device?: string | null;
  by?: string | null;
  now?: number;
  /** how far the device's clock was behind the shop's, in milliseconds */
  behind?: number;
}

/**
 * Adds the lines of one press to a job's ledger, their times put right by the device's offset, with the room's air and the step as
 * it is now; books what it took; and tells what it changed.
 */
export async function logPress(
  store: Store,
  { planId, events, edit }: HandIn["lines"][number],
  { device = null, by = null, now = Date.now(), behind = 0 }: LogOptions = {},
): Promise<HandInResult & { changed: string | null }> {
  const id = events[0]!.id;
  const job = await getJob(store, planId);
  if (!job) return { id, is: "missing", says: "That job is no longer there.", changed: null };
  const air = await airNow(now);
  const handed: HandedIn[] = [];
  for (const event of events) {
    // nothing that was logged can lie ahead
    const at = Math.min(now, event.at + behind);
    const step = event.step ?? stepThen(job.plan, event);
    handed.push({
      claimedAt: event.at,
      event: {
        ...event,
        at,
        offset: await offsetAt(store, at),
        ...(device ? { device } : {}),
        ...(event.by === undefined && by ? { by } : {}),
        ...(event.air === undefined && air && now - at < SAME_AIR ? { air } : {}),
        ...(step ? { step } : {}),
      },
    });
  }
  const logged = await logLines(store, planId, handed, edit, new Date(now));
  if (logged.is === "missing") return { id, is: "missing", says: "That job is no longer there.", changed: null };
  if (logged.is === "full") return { id, is: "full", says: logged.because, changed: null };
  if (logged.fresh.length === 0) return { id, is: "logged", says: null, changed: null };
  noteWritten(logged.plan);
  await bookUsed(store, logged.plan, new Set(logged.fresh));
  const changed = await tellChanges(store, planId, job.plan, logged.plan, logged.fresh);
  const says = logged.refused ? `It is in the ledger; the plan was left as it is. ${logged.refused}` : null;
  return { id, is: "logged", says, changed };
}

/** How far a device's clock is behind the shop's, in milliseconds; 0 where that is only the way between them. */
export function behindOf(sentAt: number, now: number): number {
  const behind = now - sentAt;
  return Math.abs(behind) <= RIGHT_ENOUGH ? 0 : behind;
}
