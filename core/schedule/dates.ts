import type { Judgement } from "../judge/judge.ts";
import type { WallMinutes } from "../units/units.ts";
import type { Schedule } from "./schedule.ts";

export interface Dates {
  /** the last work is done */
  finish: WallMinutes;
  /** touch dry everywhere: it may leave */
  leaves: WallMinutes;
  /** every film cured */
  fullUse: WallMinutes;
}

/** The dates a customer asks for, from the shop's own hours; null where there is nothing to do. */
export function datesOf(judgement: Judgement, schedule: Schedule): Dates | null {
  if (schedule.finish === null) return null;
  const materials = new Map(
    judgement.zones.flatMap(({ zone, phases }) =>
      phases.map(({ phase }) => [`${zone.id}:${phase.id}`, phase.material]),
    ),
  );
  let leaves = schedule.finish;
  let fullUse = schedule.finish;
  for (const booking of schedule.bookings) {
    const material = materials.get(booking.id);
    if (!material) continue;
    leaves = Math.max(leaves, booking.ends + material.drying.touch.safe);
    fullUse = Math.max(fullUse, booking.ends + material.drying.cure.safe);
  }
  return { finish: schedule.finish, leaves, fullUse };
}
