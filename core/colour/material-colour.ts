import { LRUCache } from "lru-cache";
import { type Material, METALLIC_FAMILIES } from "../materials/material.ts";
import { dryFilm } from "../quantity/spread.ts";
import type { Share } from "../units/units.ts";
import { linearOfSpectrum, type Spectrum } from "./bands.ts";
import {
  contrastRatioOf,
  filmOver,
  fromFlakes,
  fromMasstone,
  fromSwatches,
  masstoneOf,
  mixed,
  type Optics,
} from "./film.ts";
import type { Light } from "./observer.ts";
import { spectrumOf } from "./reflectance.ts";
import { hexOf } from "./screen.ts";
import { dryTerm, innerOf, type SurfaceTerm, seenOf } from "./surface-term.ts";

/** Inner reflectance of something that looks like this colour, with a surface of this gloss. */
export function innerSpectrum(hex: string, gloss: Share): Spectrum {
  const term = dryTerm(gloss);
  return spectrumOf(hex).map((value) => innerOf(value, term));
}

/** The colour seen of an inner reflectance through its surface. */
export function seenColour(inner: ArrayLike<number>, term: SurfaceTerm, light: Light = "daylight"): string {
  return hexOf(
    linearOfSpectrum(
      Float64Array.from(inner, (value) => seenOf(value, term)),
      light,
    ),
  );
}

/** Over white and over black: what the two halves of a chart show of one normal coat. */
export interface Swatches {
  overWhite: string;
  overBlack: string;
}

/** Materials that hide next to nothing and have no swatches of their own are taken as clear, with a breath of their colour. */
const CLEAR_BELOW = 0.06;

/** A clear film's look on a chart, tinted a little by the colour it is shown in. */
function clearSwatches(colour: string): Swatches {
  const tint = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
  const brightest = Math.max(...tint, 1);
  const part = (value: number) => Math.round(247 - 26 * (1 - value / brightest) * 2);
  return {
    overWhite: `#${tint.map((value) => Math.max(0, part(value)).toString(16).padStart(2, "0")).join("")}`,
    overBlack: "#080808",
  };
}

const kept = new LRUCache<string, Optics>({ max: 2000 });

/**
 * K and S of a material per micrometre of dry film: from its swatches over white and over black where it has them, else from
 * its masstone and the contrast ratio of one normal coat. Kept by what it depends on, because plans are read again and again.
 */
export function opticsOf(material: Material): Optics {
  const { colour, contrastRatio, gloss, swatches } = material;
  const micrometres = dryFilm(material);
  const key = `${colour} ${contrastRatio.typical} ${gloss.typical} ${micrometres} ${swatches?.overWhite} ${swatches?.overBlack} ${isMetallic(material)}`;
  const optics = kept.get(key) ?? opticsFrom(material, micrometres);
  kept.set(key, optics);
  return optics;
}

function opticsFrom(material: Material, micrometres: number): Optics {
  const { colour, contrastRatio, gloss } = material;
  const swatches = material.swatches ?? (contrastRatio.typical < CLEAR_BELOW ? clearSwatches(colour) : undefined);
  if (swatches)
    return fromSwatches(
      innerSpectrum(swatches.overWhite, gloss.typical),
      innerSpectrum(swatches.overBlack, gloss.typical),
      micrometres,
      innerSpectrum(CHART_WHITE, gloss.typical)[3],
    );
  const inner = innerSpectrum(colour, gloss.typical);
  return isMetallic(material)
    ? fromFlakes(inner, contrastRatio.typical, micrometres)
    : fromMasstone(inner, contrastRatio.typical, micrometres);
}

/** The white half of a painter's chart: a primed card. */
const CHART_WHITE = "#fbfbfa";
const CHART_BLACK = "#1c1b1a";

/** A mix by parts of the wet tins: each counts by what is left of it when dry. */
export function opticsOfMix(parts: readonly { material: Material; parts: number }[]): Optics {
  return mixed(
    parts.map(({ material, parts: wet }) => ({
      optics: opticsOf(material),
      part: wet * Math.max(0.5, material.volumeSolids.typical),
    })),
  );
}

/** From this hiding a coat has a masstone, under it a look over white and one over black. */
const HAS_MASSTONE = 0.8;

/** Colour, hiding and swatches of a mix, by shares of the wet tins, as a coat of this many micrometres has them. */
export function lightMix(
  parts: readonly { material: Material; share: Share }[],
  micrometres: number,
): Pick<Material, "colour" | "contrastRatio" | "swatches"> {
  const optics = opticsOfMix(parts.map(({ material, share }) => ({ material, parts: share })));
  const gloss = parts[0]!.material.gloss.typical;
  const hides = Math.round(1000 * contrastRatioOf(optics, micrometres)) / 1000;
  const thick = optics.flakes?.colour ?? Float64Array.from(optics.k, (k, band) => masstoneOf(k, optics.s[band]!));
  const chart = { overWhite: CHART_WHITE, overBlack: CHART_BLACK };
  const look = (under: string) => filmColour(optics, micrometres, under, gloss);
  return {
    colour: parts.length === 1 ? parts[0]!.material.colour : seenColour(thick, dryTerm(gloss)),
    contrastRatio: { typical: hides, safe: hides, origin: "from memory" },
    swatches:
      hides >= HAS_MASSTONE || optics.flakes
        ? undefined
        : { overWhite: look(chart.overWhite), overBlack: look(chart.overBlack) },
  };
}

/** What a dry film of this many micrometres looks like over a ground of this colour. */
export function filmColour(
  optics: Optics,
  micrometres: number,
  under: string,
  gloss: Share,
  light: Light = "daylight",
): string {
  const ground = innerSpectrum(under, gloss);
  return seenColour(filmOver(optics, micrometres, ground), dryTerm(gloss), light);
}

/** What some normal coats of a material look like over a ground of this colour. */
export const coatsOver = (material: Material, coats: number, under: string, light: Light = "daylight"): string =>
  filmColour(opticsOf(material), coats * dryFilm(material), under, material.gloss.typical, light);

/** A cut film is seen against itself: so many coats over white show a translucent one's body. */
const BODY_COATS = 3;
const SEEN_THROUGH = 0.8;

/** Whether what lies beneath one coat is meant to be seen through it. */
export const isTranslucent = (material: Material): boolean =>
  material.swatches !== undefined || (material.contrastRatio.typical < SEEN_THROUGH && !isMetallic(material));

/** The colour of a material's body, as in a cut or on a label: its masstone, or some coats of a translucent one over white. */
export const bodyColour = (material: Material): string =>
  isTranslucent(material) ? coatsOver(material, BODY_COATS, CHART_WHITE) : material.colour;

/** What one normal coat looks like on the white and on the black half of a painter's chart. */
export const onChart = (material: Material): Swatches => ({
  overWhite: coatsOver(material, 1, CHART_WHITE),
  overBlack: coatsOver(material, 1, CHART_BLACK),
});

/** Whether a material's shine is the metal's own: its colour turns with the light. */
export const isMetallic = (material: Material): boolean => METALLIC_FAMILIES.has(material.family);
