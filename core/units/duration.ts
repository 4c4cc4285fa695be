import { DAY, HOUR, type Minutes } from "./units.ts";

/**
 * Says a length of time as a painter would: "40 min", "3 h", "2 h 30", "26 h", "3 days".
 * Whole minutes; below two days in hours, from there in days (halves kept).
 * @example sayDuration(90) // "1 h 30"
 */
export function sayDuration(minutes: Minutes): string {
  const whole = Math.round(Math.abs(minutes));
  if (whole < HOUR) return `${whole} min`;
  if (whole < 2 * DAY) {
    const rest = whole % HOUR;
    return rest === 0 ? `${whole / HOUR} h` : `${Math.floor(whole / HOUR)} h ${String(rest).padStart(2, "0")}`;
  }
  const days = Math.round((whole / DAY) * 2) / 2;
  return `${days} days`;
}

/** Says a difference with its sign: "+2 days", "−4 h", "no time". */
export function sayDifference(minutes: Minutes): string {
  if (Math.round(minutes) === 0) return "no extra time";
  return `${minutes > 0 ? "+" : "−"}${sayDuration(minutes)}`;
}

const PARTS =
  /^(?:(\d+(?:\.\d+)?)\s*(?:d|days?))?\s*(?:(\d+(?:\.\d+)?)\s*(?:h|hours?))?\s*(?:(\d+)\s*(?:m|min|minutes?)?)?$/i;

/**
 * Reads a length of time as a painter writes it: "45", "45 min", "2 h", "1 h 30", "2 days". Whole minutes.
 * Null for anything else, and for less than nothing.
 */
export function readDuration(text: string): Minutes | null {
  const trimmed = text.trim();
  const parts = PARTS.exec(trimmed);
  if (!/\d/.test(trimmed) || !parts) return null;
  const [days = "0", hours = "0", minutes = "0"] = parts.slice(1);
  return Math.round(Number(days) * DAY + Number(hours) * HOUR + Number(minutes));
}
