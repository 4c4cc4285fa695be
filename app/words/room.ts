import type { Room } from "#core/plan/room";

const span = (values: readonly number[], unit: string) => {
  const [low, high] = [Math.round(Math.min(...values)), Math.round(Math.max(...values))];
  return low === high ? `${low} ${unit}` : `${low} to ${high} ${unit}`;
};

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
