import { z } from "zod";

/**
 * The school a shop follows, where practitioners disagree. Each choice has a default here and its reason where it is used.
 */
export const HouseRules = z.strictObject({
  waitBeforeClear: z.enum(["the full wait", "touch dry"]).default("the full wait"),
  milkRecoat: z.enum(["12 h", "label, 2 h"]).default("12 h"),
  darkWax: z.enum(["over clear wax", "straight on the paint"]).default("over clear wax"),
  darkOnClear: z.enum(["while fresh", "set, next day"]).default("while fresh"),
  lastWax: z.enum(["dark goes last", "thin clear over all"]).default("dark goes last"),
  buff: z.enum(["after 10–15 min", "at once", "next day"]).default("after 10–15 min"),
});
export type HouseRules = z.infer<typeof HouseRules>;

export const DEFAULT_HOUSE_RULES: HouseRules = HouseRules.parse({});
