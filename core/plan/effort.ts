import { z } from "zod";

export const PRESSURES = ["light", "usual", "hard"] as const;

/** How often and how hard something is rubbed, sanded, wiped or chipped, where it is not once and as usual. */
export const Effort = z.strictObject({
  passes: z.int("a whole number of passes").min(1, "one pass at least").max(12, "12 passes at most"),
  pressure: z.enum(PRESSURES),
});
export type Effort = z.infer<typeof Effort>;

/** What the hand calls light and hard, as parts of the usual pressure (from memory). */
export const PRESSED: Record<Effort["pressure"], number> = { light: 0.6, usual: 1, hard: 1.6 };

/** "3 passes, pressing hard"; empty for what is usual. */
export function sayEffort({ passes, pressure }: Effort): string {
  const often = passes > 1 ? `${passes} passes` : "";
  const hard = pressure === "usual" ? "" : `pressing ${pressure === "hard" ? "hard" : "lightly"}`;
  return [often, hard].filter(Boolean).join(", ");
}
