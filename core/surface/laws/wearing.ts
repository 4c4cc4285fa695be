import type { Effect } from "../effect.ts";
import type { Wearing } from "./law.ts";

/** Paper grades are rated on a film this hard: chalk-type paint (from memory). */
const SOFT_PAINT = 0.35;

/** Paper takes so much effort; a hard film loses less of itself to it (a model from memory). */
export const abrading: Wearing<Extract<Effect, { does: "abrade" }>> = {
  way: "wears",
  to: "dust",
  effort: ({ micrometres }) => micrometres,
  hardness: ({ material }) => material.hardness.typical / SOFT_PAINT,
  worked: ({ worked }) => worked,
};
