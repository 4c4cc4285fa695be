import type { Schedule, ScheduleOptions } from "./booking.ts";
import { Scheduler } from "./scheduler.ts";
import type { Work } from "./work.ts";

/**
 * Dates for all work of some jobs: every wait, window, working hour and painter respected, or reported as impossible
 * with the smallest set of claims that cannot all be met. Without a budget quick and the same every time; with one,
 * the best found in it, with a bound.
 */
export function schedule(works: readonly Work[], options: ScheduleOptions = {}): Schedule {
  if (works.length === 0)
    return { start: 0, bookings: [], lies: [], clashes: [], finish: null, visits: 0, lowerBound: null, proven: true };
  return new Scheduler(works, options).run();
}

export type { Booking, Lies, Schedule, ScheduleOptions } from "./booking.ts";
export type { Clash } from "./clash-words.ts";
export type { Work } from "./work.ts";
