import { z } from "zod";
import { readWallTime } from "../units/wall-time.ts";

/** A date and time on the shop's wall, in no time zone. */
export const WallTime = z
  .string()
  .refine((text) => readWallTime(text) !== null, "write a date and time like 2026-11-30T09:00");
