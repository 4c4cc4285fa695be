import { z } from "zod";
import { plainName } from "../units/plain-text.ts";
import { DEFAULT_HOURS, Hours, MOST_PAINTERS } from "./hours.ts";
import { WallTime } from "./time.ts";

/** Work that not every painter can do. */
export const SKILLS = ["spray", "gilding"] as const;
export type Skill = (typeof SKILLS)[number];

/** One painter: when she works, and what she cannot do. */
export const Painter = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9_-]{1,60}$/, "an id is letters, digits, hyphen and underscore, 60 at most"),
  name: plainName(40),
  weekdays: Hours.shape.weekdays.optional().describe("hours of her own, where they are not the shop's"),
  exceptions: Hours.shape.exceptions.describe("her own days with other hours; none for a day off"),
  cannot: z.array(z.enum(SKILLS)).max(SKILLS.length).default([]).describe("work that is left to others"),
});
export type Painter = z.infer<typeof Painter>;

/** What all jobs of a shop share: its hours and days off, its drying places and clock, and who paints. */
export const Shop = z
  .strictObject({
    hours: Hours.omit({ painters: true }),
    painters: z.array(Painter).min(1, "somebody has to paint").max(MOST_PAINTERS, `${MOST_PAINTERS} painters at most`),
    from: WallTime.optional().describe("work that is not done yet is planned no earlier"),
  })
  .superRefine(({ painters }, context) => {
    painters.forEach(({ id }, index) => {
      if (painters.findIndex((painter) => painter.id === id) < index)
        context.addIssue({ code: "custom", path: ["painters", index, "id"], message: `the id "${id}" is used twice` });
    });
  });
export type Shop = z.infer<typeof Shop>;

const NAMES = ["First painter", "Second painter", "Third painter", "Fourth painter"];

/** A painter who works the shop's hours and can do everything. */
export const painterAt = (at: number): Painter => ({
  id: `painter-${at + 1}`,
  name: NAMES[at] ?? `Painter ${at + 1}`,
  exceptions: [],
  cannot: [],
});

/** A shop with these hours, all its painters alike. */
export function shopOf({ painters, ...hours }: Hours): Shop {
  return { hours, painters: Array.from({ length: painters }, (_, index) => painterAt(index)) };
}

export const DEFAULT_SHOP: Shop = shopOf(DEFAULT_HOURS);

/** The hours of the shop in the shape a job has its own. */
export const hoursOfShop = ({ hours, painters }: Shop): Hours => ({ ...hours, painters: painters.length });

/** Whether it does not matter who does what. */
export const areAlike = (painters: readonly Painter[]): boolean =>
  painters.every(({ weekdays, exceptions, cannot }) => !weekdays && exceptions.length + cannot.length === 0);

/** The hours of one painter: her own where she has any; a day off of the shop's is hers too. */
export function hoursOfPainter(shop: Hours, { weekdays, exceptions }: Painter): Hours {
  const own = new Set(exceptions.map(({ on }) => on));
  return {
    ...shop,
    weekdays: weekdays ?? shop.weekdays,
    exceptions: [...shop.exceptions.filter(({ on }) => !own.has(on)), ...exceptions],
  };
}
