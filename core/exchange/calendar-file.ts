import { findCrust, type Plan, zonesOf } from "../plan/plan.ts";
import type { Booking } from "../schedule/schedule.ts";
import type { WallMinutes } from "../units/units.ts";

/** One entry of a calendar: the work of a session at one zone. */
export interface CalendarEntry {
  id: string;
  starts: WallMinutes;
  ends: WallMinutes;
  title: string;
  about: string;
}

/** Bookings as a calendar shows them, each with its job, zone and note; what takes no time is left out. */
export function calendarEntries(plans: readonly Plan[], bookings: readonly Booking[]): CalendarEntry[] {
  const byId = new Map(plans.map((plan) => [plan.id, plan]));
  return bookings.flatMap((booking): CalendarEntry[] => {
    const plan = byId.get(booking.planId);
    if (!plan || booking.ends <= booking.starts) return [];
    const zone = zonesOf(plan).find(({ id }) => id === booking.zoneId);
    const piece = plan.pieces.find(({ id }) => id === booking.pieceId);
    const step = zone && findCrust(plan, zone.crustId)?.steps.find(({ id }) => id === booking.stepId);
    const where = [piece?.name, zone?.name].filter(Boolean).join(", ");
    return [
      {
        id: booking.id,
        starts: booking.starts,
        ends: booking.ends,
        title: zone ? `${booking.name}: ${zone.name}` : booking.name,
        about: [plan.title, where, step?.ratio && `Mix ${step.ratio}`, step?.note].filter(Boolean).join("\n"),
      },
    ];
  });
}

/**
 * The instant of a wall time in a time zone, in milliseconds since 1970 UTC. A time that the clocks skip in spring is taken as
 * that much later; of one that comes twice in autumn, the first.
 */
export function instantIn(timeZone: string, wall: WallMinutes): number {
  const format = new Intl.DateTimeFormat("en-US", {
    timeZone,
    hourCycle: "h23",
    year: "numeric",
    month: "numeric",
    day: "numeric",
    hour: "numeric",
    minute: "numeric",
  });
  const wallOf = (instant: number): number => {
    const part = Object.fromEntries(format.formatToParts(instant).map(({ type, value }) => [type, Number(value)]));
    return Date.UTC(part.year!, part.month! - 1, part.day!, part.hour!, part.minute!);
  };
  const asUtc = wall * 60_000;
  // before and after a change of clocks the zone lies differently off; the earlier instant that shows this wall time is it
  const offsets = [asUtc - 86_400_000, asUtc + 86_400_000].map((near) => wallOf(near) - near);
  const fits = offsets.map((offset) => asUtc - offset).filter((instant) => wallOf(instant) === asUtc);
  return fits.length > 0 ? Math.min(...fits) : asUtc - offsets[0]!;
}
