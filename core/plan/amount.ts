import { z } from "zod";

const TOO_MUCH = 3000;

/** How much of a coat goes on, where it is not the usual: by the hand, or as a film or a volume that is measured. */
export const Amount = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("light") }),
  z.strictObject({ kind: z.literal("heavy") }),
  z.strictObject({
    kind: z.literal("times"),
    of: z
      .number("write it as a number, like 1.5")
      .min(0.05, "a twentieth of a coat at least")
      .max(10, "ten times a coat at most"),
  }),
  z.strictObject({
    kind: z.literal("micrometres"),
    of: z
      .number("write it as a number, like 40")
      .gt(0, "a film is thicker than 0 µm")
      .max(TOO_MUCH, `${TOO_MUCH} µm at most`),
  }),
  z.strictObject({
    kind: z.literal("millilitres"),
    of: z
      .number("write it as a number, like 90")
      .gt(0, "more than 0 ml a square metre")
      .max(TOO_MUCH, `${TOO_MUCH} ml a square metre at most`),
  }),
]);
export type Amount = z.infer<typeof Amount>;

/** What the hand calls light and heavy, as parts of the usual coat (from memory). */
export const BY_HAND = { light: 0.6, heavy: 1.6 } as const;
