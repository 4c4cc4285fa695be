import type { Climate } from "../../drying/climate.ts";
import type { PlaceOnFace, Zone } from "../../plan/plan.ts";
import type { Share } from "../../units/units.ts";
import type { Field, Grid } from "../grid.ts";
import type { Source } from "../kernels.ts";
import type { PanelRelief } from "../relief.ts";

/** What a hand meets: the panel, and what lies on it so far. */
export interface WorkedBoard {
  relief: PanelRelief;
  grid: Grid;
  /** of this step on this board */
  seed: number;
  /** of the whole board: what all its steps have in common, such as where its places are */
  boardSeed: number;
  /** the share of the face that each named place takes */
  sizes: Readonly<Record<PlaceOnFace, Share>>;
  /** places drawn by hand on the face, stretched to the panel */
  outlines: NonNullable<Zone["outlines"]>;
  /** whether paste or crumb builds the face up in peaks that a cloth or a dry brush finds */
  builtUp: boolean;
  /** how much of what is laid is water beyond what is in the tin, 0 to 1 */
  letDown: number;
  /** the air that it dries in */
  climate: Climate;
  /** micrometres of film so far: fine hollows in it hold what is fluid */
  total: () => Field;
}

/** How a coat lies: thicker and thinner from place to place, and where it breaks when it covers only in part. */
export interface CoatSpread {
  /** thickness against the mean, about 1; the profile of the technique comes on top */
  weight: Field | Source;
  /** where it covers first; null for hands that only ever lay whole coats, or break in clouds */
  breaks: Field | Source | null;
  /** width of a broken edge, in units of the score: small is crisp */
  softness: number;
  /** keeps the two colours of a pot apart, the second where it breaks first, instead of mixing them */
  apart?: boolean;
  /** what is printed on a sheet besides its own colour: where, 0 to 1, and in which colour */
  prints?: readonly { where: Field; colour: string }[];
}

export type Hand = (bench: WorkedBoard) => CoatSpread;
