import { ShopClock } from "../units/time-zone.ts";
import type { WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import type { Schedule } from "./schedule.ts";
import { hoursOf, taskId, type Work } from "./work.ts";

export interface Dates {
  /** the last work is done */
  finish: WallMinutes;
  /** touch dry everywhere: it may leave */
  leaves: WallMinutes;
  /** dry through everywhere: gentle use */
  lightUse: WallMinutes;
  /** every film cured */
  fullUse: WallMinutes;
  /** the same by the typical figures of the tins instead of the safe ones */
  typically: { leaves: WallMinutes; lightUse: WallMinutes; fullUse: WallMinutes };
}

/**
 * The dates a customer wants to know, from the shop's own hours and the room's own air; null if there is nothing to
 * do.
 */
export function datesOf(work: Work, { bookings }: Pick<Schedule, "bookings">): Dates | null {
  const { plan, judgement } = work;
  const own = bookings.filter(({ planId }) => planId === plan.id);
  if (own.length === 0) return null;
  const start = readWallTime(plan.start)!;
  const clock = new ShopClock(start, hoursOf(work).timeZone);
  const finish = own.reduce((last, { ends }) => Math.max(last, ends), Number.NEGATIVE_INFINITY);
  const dates: Dates = {
    finish,
    leaves: finish,
    lightUse: finish,
    fullUse: finish,
    typically: { leaves: finish, lightUse: finish, fullUse: finish },
  };
  const endsOf = new Map<string, WallMinutes>();
  for (const { does, ends } of own)
    for (const { zoneId, phaseId } of does) {
      const id = taskId(plan.id, zoneId, phaseId);
      endsOf.set(id, Math.max(ends, endsOf.get(id) ?? ends));
    }
  for (const { zone, climate, phases } of judgement.zones)
    for (const { phase, coat } of phases) {
      const ends = endsOf.get(taskId(plan.id, zone.id, phase.id));
      if (!phase.material || !coat || ends === undefined) continue;
      const { touch, beforeClear, cure } = phase.material.drying;
      const after = (stage: "touch" | "through" | "cure", minutes: number) =>
        clock.after(ends, Math.ceil(climate.takes(coat, stage, ends - start, minutes)));
      const { typically } = dates;
      dates.leaves = Math.max(dates.leaves, after("touch", touch.safe));
      dates.lightUse = Math.max(dates.lightUse, after("through", beforeClear.safe));
      dates.fullUse = Math.max(dates.fullUse, after("cure", cure.safe));
      typically.leaves = Math.max(typically.leaves, after("touch", touch.typical));
      typically.lightUse = Math.max(typically.lightUse, after("through", beforeClear.typical));
      typically.fullUse = Math.max(typically.fullUse, after("cure", cure.typical));
    }
  return dates;
}
