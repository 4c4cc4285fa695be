import type { PanelId } from "../board/panels/panel.ts";
import type { HouseRule } from "../plan/house-rules.ts";
import type { ReliefClass } from "../plan/plan.ts";
import type { Share } from "../units/units.ts";
import type { Move } from "./move.ts";

/** What a painter would look through a drawer of sample boards for. */
export const LOOKS = [
  "worn",
  "cracked",
  "chipped",
  "pale",
  "dark",
  "coloured",
  "metal",
  "gilded",
  "textured",
  "glazed",
  "decorated",
] as const;
export type Look = (typeof LOOKS)[number];

export const PRACTICE = ["first time", "some practice", "practised"] as const;
export type Practice = (typeof PRACTICE)[number];

/** How much of a layer is meant to be seen in the end, on any ground, for any use and by any school. */
export interface MeantToShow {
  on: ReliefClass;
  /** keys of layers, counted together; "ground" for what was there before */
  layers: readonly string[];
  least: Share;
  most: Share;
}

/** A finish of the trade (common practice): what it is, and the moves that make it. Preparation and repairs follow from the piece. */
export interface Finish<Slot extends string = string> {
  id: string;
  name: string;
  /** what one sees, in a sentence */
  is: string;
  /** where it suits */
  suits: string;
  looks: readonly Look[];
  practice: Practice;
  /** the three panels that show it best, the best first */
  panels: readonly [PanelId, PanelId, PanelId];
  /** materials by the part they play; variants and a shop's own shelf put others in their place */
  materials: Readonly<Record<Slot, string>>;
  moves(materials: Readonly<Record<Slot, string>>): readonly Move[];
  variants: readonly { id: string; name: string; materials: Readonly<Partial<Record<Slot, string>>> }[];
  /** where houses differ about it */
  schools: readonly { rule: HouseRule; says: string }[];
  pitfalls: readonly string[];
  shows: readonly MeantToShow[];
  /** days from the first stroke to the last on the nominal line, wherever it is made */
  days: readonly [least: number, most: number];
}

/** A finish with its slots checked against each other, ready to stand in one list with all others. */
export const finish = <const Slot extends string>(finish: Finish<Slot>): Finish => finish as unknown as Finish;
