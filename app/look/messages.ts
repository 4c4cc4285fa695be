import type { PanelId } from "#core/board/panels/panel";
import type { InShop } from "#core/finishes/facts";
import type { SeenWish } from "#core/look/seen";
import type { Look } from "#core/look/spec";
import type { Material } from "#core/materials/material";
import type { Crust } from "#core/plan/plan";
import type { WallMinutes } from "#core/units/units";
import type { PlanText } from "~/editor/plan-text";

/** What the page asks of the worker: a look, for a zone of a plan. */
export interface Asking {
  text: PlanText;
  zoneId: string;
  look: Look;
  /** ids of what is on the shelf; null where the shop keeps none here */
  shelf: readonly string[] | null;
  /** who has time, and what things cost */
  inShop: InShop;
  panel: PanelId;
  width: number;
}

/** A stack that answers it, as the page shows it. */
export interface Shown {
  key: string;
  crust: Crust;
  materials: Material[];
  /** its moves from the ground up, with the steps of each and the reason for it */
  moves: { name: string; stepIds: string[]; why: string }[];
  repairs: string[];
  apart: number;
  seen: readonly SeenWish[];
  days: number;
  handsOn: number;
  practice: string;
  buy: readonly string[];
}

export type Answer =
  | { is: "found"; shown: Shown[]; says: string | null; nearest: Shown | null; tried: number; done: boolean }
  | { is: "dated"; key: string; leaves: WallMinutes | null; price: number | null }
  | { is: "drawn"; key: string; pixels: ArrayBuffer; width: number; height: number };
