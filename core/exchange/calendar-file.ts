import { sayMix } from "../plan/mix.ts";
import { findCrust, materialName, type Plan, zonesOf } from "../plan/plan.ts";
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

/** Bookings as calendar entries, each with its job, zone and note; what takes no time is left out. */
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
        about: [plan.title, where, step?.mix && `Mix ${sayMix(step.mix, materialName(plan))}`, step?.note]
          .filter(Boolean)
          .join("\n"),
      },
    ];
  });
}
