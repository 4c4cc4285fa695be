import type { Material } from "../materials/material.ts";
import type { Pot } from "../mixing/pot.ts";
import type { Intent, Step } from "../plan/plan.ts";
import type { Minutes, Share } from "../units/units.ts";
import type { Effect } from "./effect.ts";
import type { Region } from "./places.ts";
import type { Technique } from "./technique.ts";

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
export const disturbsOldFinish = ({ does }: Phase): boolean => DISTURBS.some((disturb) => does.has(disturb));

/** What the rules look at a phase as: handling, looking and holding are all help. */
export type RuledAs = "prepare" | "coat" | "take" | "help";

/** Phases that are worked as one, section by section: each section goes through all of them before the next is begun. */
export interface Go {
  /** phase ids, in order */
  ids: readonly string[];
  /** how many sections the zone is worked in */
  sections: number;
}

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
