import { z } from "zod";
import { WallDate, WallTime } from "../plan/time.ts";
import { plainLine } from "../units/plain-text.ts";
import { GoodId, Price } from "./book.ts";

// What stands on the shelf is what came of everything that happened to it: bought, used, thrown away, counted. The list is only ever
// added to; what was wrong is taken back, and stays in the list as taken back.

export const CONDITIONS = ["sealed", "good", "thick", "skinned", "doubtful"] as const;
export type Condition = (typeof CONDITIONS)[number];

const MOST = 1_000_000;
const MovementId = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,60}$/, "an id is letters, digits, hyphen and underscore, 60 at most");
const amount = z
  .number("write the amount as a number, like 250")
  .max(MOST, `${MOST} at most`)
  .describe("in the unit of the good");
const some = amount.gt(0, "write an amount over 0");

const happened = {
  id: MovementId.describe("made by whoever writes it down, so that it is written down once"),
  goodId: GoodId,
  potId: MovementId.describe("which tin, jar or packet"),
  at: WallTime,
  note: plainLine(200).optional(),
};

/** Something that happened to a tin on the shelf. */
export const Movement = z.discriminatedUnion("does", [
  z.strictObject({
    does: z.literal("bought"),
    ...happened,
    amount: some,
    paid: Price.optional(),
    supplierId: GoodId.optional(),
    receipt: plainLine(60).optional(),
    place: plainLine(60).optional(),
  }),
  z.strictObject({ does: z.literal("used"), ...happened, amount: some, planId: MovementId.optional() }),
  z.strictObject({ does: z.literal("thrown away"), ...happened }),
  z.strictObject({ does: z.literal("counted"), ...happened, amount: amount.min(0, "an amount cannot be negative") }),
  z.strictObject({
    does: z.literal("looked at"),
    ...happened,
    place: plainLine(60).optional(),
    condition: z.enum(CONDITIONS).optional(),
    opened: WallDate.optional(),
  }),
]);
export type Movement = z.infer<typeof Movement>;

/** One tin, jar or packet as it now is. */
export interface PotOnShelf {
  id: string;
  goodId: string;
  amount: number;
  /** what it held when it came */
  held: number;
  place: string | null;
  condition: Condition;
  /** date like 2026-11-28; null while it is sealed */
  opened: string | null;
  bought: string | null;
  counted: string | null;
  paid: number | null;
  supplierId: string | null;
}

const dateOf = (at: string) => at.slice(0, 10);

/** In the order in which it happened; of what happened at once, in the order it was written down. */
export const inOrder = (movements: readonly Movement[]): Movement[] =>
  movements
    .map((movement, place) => ({ movement: movement, place }))
    .sort((a, b) => (a.movement.at < b.movement.at ? -1 : a.movement.at > b.movement.at ? 1 : a.place - b.place))
    .map(({ movement }) => movement);

function begun({ potId, goodId, at }: Movement): PotOnShelf {
  return {
    id: potId,
    goodId,
    amount: 0,
    held: 0,
    place: null,
    condition: "sealed",
    opened: null,
    bought: null,
    counted: dateOf(at),
    paid: null,
    supplierId: null,
  };
}

/** What a movement makes of a tin. More cannot be used than there is: then nothing is left, and counting puts it right. */
function moved(pot: PotOnShelf, movement: Movement): PotOnShelf {
  switch (movement.does) {
    case "bought":
      return {
        ...pot,
        amount: pot.amount + movement.amount,
        held: pot.held + movement.amount,
        bought: dateOf(movement.at),
        counted: dateOf(movement.at),
        place: movement.place ?? pot.place,
        paid: movement.paid === undefined ? pot.paid : (pot.paid ?? 0) + movement.paid,
        supplierId: movement.supplierId ?? pot.supplierId,
      };
    case "used":
      return {
        ...pot,
        amount: Math.max(0, pot.amount - movement.amount),
        condition: pot.condition === "sealed" ? "good" : pot.condition,
        opened: pot.opened ?? dateOf(movement.at),
      };
    case "thrown away":
      return { ...pot, amount: 0 };
    case "counted":
      return {
        ...pot,
        amount: movement.amount,
        held: Math.max(pot.held, movement.amount),
        counted: dateOf(movement.at),
      };
    case "looked at":
      return {
        ...pot,
        place: movement.place ?? pot.place,
        condition: movement.condition ?? (movement.opened && pot.condition === "sealed" ? "good" : pot.condition),
        opened: movement.opened ?? pot.opened,
      };
  }
}

/** The tins that came of these movements, those that are empty too, in the order they came. */
export function potsOf(movements: readonly Movement[]): PotOnShelf[] {
  const pots = new Map<string, PotOnShelf>();
  for (const movement of inOrder(movements))
    pots.set(movement.potId, moved(pots.get(movement.potId) ?? begun(movement), movement));
  return [...pots.values()];
}

/** What there was of a good, after each of its movements. */
export function courseOf(movements: readonly Movement[], goodId: string): { at: string; amount: number }[] {
  const pots = new Map<string, PotOnShelf>();
  const course: { at: string; amount: number }[] = [];
  for (const movement of inOrder(movements)) {
    if (movement.goodId !== goodId) continue;
    pots.set(movement.potId, moved(pots.get(movement.potId) ?? begun(movement), movement));
    course.push({ at: movement.at, amount: [...pots.values()].reduce((sum, { amount: left }) => sum + left, 0) });
  }
  return course;
}

/** Why a movement cannot be, as things stand on the shelf; null if it can. */
export function whyNot(movement: Movement, movements: readonly Movement[]): string | null {
  const pot = potsOf(movements).find(({ id }) => id === movement.potId);
  if (pot && pot.goodId !== movement.goodId) return "This tin holds something else. Reload the page and try again.";
  if (!pot && movement.does !== "bought" && movement.does !== "counted")
    return "This tin is not on the shelf any more. Reload the page and try again.";
  if (movement.does === "used" && pot && movement.amount > pot.amount + 1e-9)
    return `Only ${Math.round(pot.amount * 10) / 10} is left in this tin. Count it first, or use less.`;
  return null;
}

/** The purchase of the same good on the same receipt, where there is one already. */
export function sameReceipt(movement: Movement, movements: readonly Movement[]): Movement | null {
  if (movement.does !== "bought" || !movement.receipt) return null;
  return (
    movements.find(
      (other) =>
        other.does === "bought" &&
        other.id !== movement.id &&
        other.goodId === movement.goodId &&
        other.receipt === movement.receipt &&
        other.supplierId === movement.supplierId,
    ) ?? null
  );
}
