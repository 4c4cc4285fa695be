import type { Material } from "../materials/material.ts";
import type { Micrometres, Millilitres, Share, SquareMetres } from "../units/units.ts";

/**
 * Dry film of one normal coat, in micrometres.
 * The handbook relation behind ISO 3233 and ASTM D5201: spreading rate (m²/L) = 10 · volume solids (%) / dry film (µm).
 */
export function dryFilm(material: Material): Micrometres {
  return (10 * material.volumeSolids.typical) / material.spreadingRate.typical;
}

/** What stays in the brush, the kettle and on the rag: added to what goes on the piece (common practice). */
export const LOSS_ON_TOOLS: Share = 0.1;

/**
 * Material for a number of coats over an area, in millilitres straight from the tin. `load` is how much of a normal
 * coat goes on (a wash or a wax far less than one), `coverShare` how much of the area is covered.
 */
export function volumeNeeded(
  material: Material,
  area: SquareMetres,
  coats: number,
  coverShare: Share = 1,
  load = 1,
): Millilitres {
  return ((area * coverShare * coats * load) / material.spreadingRate.typical) * 1000 * (1 + LOSS_ON_TOOLS);
}
