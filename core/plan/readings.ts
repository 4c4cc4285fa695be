import { sayDuration } from "../units/duration.ts";
import { DAY, HOUR, type Minutes, type WallMinutes } from "../units/units.ts";
import { sayWallTime } from "../units/wall-time.ts";
import { sayMoment } from "../units/when.ts";
import { MOST_HOURS, type RoomCourse } from "./room.ts";

/** Air as it was measured at a moment. */
export interface Reading {
  at: WallMinutes;
  celsius: number;
  relativeHumidity: number;
}

type Hourly = Extract<RoomCourse, { kind: "by the hour" }>;
export type HourlyAir = { ok: true; from: string; hours: Hourly["hours"]; filled: number };
export type Refused = { ok: false; says: string };

/** Hours that may be missing in a row: they are filled by a straight line. */
export const MOST_MISSING = 3;

const sayTime = sayMoment;
const refused = (says: string): Refused => ({ ok: false, says });
const isRoom = ({ celsius, relativeHumidity }: Reading) =>
  celsius >= -20 && celsius <= 50 && relativeHumidity >= 1 && relativeHumidity <= 100;

/**
 * Readings as air hour by hour: several in an hour are averaged, short gaps filled by a straight line, long ones
 * reported.
 */
export function hourly(readings: readonly Reading[]): HourlyAir | Refused {
  const sums = new Map<WallMinutes, { celsius: number; humidity: number; count: number }>();
  for (const { at, celsius, relativeHumidity } of readings) {
    const hour = Math.floor(at / HOUR) * HOUR;
    const sum = sums.get(hour) ?? { celsius: 0, humidity: 0, count: 0 };
    sums.set(hour, {
      celsius: sum.celsius + celsius,
      humidity: sum.humidity + relativeHumidity,
      count: sum.count + 1,
    });
  }
  const times = [...sums.keys()].sort((a, b) => a - b);
  const [first] = times;
  if (first === undefined) return refused("There are no readings in it.");
  const hours: Hourly["hours"] = [];
  let filled = 0;
  const round = (value: number) => Math.round(value * 10) / 10;
  for (const time of times) {
    const { celsius, humidity, count } = sums.get(time)!;
    const here: [number, number] = [celsius / count, humidity / count];
    const gap = (time - first) / HOUR - hours.length;
    if (gap > MOST_MISSING)
      return refused(
        `${gap} hours are missing before ${sayTime(time)}; only gaps of up to ${MOST_MISSING} are filled in. Add them, or paste the part after the gap.`,
      );
    const before = hours.at(-1);
    for (let step = 1; step <= gap; step++) {
      const share = step / (gap + 1);
      hours.push([
        round(before![0] + share * (here[0] - before![0])),
        round(before![1] + share * (here[1] - before![1])),
      ]);
      filled++;
    }
    hours.push([round(here[0]), round(here[1])]);
  }
  if (hours.length > MOST_HOURS)
    return refused(
      `${hours.length} hours is over the limit of three weeks (${MOST_HOURS} hours). Paste a shorter part.`,
    );
  return { ok: true, from: sayWallTime(first), hours, filled };
}

/** What a logger in the room sends: the air by the hour, its latest reading, and what is odd about it. */
export interface LoggedAir extends HourlyAir {
  latest: Reading;
  /** what the painter should know of these readings, a sentence each */
  notes: string[];
}

/** If more than this share of a day's readings are absurd, the logger counts as broken. */
const MOST_ABSURD = 0.2;
/** Air that has not changed by a tenth for this long was not measured. */
const HANGS_AFTER: Minutes = 12 * HOUR;
const STALE_AFTER: Minutes = 2 * HOUR;

/** Since when the readings have all been the same as the last one. */
function sameSince(readings: readonly Reading[]): WallMinutes {
  const last = readings.at(-1)!;
  let at = readings.length - 1;
  while (
    at > 0 &&
    readings[at - 1]!.celsius === last.celsius &&
    readings[at - 1]!.relativeHumidity === last.relativeHumidity
  )
    at--;
  return readings[at]!.at;
}

/**
 * Makes sense of a logger's readings. Impossible readings are left out and reported; a logger that sends many of
 * them, that has frozen, or of which less than a day is left after its last gap is refused with the reason. `now` is
 * wall time.
 */
export function loggedAir(all: readonly Reading[], now: WallMinutes): LoggedAir | Refused {
  const inOrder = [...all].sort((a, b) => a.at - b.at);
  const sound = inOrder.filter(isRoom);
  const absurd = inOrder.find((reading) => !isRoom(reading));
  if (absurd && all.length - sound.length > MOST_ABSURD * all.length)
    return refused(
      `It reads ${absurd.celsius} °C and ${absurd.relativeHumidity} % at ${sayTime(absurd.at)}, which no room can be, and more like it. Check that it is not on a heater, wet or broken.`,
    );
  const latest = sound.at(-1);
  if (!latest) return refused("It has no readings yet. Leave it in the room for a day.");
  const same = latest.at - sameSince(sound);
  if (same >= HANGS_AFTER)
    return refused(
      `It has read ${latest.celsius} °C and ${latest.relativeHumidity} % for ${sayDuration(same)} without any change: it has frozen. Take its battery out and put it back.`,
    );
  let from = sound.length - 1;
  while (from > 0 && sound[from]!.at - sound[from - 1]!.at <= (MOST_MISSING + 1) * HOUR) from--;
  const kept = sound.slice(from).filter(({ at }) => at > latest.at - (MOST_HOURS - 1) * HOUR);
  if (latest.at - kept[0]!.at < DAY - HOUR)
    return refused(
      from > 0
        ? `Since the gap before ${sayTime(kept[0]!.at)} it has only ${sayDuration(latest.at - kept[0]!.at)} of readings, and at least a day is needed. Try again tomorrow.`
        : `It has only ${sayDuration(latest.at - kept[0]!.at)} of readings so far, and at least a day is needed. Try again tomorrow.`,
    );
  const made = hourly(kept);
  if (!made.ok) return made;
  const notes: string[] = [];
  if (absurd)
    notes.push(
      `Impossible readings left out: ${all.length - sound.length}, such as ${absurd.celsius} °C at ${sayTime(absurd.at)}.`,
    );
  if (from > 0) notes.push(`There is a gap before ${sayTime(kept[0]!.at)}; only the readings since then are used.`);
  if (now - latest.at > STALE_AFTER)
    notes.push(
      `Its last reading was ${sayDuration(now - latest.at)} ago, at ${sayTime(latest.at)}. Check its battery.`,
    );
  return { ...made, latest, notes };
}
