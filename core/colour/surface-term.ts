import type { Share } from "../units/units.ts";

/**
 * Light that the surface itself turns back: `entering` of the light from outside never gets in (it is shine, and not part of
 * the colour), `within` of the light from inside is thrown back into the film.
 * Saunderson 1942, "Calculation of the color of pigmented plastics", J. Opt. Soc. Am. 32, specular excluded.
 */
export interface SurfaceTerm {
  entering: Share;
  within: Share;
}

const MATT = 0.5;
const SEALED = 0.6;

/** The term of a dry surface by its gloss, 0 matt to 1 (k1 0.04, k2 0.5 matt to 0.6 sealed or waxed; from trial boards). */
export const dryTerm = (gloss: Share): SurfaceTerm => ({
  entering: 0.04,
  within: MATT + (SEALED - MATT) * Math.min(1, gloss / 0.3),
});

/** Water fills the pores: less is thrown back at the outside, more within, so that all looks darker and deeper. */
export const WET: SurfaceTerm = { entering: 0.02, within: 0.68 };

/** What the eye sees of a film whose inner reflectance is this, both 0 to 1. */
export const seenOf = (inner: number, { entering, within }: SurfaceTerm): number =>
  ((1 - entering) * (1 - within) * inner) / (1 - within * inner);

/** The inner reflectance behind what the eye sees; held to 0 to 0.995. */
export const innerOf = (seen: number, { entering, within }: SurfaceTerm): number =>
  Math.min(0.995, Math.max(0, seen / ((1 - entering) * (1 - within) + within * seen)));
