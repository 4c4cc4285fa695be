import type { Judgement } from "../judge/judge.ts";
import type { WallMinutes } from "../units/units.ts";
import { activityId } from "./network.ts";
import type { Schedule } from "./schedule.ts";

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

/** The dates a customer asks for, from the shop's own hours and the room's own air; null where there is nothing to do. */
export function datesOf(judgement: Judgement, { finish, bookings, start }: Schedule): Dates | null {
  if (finish === null) return null;
  const dates: Dates = {
    finish,
    leaves: finish,
    lightUse: finish,
    fullUse: finish,
    typically: { leaves: finish, lightUse: finish, fullUse: finish },
  };
  const endsOf = new Map(bookings.map((booking) => [booking.id, booking.ends]));
  for (const { zone, climate, phases } of judgement.zones)
    for (const { phase, coat } of phases) {
      const ends = endsOf.get(activityId(zone.id, phase.id));
      if (!phase.material || !coat || ends === undefined) continue;
      const { touch, beforeClear, cure } = phase.material.drying;
      const after = (stage: "touch" | "through" | "cure", minutes: number) =>
        ends + Math.ceil(climate.takes(coat, stage, ends - start, minutes));
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
