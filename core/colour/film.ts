import type { Share } from "../units/units.ts";
import { BANDS, luminanceOf, type Spectrum } from "./bands.ts";

/** How a dry film absorbs and scatters in each band, per micrometre of its thickness. */
export interface Optics {
  k: Spectrum;
  s: Spectrum;
  /** metal in flakes: each turns light back at once, and what is between them lets it through unchanged */
  flakes?: { colour: Spectrum; lets: number };
}

/** Light that a film turns back over black, and lets through once. */
export interface FilmLight {
  back: number;
  through: number;
}

const NO_SCATTER = 1e-9;

/**
 * One band of a film: what it turns back over black (R0) and lets through (T).
 * Kubelka 1948, "New contributions to the optics of intensely light-scattering materials", J. Opt. Soc. Am. 38.
 * `k` and `s` per unit of thickness, `thickness` in that unit.
 */
export function filmLight(k: number, s: number, thickness: number): FilmLight {
  if (thickness <= 0) return { back: 0, through: 1 };
  if (s < NO_SCATTER) return { back: 0, through: Math.exp(-k * thickness) };
  const a = (s + k) / s;
  const b = Math.sqrt(a * a - 1);
  // without absorption the hyperbolic form has no value, but a limit
  if (b < 1e-6) {
    const sx = s * thickness;
    return { back: sx / (1 + sx), through: 1 / (1 + sx) };
  }
  const depth = b * s * thickness;
  if (depth > 300) return { back: a - b, through: 0 };
  const sinh = Math.sinh(depth);
  const cosh = Math.cosh(depth);
  const under = a * sinh + b * cosh;
  return { back: sinh / under, through: b / under };
}

/**
 * One band of any film. Flakes of metal lie as little mirrors: what they cover is their colour, and the share they leave open,
 * `lets` to the power of the thickness, is the ground's.
 */
export function bandLight({ k, s, flakes }: Optics, band: number, micrometres: number): FilmLight {
  if (!flakes) return filmLight(k[band]!, s[band]!, micrometres);
  const open = flakes.lets ** Math.max(0, micrometres);
  return { back: flakes.colour[band]! * (1 - open), through: Math.sqrt(open) };
}

/** Reflectance of a film over a ground of reflectance `ground`: light goes to and fro between the two. */
export const over = ({ back, through }: FilmLight, ground: number): number =>
  back + (through * through * ground) / (1 - back * ground);

/**
 * Reflectance of a film so thick that nothing beneath it counts: 1 + K/S − √((K/S)² + 2K/S).
 * @example masstoneOf(0.25, 1) // ≈ 0.5
 */
export function masstoneOf(k: number, s: number): number {
  if (s < NO_SCATTER) return 0;
  const ratio = k / s;
  return 1 + ratio - Math.sqrt(ratio * ratio + 2 * ratio);
}

/**
 * K/S of a film of this masstone: (1 − R)² / 2R.
 * @example absorptionRatio(0.5) // 0.25
 */
export const absorptionRatio = (masstone: number): number => (1 - masstone) ** 2 / (2 * masstone);

/** Inner reflectance of the whole film over a ground, band by band. */
export function filmOver(optics: Optics, micrometres: number, ground: ArrayLike<number>): Spectrum {
  return Float64Array.from(optics.k, (_, band) => over(bandLight(optics, band, micrometres), ground[band]!));
}

const BLACK = new Float64Array(BANDS.count);
/** The white of a hiding chart (ISO 6504-3 asks for 80 % ± 2 %). */
const CHART_WHITE = new Float64Array(BANDS.count).fill(0.8);

/**
 * Contrast ratio of a film: its luminance over black divided by its luminance over the white of the chart, 0 to 1.
 * ISO 6504-3 calls 0.98 full hiding.
 */
export function contrastRatioOf(optics: Optics, micrometres: number): Share {
  const white = luminanceOf(filmOver(optics, micrometres, CHART_WHITE));
  return white <= 0 ? 1 : luminanceOf(filmOver(optics, micrometres, BLACK)) / white;
}

