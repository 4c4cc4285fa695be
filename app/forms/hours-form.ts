import { DEFAULT_HOURS, Hours } from "#core/plan/hours";
import { type Faults, type FormFields, sentence } from "./fields";

export const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;

const STRETCH = /^(\d{1,2})(?:[:.](\d{2}))?\s*(?:-|–|to)\s*(\d{1,2})(?:[:.](\d{2}))?$/;
const sayMinute = (minute: number) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, "0")}`;

/** A day's working hours as the form shows them: "9:00–13:00, 13:45–18:00", empty for a closed day. */
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
      return `"${part.trim()}" is not a time range.`;
    stretches.push([from, to]);
  }
  stretches.sort((a, b) => a[0] - b[0]);
  if (stretches.some((stretch, index) => index > 0 && stretch[0] < stretches[index - 1]![1]))
    return "Two time ranges overlap.";
  return stretches;
}

/** Days with other hours, as the form shows them: "2026-12-24: closed; 2026-12-19: 9:00–13:00". */
export const sayExceptions = (exceptions: Hours["exceptions"]) =>
  exceptions
    .map(
      ({ on, stretches, why }) =>
        `${on}: ${stretches.length === 0 ? "closed" : sayHours(stretches)}${why ? ` (${why})` : ""}`,
    )
    .join("\n");

const EXCEPTION = /^(\d{4}-\d{2}-\d{2})\s*:?\s*([^(]*?)\s*(?:\(([^)]*)\))?$/;

function readExceptions(text: string): Hours["exceptions"] | string {
  const found: Hours["exceptions"] = [];
  for (const line of text.split(/[;\n]/)) {
    if (line.trim() === "") continue;
    const parts = EXCEPTION.exec(line.trim());
    if (!parts) return `"${line.trim()}": write a date, then its hours or closed, like 2026-12-24: closed.`;
    const [, on = "", hours = "", why] = parts;
    const stretches = /^(free|off|closed|)$/i.test(hours) ? [] : readDay(hours);
    if (typeof stretches === "string") return `${on}: ${stretches}`;
    if (found.some((one) => one.on === on)) return `${on} is listed twice.`;
    found.push({ on, stretches, ...(why ? { why } : {}) });
  }
  return found.sort((a, b) => (a.on < b.on ? -1 : 1));
}

/**
 * Reads working hours: one field per day, days with other hours, painters and drying places. Whatever a form leaves
 * out stays unchanged.
 */
export function readHoursFields(
  fields: FormFields,
  before: Hours = DEFAULT_HOURS,
): { ok: true; hours: Hours } | { ok: false; faults: Faults } {
  const faults: Faults = {};
  const weekdays = WEEKDAYS.map((name) => {
    const day = readDay(fields[name] ?? "");
    if (typeof day === "string") faults[name] = day;
    return typeof day === "string" ? [] : day;
  });
  const exceptions = fields.exceptions === undefined ? before.exceptions : readExceptions(fields.exceptions);
  if (typeof exceptions === "string") faults.exceptions = exceptions;
  const places = fields.dryingPlaces?.trim();
  const dryingPlaces = places === undefined ? before.dryingPlaces : places === "" ? undefined : Number(places);
  const timeZone = fields.timeZone === undefined ? before.timeZone : fields.timeZone.trim();
  const read = Hours.safeParse({
    weekdays,
    exceptions: typeof exceptions === "string" ? [] : exceptions,
    painters: fields.painters === undefined ? before.painters : Number(fields.painters),
    ...(dryingPlaces === undefined ? {} : { dryingPlaces }),
    ...(timeZone ? { timeZone } : {}),
  });
  for (const { path, message, code } of read.error?.issues ?? []) {
    const field = path[0] === "weekdays" ? (WEEKDAYS[Number(path[1])] ?? "") : String(path[0]);
    faults[field] ??= code === "invalid_type" ? "Write a whole number." : sentence(message);
  }
  return read.success && Object.keys(faults).length === 0 ? { ok: true, hours: read.data } : { ok: false, faults };
}
