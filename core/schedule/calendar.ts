import type { Hours } from "../plan/hours.ts";
import { DAY, type Minutes, type WallMinutes } from "../units/units.ts";
import { midnightBefore, sayWallTime, weekday } from "../units/wall-time.ts";

export interface Window {
  opens: WallMinutes;
  shuts: WallMinutes;
}

/** When there is work at all, whoever does it. */
export type Open = Pick<Hours, "weekdays" | "exceptions">;

/** The working hours of a day: its exception's if it has one, otherwise its weekday's. */
function stretchesOn({ weekdays, exceptions }: Open, midnight: WallMinutes): [number, number][] {
  if (exceptions.length > 0) {
    const date = sayWallTime(midnight).slice(0, 10);
    const exception = exceptions.find(({ on }) => on === date);
    if (exception) return [...exception.stretches];
  }
  return [...weekdays[weekday(midnight)]!];
}

/** Working windows from an instant on, for so many days, in order. A window already begun is cut at the instant. */
export function workingWindows(hours: Open, from: WallMinutes, days: number): Window[] {
  const windows: Window[] = [];
  const first = midnightBefore(from);
  for (let day = 0; day < days; day++) {
    const midnight = first + day * DAY;
    const today = stretchesOn(hours, midnight).sort((a, b) => a[0] - b[0]);
    for (const [opens, shuts] of today) {
      const window = { opens: Math.max(from, midnight + opens), shuts: midnight + shuts };
      if (window.shuts <= window.opens) continue;
      const last = windows.at(-1);
      if (last && last.shuts >= window.opens) last.shuts = Math.max(last.shuts, window.shuts);
      else windows.push(window);
    }
  }
  return windows;
}

/** The longest unbroken window of an ordinary week. */
export function longestWindow(hours: Open): Minutes {
  return Math.max(0, ...workingWindows(hours, 0, 14).map((window) => window.shuts - window.opens));
}
