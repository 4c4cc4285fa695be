import { type Open, workingWindows } from "#core/schedule/calendar";
import { DAY, HOUR, type Minutes, type WallMinutes } from "#core/units/units";

export interface Stretch {
  from: WallMinutes;
  to: WallMinutes;
  open: boolean;
  x0: number;
  x1: number;
}

export interface TimeAxis {
  from: WallMinutes;
  to: WallMinutes;
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

/** An axis from one time to another on which working hours get most of the room and nights are squeezed. */
export function timeAxis(hours: Open, from: WallMinutes, end: WallMinutes, left: number, width: number): TimeAxis {
  const firstMidnight = Math.floor(from / DAY) * DAY;
  const dayCount = Math.ceil((end - firstMidnight) / DAY);
  const windows = workingWindows(hours, firstMidnight, dayCount)
    .map(({ opens, shuts }) => ({ opens: Math.max(opens, from), shuts: Math.min(shuts, end) }))
    .filter(({ opens, shuts }) => opens < shuts);
  const worksOn = (midnight: WallMinutes) =>
    windows.some((window) => window.opens < midnight + DAY && window.shuts > midnight);
  const parts: { from: WallMinutes; to: WallMinutes; open: boolean; weight: number }[] = [];
  const push = (begin: WallMinutes, to: WallMinutes, open: boolean) => {
    for (let at = begin; at < to; ) {
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
  let at = from;
  for (const window of windows) {
    push(at, window.opens, false);
    push(window.opens, window.shuts, true);
    at = window.shuts;
  }
  push(at, end, false);
  const total: Minutes = parts.reduce((sum, part) => sum + part.weight, 0) || 1;
  let x = left;
  const stretches = parts.map(({ from: begins, to, open, weight }): Stretch => {
    const x0 = x;
    x += (weight / total) * width;
    return { from: begins, to, open, x0, x1: x };
  });
  const position = (wall: WallMinutes): number => {
    const part = stretches.find((stretch) => wall < stretch.to) ?? stretches.at(-1)!;
    const share = Math.max(0, Math.min(1, (wall - part.from) / (part.to - part.from)));
    return part.x0 + (part.x1 - part.x0) * share;
  };
  const days = Array.from({ length: dayCount }, (_, index) => {
    const midnight = firstMidnight + index * DAY;
    return { midnight, x0: position(midnight), x1: position(midnight + DAY - 0.001), works: worksOn(midnight) };
  });
  const wallAt = (place: number): WallMinutes => {
    const part = stretches.find((stretch) => place < stretch.x1) ?? stretches.at(-1)!;
    const share = Math.max(0, Math.min(1, (place - part.x0) / (part.x1 - part.x0 || 1)));
    return Math.round(part.from + share * (part.to - part.from));
  };
  return { from, to: end, stretches, days, at: position, wallAt };
}

const LEAST_BETWEEN_MARKS = 26;
/** Hours between two labels; the fewest that have room are taken. */
const STEPS = [1, 2, 3, 6, 12] as const;

/** Hours to label inside the working windows: always multiples of the same step, so that they stand at even hours. */
export function hourMarks({ stretches, at }: TimeAxis): { wall: WallMinutes; x: number }[] {
  const open = stretches.filter((stretch) => stretch.open);
  const perHour = Math.max(0, ...open.map(({ from, to, x0, x1 }) => ((x1 - x0) / (to - from)) * HOUR));
  const step = STEPS.find((hours) => hours * perHour >= LEAST_BETWEEN_MARKS);
  if (step === undefined) return [];
  const marks: { wall: WallMinutes; x: number }[] = [];
  for (const { from, to } of open)
    for (let wall = Math.ceil(from / (step * HOUR)) * step * HOUR; wall <= to; wall += step * HOUR) {
      const x = at(wall === to ? wall - 0.001 : wall);
      // where one stretch ends and the next begins there may be an hour in both
      if (marks.length === 0 || x - marks.at(-1)!.x >= LEAST_BETWEEN_MARKS) marks.push({ wall, x });
    }
  return marks;
}
