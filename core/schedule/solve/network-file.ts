import { z } from "zod";
import type { Network } from "./network.ts";

/** Bounds of a network file, stated in the messages. */
export const NETWORK_LIMITS = { activities: 2000, lags: 8000, windows: 5000, minute: 20_000_000 } as const;

const Id = z.string().min(1, "an id cannot be empty").max(120, "120 characters at most");
const Minute = z
  .int("whole minutes")
  .min(0, "not before minute 0")
  .max(NETWORK_LIMITS.minute, "20 million minutes at most");
const Uses = z.record(z.string().max(60), z.int("a whole number").min(0).max(1000));

/** A network as a file: windows, resources, activities, and waits from one's finish to another's start. */
export const NetworkFile = z
  .object({
    name: z.string().max(200).default("network"),
    calendar: z
      .array(z.tuple([Minute, Minute]))
      .max(NETWORK_LIMITS.windows, `${NETWORK_LIMITS.windows} windows at most`)
      .describe("working windows in minutes, in order"),
    capacity: z.record(z.string().max(60), z.int("a whole number").min(0).max(1000)),
    activities: z
      .array(z.object({ id: Id, duration: Minute, uses: Uses.default({}) }))
      .max(NETWORK_LIMITS.activities, `${NETWORK_LIMITS.activities} activities at most`),
    lags: z
      .array(
        z.object({
          from: Id,
          to: Id,
          min: z.int("whole minutes").min(-NETWORK_LIMITS.minute).max(NETWORK_LIMITS.minute),
          max: z.int("whole minutes").max(NETWORK_LIMITS.minute).nullish(),
        }),
      )
      .max(NETWORK_LIMITS.lags, `${NETWORK_LIMITS.lags} lags at most`),
  })
  .superRefine(({ calendar, activities, lags, capacity }, context) => {
    const at = (path: (string | number)[], message: string) => context.addIssue({ code: "custom", path, message });
    calendar.forEach(([from, to], index) => {
      if (from >= to) at(["calendar", index], "a window must end after it begins");
      if (index > 0 && from < calendar[index - 1]![1])
        at(["calendar", index], "windows must be in order and must not overlap");
    });
    const ids = new Set<string>();
    activities.forEach(({ id, uses }, index) => {
      if (ids.has(id)) at(["activities", index, "id"], `the id "${id}" is used twice`);
      ids.add(id);
      for (const name of Object.keys(uses))
        if (!(name in capacity)) at(["activities", index, "uses"], `there is no capacity "${name}"`);
    });
    lags.forEach(({ from, to, min, max }, index) => {
      for (const end of [from, to]) if (!ids.has(end)) at(["lags", index], `there is no activity "${end}"`);
      if (from === to) at(["lags", index], "a wait must join two different activities");
      if (max !== null && max !== undefined && max < min)
        at(["lags", index], "the longest wait is shorter than the shortest");
    });
  });
export type NetworkFile = z.infer<typeof NetworkFile>;

/** The network that a file describes. */
export const networkFrom = ({ name, calendar, capacity, activities, lags }: NetworkFile): Network => ({
  name,
  calendars: [calendar],
  capacity,
  activities,
  lags: lags.map(({ from, to, min, max }) => ({ from, to, min, max: max ?? null })),
});
