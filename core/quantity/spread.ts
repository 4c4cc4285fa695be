import type { Material } from "../materials/material.ts";
import type { Micrometres } from "../units/units.ts";

/**
 * Dry film of one normal coat, in micrometres.
 * The handbook relation behind ISO 3233 and ASTM D5201: spreading rate (m²/L) = 10 · volume solids (%) / dry film (µm).
 */
export function dryFilm(material: Material): Micrometres {
  return (10 * material.volumeSolids.typical) / material.spreadingRate.typical;
}

/**
 * Square metres that a litre covers at a film of this thickness, by the same relation.
 * @example spreadAt(40, 40) // 10
 */
export const spreadAt = (volumeSolidsPercent: number, film: Micrometres): number => (10 * volumeSolidsPercent) / film;
