import type { Binder, Material } from "../materials/material.ts";
import type { Pot } from "../mixing/pot.ts";
import type { Intent, ReliefClass, Step } from "../plan/plan.ts";
import type { Micrometres, Minutes, Share } from "../units/units.ts";
import type { Go } from "./one-go.ts";
import type { Region } from "./places.ts";
import type { Technique } from "./technique.ts";

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

/** Effects that break into an old finish, or heat it: what is in it comes out as dust, fume or wet smear. */
const DISTURBS: readonly Effect["does"][] = [
  "abrade",
  "chip",
  "key",
  "knock back",
  "strip",
  "scrape",
  "dissolve",
  "force dry",
];

/** Whether a phase disturbs an old finish where it reaches it. */
export const disturbsOldFinish = ({ does }: Phase): boolean => DISTURBS.some((one) => does.has(one));

/** What the rules look at a phase as: handling, looking and holding are all help. */
export type RuledAs = "prepare" | "coat" | "take" | "help";

/** One pass of the hand: a coat, or a taking-off, compiled from a step. */
export interface Phase {
  /** step id and, for coats, which one */
  id: string;
  step: Step;
  technique: Technique;
  /** what it lays: straight from the tin, or what is in its pot */
  material: Material | null;
  /** what is stirred together for it, by tins; null where nothing is laid */
  pot: Pot | null;
  /** the second colour of a brush that carries two, beside the first and not stirred into it */
  beside: { material: Material; share: Share } | null;
  coat: number;
  /** how many coats the step lays on this zone */
  coats: number;
  /** the round of a loop it is done in; 1 where nothing is repeated */
  round: number;
  /** how often it is gone over, where something is taken off */
  passes: number;
  /** laid thin here and thick there */
  uneven: boolean;
  ruledAs: RuledAs;
  /** how many normal coats thick it lies where it covers */
  load: number;
  effects: readonly Effect[];
  /** the kinds of effect it has, for rules to ask */
  does: ReadonlySet<Effect["does"]>;
  /** where it goes, and the share of that place that it covers */
  where: Region & { share: Share };
  intents: readonly Intent[];
  /** minutes of hands: on the whole zone, or on one section of its go */
  hands: Minutes;
  /** the go it is part of, if it is worked together with others */
  go: Go | null;
}
