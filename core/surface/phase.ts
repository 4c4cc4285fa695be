import type { Material } from "../materials/material.ts";
import type { Intent, ReliefClass, Step } from "../plan/plan.ts";
import type { Micrometres, Minutes, Share } from "../units/units.ts";
import type { Technique } from "./technique.ts";

export type ByRelief = Record<ReliefClass, number>;

/** What a phase does to the surface. Each effect is told by relief class, for every technique has another hand on each. */
export type Effect =
  | { does: "deposit"; micrometres: Micrometres; profile: ByRelief }
  /** Rubbing with a solvent: within the share worked, every film that dissolves is gone, down to the first that holds. */
  | { does: "dissolve"; solvent: "water" | "solvent"; rubbing: number; worked: ByRelief }
  /** Wiping back what is still wet: the top film is thinned to this share of itself. */
  | { does: "thin"; leaves: ByRelief }
  /** Paper or blade: within the share worked, so many micrometres of soft film are gone, hard films less. */
  | { does: "abrade"; micrometres: Micrometres; worked: ByRelief }
  | { does: "key" }
  | { does: "clean"; removes: readonly ("grease" | "wax" | "oil")[] }
  | { does: "polish" };

/** One pass of the hand: a coat, or a taking-off, compiled from a step. */
export interface Phase {
  /** step id and, for coats, which one */
  id: string;
  step: Step;
  technique: Technique;
  material: Material | null;
  coat: number;
  effects: readonly Effect[];
  where: { on: "everywhere" | ReliefClass; share: Share };
  intents: readonly Intent[];
  hands: Minutes;
}
