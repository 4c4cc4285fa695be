import { DAY, HOUR, type Minutes } from "./units.ts";

// How every length of time is said and read. "3 h 20 min" in sentences, "3 h 20" where room is short.

const WEEK = 7 * DAY;

const dayWord = (days: number) => (days === 1 ? "1 day" : `${days} days`);

/** Hours and minutes up to a day, days and whole hours up to a week, then whole days. */
function say(minutes: Minutes, minuteWord: string): string {
  const whole = Math.round(Math.abs(minutes));
  if (whole < HOUR) return `${whole} min`;
  if (whole <= DAY) {
    const rest = whole % HOUR;
    const hours = `${Math.floor(whole / HOUR)} h`;
    return rest === 0 ? hours : `${hours} ${String(rest).padStart(2, "0")}${minuteWord}`;
  }
  const hours = Math.round(whole / HOUR);
  if (hours <= 24) return "24 h";
  if (whole >= WEEK) return dayWord(Math.round(whole / DAY));
  return hours % 24 === 0 ? dayWord(hours / 24) : `${dayWord(Math.floor(hours / 24))} ${hours % 24} h`;
}

/**
 * A length of time inside a sentence: "40 min", "3 h 20 min", "24 h", "1 day 12 h", "30 days".
 * To the minute up to a day, to the hour up to a week, then to the day.
 * @example sayDuration(200) // "3 h 20 min"
 */
export const sayDuration = (minutes: Minutes): string => say(minutes, " min");

/**
 * The same for a column or a button: "3 h 20".
 * @example shortDuration(200) // "3 h 20"
 */
export const shortDuration = (minutes: Minutes): string => say(minutes, "");

/**
 * A length of time to the minute, for a field that is read back: "1 day 1 h 10".
 * @example writeDuration(1500) // "1 day 1 h"
 */
export function writeDuration(minutes: Minutes): string {
  const whole = Math.round(Math.abs(minutes));
  const [days, rest] = whole > DAY ? [Math.floor(whole / DAY), whole % DAY] : [0, whole];
  if (days > 0 && rest === 0) return dayWord(days);
  const time = rest < HOUR && days > 0 ? `${rest} min` : say(rest, "");
  return days > 0 ? `${dayWord(days)} ${time}` : time;
}

/**
 * A range with its unit said once, where both ends have the same: "10–15 min", "1–2 days", otherwise "45 min to 2 h".
 * @example sayDurations(10, 15) // "10–15 min"
 */
export function sayDurations(from: Minutes, to: Minutes): string {
  const [low, high] = [shortDuration(from), shortDuration(to)];
  if (low === high) return low;
  const [least, most] = [low, high].map((text) => /^(\d+) (min|h|days?)$/.exec(text));
  return least && most && least[2]!.replace("s", "") === most[2]!.replace("s", "")
    ? `${least[1]}–${most[1]} ${most[2]}`
    : `${low} to ${high}`;
}

/**
 * Says a difference with its sign: "+2 days", "−4 h", "no extra time".
 * @example sayDifference(-90) // "−1 h 30"
 */
export function sayDifference(minutes: Minutes): string {
  if (Math.round(minutes) === 0) return "no extra time";
  return `${minutes > 0 ? "+" : "−"}${shortDuration(minutes)}`;
}

const PARTS =
  /^(?:(\d+(?:\.\d+)?)\s*(?:d|days?))?\s*(?:(\d+(?:\.\d+)?)\s*(?:h|hours?))?\s*(?:(\d+)\s*(?:m|min|minutes?)?)?$/i;

/**
 * Reads a length of time as a painter writes it: "45", "45 min", "2 h", "1 h 30", "2 days". Whole minutes.
 * Null for anything else, and for less than nothing.
 * @example readDuration("1 h 30") // 90
 */
export function readDuration(text: string): Minutes | null {
  const trimmed = text.trim();
  const parts = PARTS.exec(trimmed);
  if (!/\d/.test(trimmed) || !parts) return null;
  const [days = "0", hours = "0", minutes = "0"] = parts.slice(1);
  return Math.round(Number(days) * DAY + Number(hours) * HOUR + Number(minutes));
}
