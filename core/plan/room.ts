import { z } from "zod";
import type { Air } from "../drying/air.ts";
import { Climate } from "../drying/climate.ts";
import { HOUR, type WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { WallTime } from "./time.ts";

const Celsius = z.number().min(-20, "-20 °C at least").max(50, "50 °C at most");
const Humidity = z.number().min(1, "1 % at least").max(100, "100 % at most");

/** Three weeks by the hour: longer than any forecast is worth. */
export const MOST_HOURS = 21 * 24;

/** How the air of the room changes over the day, where it is not the same at all hours. */
const RoomCourse = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("day and night"),
    night: z.strictObject({ celsius: Celsius, relativeHumidity: Humidity }).describe("at the coldest, about 03:00"),
  }),
  z.strictObject({
    kind: z.literal("by the hour"),
    from: WallTime.describe("the first hour, on the full hour"),
    hours: z
      .array(z.tuple([Celsius, Humidity]))
      .min(1, "at least one hour")
      .max(MOST_HOURS, `${MOST_HOURS} hours at most`)
      .describe("°C and % hour by hour; after the last hour, the last day repeats"),
    source: z.enum(["typed", "pasted", "sensor"]),
  }),
]);
export type RoomCourse = z.infer<typeof RoomCourse>;

/** The air of the room, which waits, windows and the rules about air depend on. */
export const Room = z.strictObject({
  celsius: Celsius.describe("by day, at the warmest, about 15:00; at all times if no course is set"),
  relativeHumidity: Humidity,
  surfaceCelsius: z
    .number()
    .min(-20)
    .max(80)
    .optional()
    .describe("of the piece itself, if it is colder or warmer than the room"),
  draught: z.boolean().default(false),
  course: RoomCourse.optional(),
});
export type Room = z.infer<typeof Room>;
export const REFERENCE_ROOM: Room = { celsius: 23, relativeHumidity: 50, draught: false };

/** Metres a second in a draught (from memory). */
const DRAUGHT = 1;
const WARMEST_HOUR = 15;

/** A day between its warmest and its coldest hour, by a cosine: 24 airs from midnight, each of the middle of its hour. */
function dayAndNight(day: Air, night: Pick<Air, "celsius" | "relativeHumidity">): Air[] {
  return Array.from({ length: 24 }, (_, hour) => {
    const share = (1 + Math.cos((2 * Math.PI * (hour + 0.5 - WARMEST_HOUR)) / 24)) / 2;
    return {
      celsius: night.celsius + share * (day.celsius - night.celsius),
      relativeHumidity: night.relativeHumidity + share * (day.relativeHumidity - night.relativeHumidity),
      speed: day.speed,
    };
  });
}

/** The day that repeats after the last known hour: the last 24 hours, or the room's own air where there are fewer. */
function usualAfter(hours: readonly Air[], from: WallMinutes, otherwise: Air): Air[] {
  if (hours.length < 24) return [otherwise];
  const first = hours.length - 24;
  const usual: Air[] = [];
  for (let at = first; at < hours.length; at++) usual[(((from / HOUR + at) % 24) + 24) % 24] = hours[at]!;
  return usual;
}

const climates = new WeakMap<Room, Map<WallMinutes, Climate>>();

/** How drying goes in a room; instant 0 is the wall time `zero`. The same room and zero give the same object. */
export function climateOf(room: Room, zero: WallMinutes): Climate {
  const byZero = climates.get(room) ?? new Map<WallMinutes, Climate>();
  climates.set(room, byZero);
  let climate = byZero.get(zero);
  if (!climate) {
    climate = climateFrom(room, zero);
    byZero.set(zero, climate);
  }
  return climate;
}

function climateFrom({ celsius, relativeHumidity, surfaceCelsius, draught, course }: Room, zero: WallMinutes): Climate {
  const speed = draught ? DRAUGHT : 0;
  const day: Air = { celsius, relativeHumidity, speed };
  const film = surfaceCelsius === undefined ? {} : { filmCelsius: surfaceCelsius };
  if (!course) return new Climate({ usual: [day], ...film }, zero);
  if (course.kind === "day and night") return new Climate({ usual: dayAndNight(day, course.night), ...film }, zero);
  const from = Math.floor(readWallTime(course.from)! / HOUR) * HOUR;
  const hours = course.hours.map(([warm, damp]): Air => ({ celsius: warm, relativeHumidity: damp, speed }));
  return new Climate({ usual: usualAfter(hours, from, day), known: { from, hours }, ...film }, zero);
}
