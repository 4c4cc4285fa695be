import type { Material } from "../materials/material.ts";
import { dryFilm } from "../quantity/spread.ts";
import { colourDifference } from "./difference.ts";
import { contrastRatioOf } from "./film.ts";
import { bodyColour, coatsOver, opticsOf } from "./material-colour.ts";

/** ISO 6504-3 calls a contrast ratio of 0.98 full hiding. */
export const FULL_HIDING = 0.98;
/** Under this ΔE00 two patches side by side look the same. */
const ALIKE = 1;
const MOST_COATS = 12;

export interface CoatsToHide {
  /** coats that hide this ground by eye; null where a dozen do not */
  overGround: number | null;
  /** coats that reach a contrast ratio of 0.98 over black and white; null where a dozen do not */
  onChart: number | null;
}

const firstCoat = (fits: (coats: number) => boolean): number | null => {
  for (let coats = 1; coats <= MOST_COATS; coats++) if (fits(coats)) return coats;
  return null;
};

/**
 * How many normal coats of a material hide: on a black and white chart (contrast ratio 0.98, ISO 6504-3), and over a ground of
 * this colour, which is usually kinder (ΔE00 under 1 against the material over itself).
 */
export function coatsToHide(material: Material, under: string): CoatsToHide {
  const optics = opticsOf(material);
  const film = dryFilm(material);
  const masstone = coatsOver(material, 100, under);
  return {
    onChart: firstCoat((coats) => contrastRatioOf(optics, coats * film) >= FULL_HIDING),
    overGround: firstCoat((coats) => colourDifference(coatsOver(material, coats, under), masstone) < ALIKE),
  };
}

export interface BetterUnder {
  under: Material;
  /** coats that are enough over it */
  coats: number;
}

/**
 * A colour of the same kind as what lies beneath over which fewer coats are enough than are laid now; the one that looks most like
 * what it replaces. Null where there is none, or where what is laid now is not needed anyway.
 *
 * @param choices materials that may lie beneath
 */
export function betterUnder(
  material: Material,
  below: Material,
  coats: number,
  choices: readonly Material[],
): BetterUnder | null {
  const over = (under: Material) => coatsToHide(material, bodyColour(under)).overGround ?? Number.POSITIVE_INFINITY;
  if (coats < 2 || over(below) < coats) return null;
  const likeness = (one: Material) => colourDifference(bodyColour(one), bodyColour(below));
  const fits = choices
    .filter(({ family, id }) => family === below.family && id !== below.id && id !== material.id)
    .map((under) => ({ under, coats: over(under) }))
    .filter((one) => one.coats < coats)
    .sort((a, b) => likeness(a.under) - likeness(b.under));
  return fits[0] ?? null;
}
