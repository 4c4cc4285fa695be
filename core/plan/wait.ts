import { z } from "zod";
import { sayDurations, shortDuration } from "../units/duration.ts";
import { plainText } from "../units/plain-text.ts";
import { DAY, HOUR, type Instant, type Minutes, type WallMinutes } from "../units/units.ts";

const minutes = z.int("whole minutes").min(0, "a wait cannot be negative").max(129_600, "90 days at most");
const after = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,60}$/, "an id is letters, digits, hyphen and underscore, 60 at most")
  .optional()
  .describe("the step whose end it is counted from, where that is not the step before");

/** A wait that the author of a plan sets before a step. It is kept on the wall clock as it is said, whatever the air. */
export const Wait = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("at least"), minutes, after }),
  z.strictObject({ kind: z.literal("exactly"), minutes, after }),
  z.strictObject({ kind: z.literal("about"), minutes, after }),
  z
    .strictObject({ kind: z.literal("between"), minutes, most: minutes, after })
    .refine((wait) => wait.most >= wait.minutes, {
      message: "the longest wait is shorter than the shortest",
      path: ["most"],
    }),
  z.strictObject({ kind: z.literal("next working day"), after }),
  z.strictObject({
    kind: z.literal("by sign"),
    sign: plainText(120).optional().describe("what to look or feel for"),
    after,
  }),
]);
export type Wait = z.infer<typeof Wait>;
export const WAIT_KINDS = ["at least", "about", "exactly", "between", "next working day", "by sign"] as const;

/** Where a wait leaves off, in minutes from the end of what it is counted from; null for as long as one likes. */
export interface Bounds {
  least: Minutes;
  most: Minutes | null;
}

/** "About" is a fifth less or more (from memory). */
const ABOUT = 0.2;

const AT_ONCE: Bounds = { least: 0, most: null };

/** The bounds of a wait that are the same whenever it begins; the next working day has none, and a sign has no clock. */
export function boundsOf(wait: Wait | undefined): Bounds {
  switch (wait?.kind) {
    case "at least":
      return { least: wait.minutes, most: null };
    case "exactly":
      return { least: wait.minutes, most: wait.minutes };
    case "about":
      return { least: Math.floor(wait.minutes * (1 - ABOUT)), most: Math.ceil(wait.minutes * (1 + ABOUT)) };
    case "between":
      return { least: wait.minutes, most: wait.most };
    default:
      return AT_ONCE;
  }
}

/** The same for a wait that begins at an instant of a line that was begun at this time of the wall clock. */
export function boundsFrom(wait: Wait | undefined, from: Instant, began: WallMinutes): Bounds {
  if (wait?.kind !== "next working day") return boundsOf(wait);
  // nobody works at midnight: the next day is begun when the job was
  const nextDay = (Math.floor((began + from) / DAY) + 1) * DAY + (((began % DAY) + DAY) % DAY);
  return { least: nextDay - began - from, most: null };
}

/** From one working day to the next no less than this passes (from memory). */
const OVERNIGHT: Minutes = 8 * HOUR;

/** The shortest that a wait can take, whenever it begins. */
export const leastOf = (wait: Wait | undefined): Minutes =>
  wait?.kind === "next working day" ? OVERNIGHT : boundsOf(wait).least;

/** A wait in a few words: "at least 2 h", "2–3 h", "until the next working day". */
export function sayWait(wait: Wait): string {
  switch (wait.kind) {
    case "between":
      return sayDurations(wait.minutes, wait.most);
    case "next working day":
      return "until the next working day";
    case "by sign":
      return wait.sign ? `until ${wait.sign}` : "until the sign shows";
    default:
      return `${wait.kind} ${shortDuration(wait.minutes)}`;
  }
}
