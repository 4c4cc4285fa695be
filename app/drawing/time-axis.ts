import type { Hours } from "#core/plan/hours";
import { workingWindows } from "#core/schedule/calendar";
import { DAY, type Minutes, type WallMinutes } from "#core/units/units";

export interface Stretch {
  from: WallMinutes;
  to: WallMinutes;
  open: boolean;
  x0: number;
  x1: number;
}

export interface TimeAxis {
  stretches: Stretch[];
  days: { midnight: WallMinutes; x0: number; x1: number; works: boolean }[];
  /** where an instant lies, clamped to the axis */
  at: (wall: WallMinutes) => number;
  /** the instant at a place, to the minute */
  wallAt: (x: number) => WallMinutes;
}

/** A closed minute gets this much of the width of an open one; a day with no work gets less still. */
const CLOSED = 0.085;
const FREE_DAY = 0.022;

/** An axis on which working hours get most of the room and nights are squeezed. */
export function timeAxis(
  hours: Hours,
  firstMidnight: WallMinutes,
  dayCount: number,
  left: number,
  width: number,
): TimeAxis {
  const end = firstMidnight + dayCount * DAY;
  const windows = workingWindows(hours, firstMidnight, dayCount);
  const worksOn = (midnight: WallMinutes) =>
    windows.some((window) => window.opens >= midnight && window.opens < midnight + DAY);
  const parts: { from: WallMinutes; to: WallMinutes; open: boolean; weight: number }[] = [];
  const push = (from: WallMinutes, to: WallMinutes, open: boolean) => {
    for (let at = from; at < to; ) {
      const midnight = Math.floor(at / DAY) * DAY;
      const stop = Math.min(to, midnight + DAY);
      parts.push({
        from: at,
        to: stop,
        open,
        weight: (stop - at) * (open ? 1 : worksOn(midnight) ? CLOSED : FREE_DAY),
      });
      at = stop;
    }
  };
  let at = firstMidnight;
  for (const window of windows) {
    push(at, window.opens, false);
    push(window.opens, Math.min(window.shuts, end), true);
    at = window.shuts;
  }
  push(at, end, false);
  const total: Minutes = parts.reduce((sum, part) => sum + part.weight, 0) || 1;
  let x = left;
  const stretches = parts.map(({ from, to, open, weight }): Stretch => {
    const x0 = x;
    x += (weight / total) * width;
    return { from, to, open, x0, x1: x };
  });
  const position = (wall: WallMinutes): number => {
    const part = stretches.find((one) => wall < one.to) ?? stretches.at(-1)!;
    const share = Math.max(0, Math.min(1, (wall - part.from) / (part.to - part.from)));
    return part.x0 + (part.x1 - part.x0) * share;
  };
  const days = Array.from({ length: dayCount }, (_, index) => {
    const midnight = firstMidnight + index * DAY;
    return { midnight, x0: position(midnight), x1: position(midnight + DAY - 0.001), works: worksOn(midnight) };
  });
  const wallAt = (x: number): WallMinutes => {
    const part = stretches.find((one) => x < one.x1) ?? stretches.at(-1)!;
    const share = Math.max(0, Math.min(1, (x - part.x0) / (part.x1 - part.x0 || 1)));
    return Math.round(part.from + share * (part.to - part.from));
  };
  return { stretches, days, at: position, wallAt };
}
