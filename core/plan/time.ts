import { z } from "zod";
import { readWallTime } from "../units/wall-time.ts";

/** The years a plan can be dated in: before and after, calendars and clocks are not those of the shop. */
export const YEARS = { first: 2000, last: 2099 } as const;

export const YEARS_SAY = `the year is from ${YEARS.first} to ${YEARS.last}`;

const isInYears = (text: string) => {
  const year = Number(text.slice(0, 4));
  return year >= YEARS.first && year <= YEARS.last;
};

/** A date and time on the shop's wall clock, in no time zone. */
export const WallTime = z
  .string()
  .refine((text) => readWallTime(text) !== null, {
    message: "write a date and time like 2026-11-30T09:00",
    abort: true,
  })
  .refine(isInYears, YEARS_SAY);

/** A date like 2026-12-24. */
export const WallDate = z
  .string()
  .refine((text) => readWallTime(`${text}T00:00`) !== null, { message: "write a date like 2026-12-24", abort: true })
  .refine(isInYears, YEARS_SAY);
