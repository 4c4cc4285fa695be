import { z } from "zod";
import { plainLine } from "../units/plain-text.ts";
import { isTimeZone } from "../units/time-zone.ts";
import { WallDate } from "./time.ts";

const MinuteOfDay = z.int().min(0).max(1440);
const Stretches = z
  .array(z.tuple([MinuteOfDay, MinuteOfDay]).refine(([from, to]) => from < to, "work must end after it begins"))
  .max(6, "six stretches a day at most");

/** Where nobody ever works, nothing can be dated. */
export const NO_HOURS = "give at least one day of the week some working hours";

export const MOST_EXCEPTIONS = 60;
export const MOST_PAINTERS = 4;

/** When the shop works, how many painters it has, and how many faces can dry at once. */
export const Hours = z.strictObject({
  weekdays: z
    .array(Stretches)
    .length(7, "a week has seven days, Monday first")
    .refine((week) => week.some((day) => day.length > 0), NO_HOURS)
    .describe("Monday to Sunday, intervals in minutes after midnight"),
  exceptions: z
    .array(z.strictObject({ on: WallDate, stretches: Stretches, why: plainLine(80).optional() }))
    .max(MOST_EXCEPTIONS, `${MOST_EXCEPTIONS} exceptions at most`)
    .default([])
    .describe("days with other hours than their weekday; none for a day off"),
  painters: z.int().min(1).max(MOST_PAINTERS, `${MOST_PAINTERS} painters at most`).default(1),
  dryingPlaces: z
    .int()
    .min(1, "at least one")
    .max(40, "40 at most")
    .optional()
    .describe("how many zones can dry at one time; no limit if left out"),
  timeZone: z
    .string()
    .refine(isTimeZone, "write a time zone like Europe/London")
    .optional()
    .describe("the shop's time zone; if left out, the clocks never change"),
});
export type Hours = z.infer<typeof Hours>;

const FULL_DAY: [number, number][] = [
  [9 * 60, 13 * 60],
  [13 * 60 + 45, 18 * 60],
];
export const DEFAULT_HOURS: Hours = {
  weekdays: [FULL_DAY, FULL_DAY, FULL_DAY, FULL_DAY, FULL_DAY, [], []],
  exceptions: [],
  painters: 1,
};
