import type { Stage } from "#core/drying/gate";
import type { JudgedPhase, ZoneJudgement } from "#core/judge/judge";
import { readyAt } from "#core/schedule/films";
import type { Booking } from "#core/schedule/schedule";
import { inOneGo } from "#core/surface/one-go";
import type { ShopClock } from "#core/units/time-zone";
import { HOUR, type WallMinutes } from "#core/units/units";

/** A booking with the phase it is for; taking apart and putting together have none. */
export interface LaneBooking {
  booking: Booking;
  judged: ZoneJudgement | null;
  placed: JudgedPhase | null;
  /** the last film that a go lays: what dries when it is through; the same as `placed` for a single phase */
  dries: JudgedPhase | null;
  clock: ShopClock;
}

/** When each phase of each zone is through, by "zone:phase": with the last of its sections. */
export function endsOfPhases(items: readonly LaneBooking[]): Map<string, WallMinutes> {
  const ends = new Map<string, WallMinutes>();
  for (const { booking } of items)
    for (const { zoneId, phaseId } of booking.does) {
      const key = `${zoneId}:${phaseId}`;
      ends.set(key, Math.max(booking.ends, ends.get(key) ?? booking.ends));
    }
  return ends;
}

export interface Lane {
  id: string;
  name: string;
  note: string;
  bookings: readonly LaneBooking[];
}

export const TIGHT = 48 * HOUR;
export const LONG_WAIT = 12 * HOUR;

/** Gates of a phase, counted from when the coat below was really done. */
export function gatesHere(
  { judged, placed, clock }: LaneBooking,
  ends: ReadonlyMap<string, WallMinutes>,
  start: WallMinutes,
): { opens: WallMinutes; shuts: WallMinutes | null; reason: string; stage: Stage; from: string }[] {
  if (!judged || !placed) return [];
  return placed.demands.flatMap((demand) => {
    const from = ends.get(`${judged.zone.id}:${demand.from}`);
    if (from === undefined || inOneGo(placed.phase, demand.from)) return [];
    return judged.climate.gates(demand.label, demand.coat, from - start).map((gate) => ({
      opens: clock.after(from, gate.opens.safe),
      shuts: gate.shuts ? clock.after(from, gate.shuts.safe) : null,
      reason: demand.reason,
      stage: gate.stage,
      from: demand.from,
    }));
  });
}

/** When what an item leaves is ready for what comes next. */
export function readyOf({ judged, dries, booking, clock }: LaneBooking, start: WallMinutes): WallMinutes | null {
  return judged && dries ? readyAt(judged, dries, booking.ends, start, clock) : null;
}

/** A time is set for the first section of a go; the others follow it. */
export const takesATime = ({ section }: Booking): boolean => section === null || section.at === 1;