const LEAST_REFLECTANCE = 0.004;
const MOST_REFLECTANCE = 0.985;
const held = (value: number) => Math.min(MOST_REFLECTANCE, Math.max(LEAST_REFLECTANCE, value));

/**
 * An opaque paint: its masstone (inner reflectance of a thick coat), and the contrast ratio that one coat of this many
 * micrometres reaches. Scattering is taken as even over the bands.
 */
export function fromMasstone(masstone: ArrayLike<number>, contrastRatio: Share, micrometres: number): Optics {
  const ratios = Float64Array.from(masstone, (value) => absorptionRatio(held(value)));
  const wanted = Math.min(0.9995, Math.max(0.002, contrastRatio));
  const withScattering = (s: number): Optics => ({
    k: Float64Array.from(ratios, (ratio) => (ratio * s) / micrometres),
    s: new Float64Array(ratios.length).fill(s / micrometres),
  });
  let low = 1e-6;
  let high = 1e3;
  for (let step = 0; step < 60; step++) {
    const middle = Math.sqrt(low * high);
    if (contrastRatioOf(withScattering(middle), micrometres) < wanted) low = middle;
    else high = middle;
  }
  return withScattering(Math.sqrt(low * high));
}

/** A film of metal flakes that leaves this much of what is beneath open at one coat. */
export const fromFlakes = (colour: Spectrum, contrastRatio: Share, micrometres: number): Optics => ({
  ...fromMasstone(colour, contrastRatio, micrometres),
  flakes: { colour, lets: Math.max(1e-3, 1 - contrastRatio) ** (1 / micrometres) },
});

/**
 * A glaze, a wax or a thin white: what a film of this many micrometres looks like over white and over black (inner
 * reflectances), which tells K and S of each band apart where a masstone would not.
 */
export function fromSwatches(
  overWhite: ArrayLike<number>,
  overBlack: ArrayLike<number>,
  micrometres: number,
  white = 0.9,
): Optics {
  const k = new Float64Array(overWhite.length);
  const s = new Float64Array(overWhite.length);
  for (let band = 0; band < overWhite.length; band++) {
    const light = Math.min(white * 0.9995, Math.max(LEAST_REFLECTANCE, overWhite[band]!));
    const dark = Math.min(light * 0.998, Math.max(1e-6, overBlack[band]!));
    // the two equations of a film over black and over white, solved for a and for bSX
    const a = Math.max(1, 0.5 * (light + (dark - light + white) / (dark * white)));
    const b = Math.sqrt(a * a - 1);
    const depth = b < 1e-6 ? 0 : arcoth((1 - a * dark) / (b * dark));
    const sx = b < 1e-6 ? dark / (1 - dark) : depth / b;
    if (Number.isFinite(sx) && sx > 1e-5) {
      s[band] = sx / micrometres;
      k[band] = s[band]! * (a - 1);
    } else k[band] = Math.log(white / light) / 2 / micrometres;
  }
  return { k, s };
}

const arcoth = (value: number): number => (value > 1 ? 0.5 * Math.log((value + 1) / (value - 1)) : 0);

/** A mix: K and S add up by each one's part of the dry film, and flakes of metal cover by theirs. Parts need not sum to 1. */
export function mixed(parts: readonly { optics: Optics; part: number }[]): Optics {
  const whole = parts.reduce((sum, { part }) => sum + part, 0);
  const sum = (of: "k" | "s") =>
    Float64Array.from({ length: BANDS.count }, (_, band) =>
      parts.reduce((total, { optics, part }) => total + (part / whole) * optics[of][band]!, 0),
    );
  const metal = parts.find(({ optics }) => optics.flakes);
  if (!metal?.optics.flakes) return { k: sum("k"), s: sum("s") };
  // flakes cover by how many of them there are
  const { colour, lets } = metal.optics.flakes;
  return { k: sum("k"), s: sum("s"), flakes: { colour, lets: lets ** (metal.part / whole) } };
}
