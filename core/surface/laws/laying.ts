import type { Material } from "../../materials/material.ts";
import type { Instant, Share } from "../../units/units.ts";
import type { Effect } from "../effect.ts";
import { dried, type Film, isWet, type LaidOn } from "../film.ts";
import { absorbencyOn, type GroundState } from "../ground-state.ts";
import type { Laying } from "./law.ts";

/** From here a surface is thirsty: stain, wax and glaze go in rather than lie on top (from memory). */
export const THIRSTY = 0.5;

/** Whether a film, or the bare ground (null), draws in what is thin enough. */
export const isThirsty = (under: Film | null, ground: GroundState): boolean => absorbencyOn(under, ground) >= THIRSTY;

/** Kinds of material that are thin enough to go into a thirsty surface. */
const SOAKS_IN: ReadonlySet<Material["role"]> = new Set(["wax", "glaze", "stain", "oil"]);

export const soaksIn = ({ role }: Material): boolean => SOAKS_IN.has(role);

/** How a material meets the film it is laid on, or the bare ground (null), whose pull on drying is asked at the seam. */
export const meets = (material: Material, under: Film | null, ground: GroundState): LaidOn => ({
  drawnBy: under === null ? 0 : under.material.absorbency.typical,
  soaked: soaksIn(material) && isThirsty(under, ground),
});

/** A thirsty surface takes up this many times what would lie on it (from memory). */
const DRINKS = 1.4;
/** And takes it more evenly: what soaks in can neither run off nor gather (from memory). */
const EVENER = 0.35;
const unevenness = ({ soaked }: LaidOn): number => (soaked ? EVENER : 1);

/**
 * A coat comes to lie as the hand of its technique shares it out; what soaks in goes deeper and lies evener (profiles and figures
 * are from memory).
 */
export const depositing: Laying<Extract<Effect, { does: "deposit" }>> = {
  way: "lays",
  holds: () => true,
  meets,
  unevenness,
  amount: ({ micrometres, profile }, relief, on) =>
    micrometres * (on.soaked ? DRINKS : 1) * profile[relief] ** unevenness(on),
};

/** Leaf holds on size, crumb on what is wet (common practice). */
export const sticking: Laying<Extract<Effect, { does: "stick" }>> = {
  way: "lays",
  holds: ({ to }, under, { at }) =>
    under !== null && (to === "size" ? under.material.role === "size" : isWet(under, at)),
  meets,
  unevenness,
  amount: ({ micrometres }) => micrometres,
};

/** Whether the edge of a coat melts into a film it meets: that is still wet, with the same thing (common practice: wet into wet). */
export const meltsInto = (material: Material, film: Film, index: Instant): boolean =>
  film.material.carrier === material.carrier && isWet(film, index);

/** What is laid unevenly on purpose is so much thinner or thicker than its mean (from memory). */
export const UNEVEN = 0.4;

/** Share of a cracked coat that lies open (common practice and trial boards: about a seventh, whatever the size). */
export const CRACK_SHARE: Share = 0.15;

/** Whether a coat laid now onto this film tears into cracks: it has tack, and the window is open (common practice). */
export function cracksOver(film: Film, material: Material, at: Instant): boolean {
  const { tack } = film.material.windows;
  if (
    film.material.role !== "medium" ||
    film.spent ||
    !tack ||
    (material.role !== "paint" && material.role !== "paste")
  )
    return false;
  const age = dried(film, "tack", at);
  return age >= tack.opens.typical && age <= tack.shuts.typical;
}
