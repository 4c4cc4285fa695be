import { DAY, type WallMinutes } from "./units.ts";

const WALL_TIME = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/;

/**
 * Reads "2026-11-30T09:00" as wall-clock minutes: the time on the shop's wall, in no time zone, so that a plan
 * reads the same wherever it is opened. Returns null for anything that is not a real date and time.
 * @example readWallTime("2026-11-30T09:00") // 29933820
 */
export function readWallTime(text: string): WallMinutes | null {
  const parts = WALL_TIME.exec(text);
  if (!parts) return null;
  const [year, month, day, hour, minute] = parts.slice(1).map(Number) as [number, number, number, number, number];
  const ms = Date.UTC(year, month - 1, day, hour, minute);
  return sayWallTime(ms / 60_000) === text ? ms / 60_000 : null;
}

/**
 * Writes wall-clock minutes as "2026-11-30T09:00".
 * @example sayWallTime(readWallTime("2026-11-30T09:00")) // "2026-11-30T09:00"
 */
export function sayWallTime(wall: WallMinutes): string {
  return new Date(Math.round(wall) * 60_000).toISOString().slice(0, 16);
}

/** Midnight at the beginning of the day that holds this instant. */
export function midnightBefore(wall: WallMinutes): WallMinutes {
  return Math.floor(wall / DAY) * DAY;
}

/**
 * Day of the week, 0 Monday to 6 Sunday. (1970-01-01 was a Thursday.)
 * @example weekday(readWallTime("2026-11-30T09:00")) // 0
 */
export function weekday(wall: WallMinutes): number {
  return (((Math.floor(wall / DAY) + 3) % 7) + 7) % 7;
}
