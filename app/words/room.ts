import type { Room } from "#core/plan/room";

/** "18–21 °C", or the one figure; "to" where a minus sign would run into the dash. */
export function sayRange(from: number, to: number, unit: string): string {
  const [low, high] = [Math.round(from), Math.round(to)].map((value) => `${value}`.replace("-", "−"));
  if (low === high) return `${low} ${unit}`;
  return from < 0 ? `${low} to ${high} ${unit}` : `${low}–${high} ${unit}`;
}

const span = (values: readonly number[], unit: string) => sayRange(Math.min(...values), Math.max(...values), unit);

/** The air of a room in a few words, from its coldest to its warmest hour; of a long course, its last day. */
export function sayRoom({ celsius, relativeHumidity, course }: Room): string {
  const airs: [number, number][] =
    course?.kind === "by the hour" ? course.hours.slice(-24) : [[celsius, relativeHumidity]];
  if (course?.kind === "day and night") airs.push([course.night.celsius, course.night.relativeHumidity]);
  return `${span(
    airs.map(([warm]) => warm),
    "°C",
  )} · ${span(
    airs.map(([, damp]) => damp),
    "%",
  )}`;
}
