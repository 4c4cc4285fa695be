import { Hours } from "#core/plan/plan";
import type { Faults, FormFields } from "./fields";

export const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;

const STRETCH = /^(\d{1,2})(?:[:.](\d{2}))?\s*(?:-|–|to)\s*(\d{1,2})(?:[:.](\d{2}))?$/;
const sayMinute = (minute: number) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, "0")}`;

/** A day's working hours as the form shows them: "9:00–13:00, 13:45–18:00", empty for a free day. */
export const sayHours = (day: Hours["weekdays"][number]) =>
  day.map(([from, to]) => `${sayMinute(from)}–${sayMinute(to)}`).join(", ");

function readDay(text: string): [number, number][] | string {
  const stretches: [number, number][] = [];
  for (const part of text.split(",")) {
    if (part.trim() === "") continue;
    const found = STRETCH.exec(part.trim());
    if (!found) return "Write hours like 9:00–13:00, 13:45–18:00, or leave it empty.";
    const [from, to] = [Number(found[1]) * 60 + Number(found[2] ?? 0), Number(found[3]) * 60 + Number(found[4] ?? 0)];
    if (to > 1440 || from >= to || Number(found[2] ?? 0) > 59 || Number(found[4] ?? 0) > 59)
      return `"${part.trim()}" is no stretch of a day.`;
    stretches.push([from, to]);
  }
  stretches.sort((one, two) => one[0] - two[0]);
  if (stretches.some((stretch, index) => index > 0 && stretch[0] < stretches[index - 1]![1]))
    return "Two stretches overlap.";
  return stretches;
}

/** Reads a week of working hours, a field a day. */
export function readHoursFields(fields: FormFields): { ok: true; hours: Hours } | { ok: false; faults: Faults } {
  const faults: Faults = {};
  const weekdays = WEEKDAYS.map((name) => {
    const day = readDay(fields[name] ?? "");
    if (typeof day === "string") faults[name] = day;
    return typeof day === "string" ? [] : day;
  });
  const hours = Hours.safeParse({ weekdays });
  if (!hours.success) faults[WEEKDAYS[Number(hours.error.issues[0]!.path[1])] ?? ""] = hours.error.issues[0]!.message;
  return hours.success && Object.keys(faults).length === 0 ? { ok: true, hours: hours.data } : { ok: false, faults };
}
