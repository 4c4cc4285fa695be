import { DAY, type WallMinutes } from "./units.ts";

// How every date and time of day is said: "Thu 3 Dec, 16:10". The same in every time zone and on both sides of the wire.

const at = (wall: WallMinutes) => new Date(wall * 60_000);
const format = (options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat("en-GB", { ...options, timeZone: "UTC" });

const DAY_NAME = format({ weekday: "short" });
const DATE = format({ weekday: "short", day: "numeric", month: "short" });
const DATE_AND_YEAR = format({ weekday: "short", day: "numeric", month: "short", year: "numeric" });
const LONG_DATE = format({ weekday: "long", day: "numeric", month: "long" });
const CLOCK = format({ hour: "2-digit", minute: "2-digit", hourCycle: "h23" });

/** "16:10" */
export const sayClock = (wall: WallMinutes) => CLOCK.format(at(wall));
/** From so many minutes after the date it is read beside, a date needs its year. */
const NEEDS_YEAR = 330 * DAY;
/** "Mon 24 Nov"; "Mon 24 Nov 2036" where it is nearly a year or more after the date it is read beside. */
export const sayDate = (wall: WallMinutes, beside: WallMinutes = wall) =>
  (wall - beside > NEEDS_YEAR ? DATE_AND_YEAR : DATE).format(at(wall)).replace(",", "");
/** "Mon 24 Nov 2036" */
export const sayFullDate = (wall: WallMinutes) => DATE_AND_YEAR.format(at(wall)).replace(",", "");
/** "Thu 3 Dec 2036, 16:10" */
export const sayFullMoment = (wall: WallMinutes) => `${sayFullDate(wall)}, ${sayClock(wall)}`;
/** "Monday 24 November" */
export const sayLongDate = (wall: WallMinutes) => LONG_DATE.format(at(wall)).replace(",", "");
/** "Monday 24 November 2036" */
export const sayLongFullDate = (wall: WallMinutes) => `${sayLongDate(wall)} ${at(wall).getUTCFullYear()}`;
/** "Mon 13:30", for a time in the week that is on view */
export const sayDayClock = (wall: WallMinutes) => `${DAY_NAME.format(at(wall))} ${sayClock(wall)}`;
/** "Thu 3 Dec, 16:10" */
export const sayMoment = (wall: WallMinutes, beside: WallMinutes = wall) =>
  `${sayDate(wall, beside)}, ${sayClock(wall)}`;
/** "09:00–10:30" */
export const sayClocks = (from: WallMinutes, to: WallMinutes) => `${sayClock(from)}–${sayClock(to)}`;
/** "Thu 3 Dec – Sat 5 Dec", or the one day */
export const sayDates = (from: WallMinutes, to: WallMinutes, beside: WallMinutes = from) =>
  sayDate(from) === sayDate(to, beside) ? sayDate(from) : `${sayDate(from)} – ${sayDate(to, beside)}`;
