import type { Instant, Minutes } from "../../units/units.ts";
import type { Phase } from "../phase.ts";

/** How long a face misted with water stays damp (from memory: a fine mist on sealed paint, in standard air). */
export const MIST_LASTS: Minutes = 20;

/** When a face was last misted, after a phase that begins at this instant. */
export const mistedAfter = (misted: Instant | null, phase: Phase, index: Instant): Instant | null =>
  phase.does.has("mist") ? index + phase.hands : misted;

/** Whether a face misted at one instant is still damp at another. */
export const isDamp = (misted: Instant | null, index: Instant): boolean =>
  misted !== null && index - misted <= MIST_LASTS;
