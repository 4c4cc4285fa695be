import type { Material } from "../../materials/material.ts";
import { byRelief, type Effect } from "../effect.ts";
import type { Film } from "../film.ts";
import { absorbencyOn, type GroundState, toothOn } from "../ground-state.ts";
import type { Flaking } from "./law.ts";

/** Under this tooth a film or a ground lets a blade lift what lies on it. */
const SLICK = 0.25;
/** Brittle paint that is laid to chip comes off what draws less than this; other paint needs a resist. */
const SEALED = 0.3;

/** Whether a film of this material comes away from what lies under it (null: the bare ground). */
export function comesAway(material: Material, laidToChip: boolean, under: Film | null, ground: GroundState): boolean {
  if (under?.resist === true || under?.material.binder === "wax") return true;
  if (toothOn(under, ground) < SLICK) return true;
  return laidToChip && material.brittle && absorbencyOn(under, ground) < SEALED;
}

/** Brittle paint dried by warm air makes so many times the flakes, and a thicker coat more than a thin one (from memory). */
const FORCED_CHIPS_MORE = 1.5;
const THICK_CHIPS_MORE = 0.8;

/**
 * Flakes let go over a resist, over a slick face, and, where brittle paint is laid to chip, over anything sealed (common practice; the
 * limits are from memory).
 */
export const flaking: Flaking<Extract<Effect, { does: "chip" }>> = {
  way: "flakes",
  to: "flakes",
  letsGo: (_effect, { material, chips }, under, { ground }) => comesAway(material, chips, under, ground),
  eager: (_effect, { material, coat, forced }) =>
    material.brittle ? coat.load ** THICK_CHIPS_MORE * (forced ? FORCED_CHIPS_MORE : 1) : 1,
  worked: ({ worked }) => worked,
};

/** The crumb breaks off, and whatever was laid over it (common practice). */
export const scraping: Flaking<Extract<Effect, { does: "scrape" }>> = {
  way: "flakes",
  to: "flakes",
  letsGo: (_effect, film) => film.material.role === "crumb",
  eager: () => 1,
  worked: () => byRelief(() => 1),
};
