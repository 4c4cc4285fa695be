import { opens, solubility } from "../../drying/solubility.ts";
import type { Effect } from "../effect.ts";
import { dried, type Film, ripeness } from "../film.ts";
import type { Thinning, Working } from "./law.ts";
import { isDamp } from "./misting.ts";

// How much a cloth takes: what is left of a film is its technique's share, to the power of a *hold* that is about 1 for a damp cloth
// on a glaze half way through its workable time. The shape is common practice (wipe from five minutes, clear the high points at
// twenty, too stiff at forty, damp takes more than dry); the figures are from memory.

/** Hold on a film just laid. */
const JUST_LAID = 1.4;
/** After so many times its workable time a film has set, and a dry cloth slides over it. */
const STIFF_AFTER = 3;
/** How well a cloth holds a film, by what wets it. */
const WETNESS = { dry: 0.8, damp: 1, misted: 1.15 };
/** And how much of a film that has set water brings back, by the same. */
const BRINGS_BACK = { dry: 0.08, damp: 0.2, misted: 0.6 };
/** What has gone into the surface a cloth can hardly reach. */
const SOAKED = 0.25;

/** How hard a wiping takes hold of a film, about 1; 0 where it takes nothing. */
export function holdOf(film: Film, { phase, at, misted }: Working): number {
  const { technique } = phase;
  const { material, soaked } = film;
  const age = ripeness(film, at);
  const wet = isDamp(misted, at) ? "misted" : technique.wets === "water" ? "damp" : "dry";
  const { open } = material.windows;
  const times = open ? dried(film, "open", at) / open.typical : STIFF_AFTER;
  const workable = times < STIFF_AFTER ? Math.exp(-times) : 0;
  const dissolves = opens(material, "water", age, technique.rubbing);
  const broughtBack = dissolves ? BRINGS_BACK[wet] * solubility(material, "water", age) : 0;
  return JUST_LAID * WETNESS[wet] * Math.max(workable, broughtBack) * (soaked ? SOAKED : 1);
}

/** Wiping back takes what is still workable or dissolves in water: less and less as it sets, more with a damp cloth. */
export const wiping: Thinning<Extract<Effect, { does: "thin" }>> = {
  way: "thins",
  to: "cloth",
  left: ({ leaves }, film, relief, working) => leaves[relief] ** holdOf(film, working),
};

/** Clear wax lifts tinted wax, and fine foam any wax, wet or not; what has soaked in stays, unless solvent draws it out (common practice). */
export const lifting: Thinning<Extract<Effect, { does: "lift" }>> = {
  way: "thins",
  to: "cloth",
  left: ({ binder, leaves, deep }, film, relief) =>
    film.material.binder === binder && (deep || !film.soaked) ? leaves[relief] : 1,
};
