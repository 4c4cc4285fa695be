import Papa from "papaparse";
import { MOST_HOURS, type RoomCourse } from "#core/plan/room";
import { HOUR, type WallMinutes } from "#core/units/units";
import { readWallTime, sayWallTime } from "#core/units/wall-time";

// Air by the hour, typed or pasted as CSV: a time, °C and % a line.

type Hourly = Extract<RoomCourse, { kind: "by the hour" }>;
export type ReadAir = { ok: true; from: string; hours: Hourly["hours"]; filled: number } | { ok: false; says: string };

const MOST_ROWS = 20_000;
const MOST_LETTERS = 1_000_000;
/** Hours that may be missing in a row: they are filled by a straight line. */
export const MOST_MISSING = 3;

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

/** Reads lines of time, °C and %; a heading is passed over, several readings an hour are averaged, short gaps filled. */
export function readAirCsv(text: string): ReadAir {
  if (text.length > MOST_LETTERS) return refused("That is more than a million letters: paste three weeks at most.");
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  if (data.length === 0) return refused("Paste lines like 2026-11-30 09:00, 18.5, 62.");
  if (data.length > MOST_ROWS) return refused(`${data.length} lines are too many: ${MOST_ROWS} at most.`);
  const sums = new Map<WallMinutes, { celsius: number; humidity: number; count: number }>();
  for (const [at, row] of data.entries()) {
    const time = timeOf(row[0] ?? "");
    if (time === null) {
      if (at === 0) continue;
      return refused(`Line ${at + 1}: "${(row[0] ?? "").slice(0, 40)}" is no time. Write it like 2026-11-30 09:00.`);
    }
    const [celsius, humidity] = [number(row[1] ?? ""), number(row[2] ?? "")];
    if (!row[1] || !Number.isFinite(celsius) || celsius < -20 || celsius > 50)
      return refused(`Line ${at + 1}: "${(row[1] ?? "").slice(0, 20)}" is no temperature of a room, −20 to 50 °C.`);
    if (!row[2] || !Number.isFinite(humidity) || humidity < 1 || humidity > 100)
      return refused(`Line ${at + 1}: "${(row[2] ?? "").slice(0, 20)}" is no humidity, 1 to 100 %.`);
    const hour = Math.floor(time / HOUR) * HOUR;
    const sum = sums.get(hour) ?? { celsius: 0, humidity: 0, count: 0 };
    sums.set(hour, { celsius: sum.celsius + celsius, humidity: sum.humidity + humidity, count: sum.count + 1 });
  }
  return filled(sums);
}

function filled(sums: ReadonlyMap<WallMinutes, { celsius: number; humidity: number; count: number }>): ReadAir {
  const times = [...sums.keys()].sort((one, two) => one - two);
  const [first] = times;
  if (first === undefined) return refused("There is a heading and no line under it.");
  const hours: Hourly["hours"] = [];
  let missing = 0;
  const round = (value: number) => Math.round(value * 10) / 10;
  for (const time of times) {
    const { celsius, humidity, count } = sums.get(time)!;
    const here: [number, number] = [celsius / count, humidity / count];
    const gap = (time - first) / HOUR - hours.length;
    if (gap > MOST_MISSING)
      return refused(
        `${gap} hours are missing before ${sayWallTime(time).replace("T", " ")}; up to ${MOST_MISSING} are filled by a straight line. Add them, or paste the part after.`,
      );
    const before = hours.at(-1);
    for (let step = 1; step <= gap; step++) {
      const share = step / (gap + 1);
      hours.push([
        round(before![0] + share * (here[0] - before![0])),
        round(before![1] + share * (here[1] - before![1])),
      ]);
      missing++;
    }
    hours.push([round(here[0]), round(here[1])]);
  }
  if (hours.length > MOST_HOURS) return refused(`${hours.length} hours are more than three weeks, ${MOST_HOURS}.`);
  return { ok: true, from: sayWallTime(first), hours, filled: missing };
}

/** The hours of a course as the lines they are read from. */
export const sayAirCsv = ({ from, hours }: Hourly): string =>
  hours
    .map(
      ([celsius, humidity], at) =>
        `${sayWallTime(readWallTime(from)! + at * HOUR).replace("T", " ")}, ${celsius}, ${humidity}`,
    )
    .join("\n");
