import type { Binder } from "../materials/material.ts";
import type { ReliefClass } from "../plan/plan.ts";
import type { Micrometres, Minutes } from "../units/units.ts";

export type ByRelief = Record<ReliefClass, number>;

/** One number for each relief class. */
export const byRelief = (of: (relief: ReliefClass) => number): ByRelief => ({
  arris: of("arris"),
  field: of("field"),
  high: of("high"),
  recess: of("recess"),
});

export type Contaminant = "grease" | "wax" | "oil";

/** What a phase does to the surface. Each effect is given by relief class, because every technique works each of them differently. */
export type Effect =
  | { does: "deposit"; micrometres: Micrometres; profile: ByRelief }
  /** Leaf and crumb hold only where something wet or tacky lies on top. */
  | { does: "stick"; micrometres: Micrometres; to: "size" | "wet" }
  /** Rubbing with a solvent: within the share worked, every film that dissolves is gone, down to the first that holds. */
  | { does: "dissolve"; solvent: "water" | "solvent"; rubbing: number; worked: ByRelief }
  /** Wiping back what is still wet: the top film is thinned to this share of itself. */
  | { does: "thin"; leaves: ByRelief }
  /** Taking a film of this binder down to this share of itself, wet or not: clear wax lifts tinted, fine foam lifts wax; solvent draws out what has soaked in as well. */
  | { does: "lift"; binder: Binder; leaves: ByRelief; deep?: true }
  /** Paper or blade: within the share worked, so many micrometres of soft film are gone, hard films less. */
  | { does: "abrade"; micrometres: Micrometres; worked: ByRelief }
  /** Within the share worked, whatever lies on a resist or on a slick face comes away in flakes. */
  | { does: "chip"; worked: ByRelief }
  /** The crumb comes off, and with it what was laid over it. */
  | { does: "scrape" }
  /** Warm air, so many minutes at each spot: what lies on top counts as dry where the house rule says so. */
  | { does: "force dry"; minutes: Minutes }
  | { does: "mist" }
  | { does: "react" }
  | { does: "key" }
  | { does: "degloss" }
  | { does: "clean"; removes: readonly Contaminant[] }
  /** Loose old paint comes off; what is left is sound. */
  | { does: "knock back" }
  /** Everything comes off down to bare timber. */
  | { does: "strip" }
  | { does: "polish" };
