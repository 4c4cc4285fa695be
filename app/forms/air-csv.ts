import Papa from "papaparse";
import { type HourlyAir, hourly, type Reading, type Refused } from "#core/plan/readings";
import type { RoomCourse } from "#core/plan/room";
import { HOUR, type WallMinutes } from "#core/units/units";
import { readWallTime, sayWallTime } from "#core/units/wall-time";

// Air by the hour, typed or pasted as CSV: time, °C and % on each line.

type Hourly = Extract<RoomCourse, { kind: "by the hour" }>;
export type ReadAir = HourlyAir | Refused;

const MOST_ROWS = 20_000;
const MOST_LETTERS = 1_000_000;

const TIME = /^(\d{4}-\d{2}-\d{2})[T ](\d{1,2}):(\d{2})/;
const number = (text: string) =>
  Number(
    text
      .trim()
      .replace(",", ".")
      .replace(/\s*(°\s*C|%|C)$/i, ""),
  );

function timeOf(text: string): WallMinutes | null {
  const parts = TIME.exec(text.trim());
  return parts ? readWallTime(`${parts[1]}T${parts[2]!.padStart(2, "0")}:${parts[3]}`) : null;
}

const refused = (says: string): ReadAir => ({ ok: false, says });

/**
 * Reads lines of time, °C and %: a heading is skipped, several readings in an hour are averaged, short gaps are
 * filled.
 */
export function readAirCsv(text: string): ReadAir {
  if (text.length > MOST_LETTERS) return refused("That is more than a million characters. Paste three weeks at most.");
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  if (data.length === 0) return refused("Paste lines like 2026-11-30 09:00, 18.5, 62.");
  if (data.length > MOST_ROWS) return refused(`${data.length} lines is too many; paste ${MOST_ROWS} at most.`);
  const readings: Reading[] = [];
  for (const [at, row] of data.entries()) {
    const time = timeOf(row[0] ?? "");
    if (time === null) {
      if (at === 0) continue;
      return refused(`Line ${at + 1}: "${(row[0] ?? "").slice(0, 40)}" is not a time. Write it like 2026-11-30 09:00.`);
    }
    const [celsius, humidity] = [number(row[1] ?? ""), number(row[2] ?? "")];
    if (!row[1] || !Number.isFinite(celsius) || celsius < -20 || celsius > 50)
      return refused(`Line ${at + 1}: "${(row[1] ?? "").slice(0, 20)}" is not a room temperature from −20 to 50 °C.`);
    if (!row[2] || !Number.isFinite(humidity) || humidity < 1 || humidity > 100)
      return refused(`Line ${at + 1}: "${(row[2] ?? "").slice(0, 20)}" is not a humidity from 1 to 100 %.`);
    readings.push({ at: time, celsius, relativeHumidity: humidity });
  }
  if (readings.length === 0) return refused("There is a heading but no readings under it.");
  return hourly(readings);
}

/** The hours of a course, written as the lines they are read from. */
export const sayAirCsv = ({ from, hours }: Pick<Hourly, "from" | "hours">): string =>
  hours
    .map(
      ([celsius, humidity], index) =>
        `${sayWallTime(readWallTime(from)! + index * HOUR).replace("T", " ")}, ${celsius}, ${humidity}`,
    )
    .join("\n");
