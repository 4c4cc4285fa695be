import { z } from "zod";

/** Who has to go over it more often takes something else. */
export const MOST_PASSES = 12;
export const PRESSURES = ["light", "usual", "hard"] as const;

/** How often and how hard something is rubbed, sanded, wiped or chipped, where it is not once and as usual. */
export const Effort = z.strictObject({
  passes: z
    .int("a whole number of passes")
    .min(1, "one pass at least")
    .max(MOST_PASSES, `${MOST_PASSES} passes at most`),
  pressure: z.enum(PRESSURES),
  until: z
    .number("write it as a share, like 0.1")
    .min(0.01, "1 % at least")
    .max(0.9, "90 % at most")
    .optional()
    .describe(
      "until what is meant to show does, over this share of where it is worked; passes are then as many as that needs",
    ),
});
export type Effort = z.infer<typeof Effort>;

/** What the hand calls light and hard, as parts of the usual pressure (from memory). */
export const PRESSED: Record<Effort["pressure"], number> = { light: 0.6, usual: 1, hard: 1.6 };

/** "3 passes, pressing hard", "until it shows over 10 %"; empty for what is usual. */
export function sayEffort({ passes, pressure, until }: Effort): string {
  const often =
    until !== undefined ? `until it shows over ${Math.round(100 * until)} %` : passes > 1 ? `${passes} passes` : "";
  const hard = pressure === "usual" ? "" : `pressing ${pressure === "hard" ? "hard" : "lightly"}`;
  return [often, hard].filter(Boolean).join(", ");
}
