import type { Material } from "../materials/material.ts";
import { BANDS, linearOfSpectrum } from "./bands.ts";
import { ciede2000, type Lab, labOf } from "./difference.ts";
import { masstoneOf } from "./film.ts";
import { opticsOf } from "./material-colour.ts";
import { hexOf } from "./screen.ts";
import { dryTerm, seenOf } from "./surface-term.ts";

export interface MixPart {
  material: Material;
  /** parts of the wet tins, in whole numbers */
  parts: number;
}

export interface Mix {
  parts: readonly MixPart[];
  /** what a thick coat of it looks like, "#rrggbb" */
  colour: string;
  /** ΔE00 from the colour that is wanted */
  difference: number;
}

/** Ratios a painter can measure out with a spoon. */
const RATIOS: readonly (readonly [number, number])[] = [
  [1, 1],
  [2, 1],
  [1, 2],
  [3, 1],
  [1, 3],
  [3, 2],
  [2, 3],
  [5, 1],
  [1, 5],
  [8, 1],
  [1, 8],
  [12, 1],
  [1, 12],
];
/** Pairs that are tried with a third. */
const PAIRS_KEPT = 14;
const THIRDS = [1, 2, 4] as const;
const SHEEN = 0.05;

/** K and S of one tin, weighed by what of it is left when dry. */
interface Tin {
  material: Material;
  k: Float64Array;
  s: Float64Array;
}

const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b));

/** Parts in their lowest terms: five to one to one, and not ten to two to two. */
function lowest<Part extends { parts: number }>(parts: readonly Part[]): Part[] {
  const by = parts.map((part) => part.parts).reduce(greatestDivisor);
  return parts.map((part) => ({ ...part, parts: part.parts / by }));
}

const tinOf = (material: Material): Tin => {
  const { k, s } = opticsOf(material);
  const solids = Math.max(0.5, material.volumeSolids.typical);
  return { material, k: k.map((value) => value * solids), s: s.map((value) => value * solids) };
};

const TERM = dryTerm(SHEEN);

function mixColour(tins: readonly { tin: Tin; parts: number }[]): string {
  const seen = new Float64Array(BANDS.count);
  for (let band = 0; band < BANDS.count; band++) {
    let k = 0;
    let s = 0;
    for (const { tin, parts } of tins) {
      k += parts * tin.k[band]!;
      s += parts * tin.s[band]!;
    }
    seen[band] = seenOf(masstoneOf(k, s), TERM);
  }
  return hexOf(linearOfSpectrum(seen));
}

/** What a thick coat of a mix looks like. */
export const colourOfMix = (parts: readonly MixPart[]): string =>
  mixColour(parts.map(({ material, parts: count }) => ({ tin: tinOf(material), parts: count })));

export interface NearestOptions {
  /** which materials may be mixed; all of them when left out */
  together?: (a: Material, b: Material) => boolean;
  /** tins that are in every mix, three at most */
  must?: readonly Material[];
  /** how many mixes are returned */
  most?: number;
}

/**
 * The mixes of one to three of these materials that come closest to a colour, the closest first, each set of tins
 * once. Every pair is tried in ratios a spoon can measure; the best pairs are tried with every third tin. Of the same tins, and of
 * mixes of mostly one tin, only the closest is shown; a third tin has to bring half a just noticeable step.
 */
export function nearestMixes(
  wanted: string,
  materials: readonly Material[],
  { together = () => true, must = [], most = 5 }: NearestOptions = {},
): Mix[] {
  const target: Lab = labOf(wanted);
  const tins = [...must, ...materials.filter(({ id }) => !must.some((one) => one.id === id))].map(tinOf);
  const best = new Map<string, Mix>();
  const tried = (parts: readonly { tin: Tin; parts: number }[]): Mix => {
    const colour = mixColour(parts);
    const mix: Mix = {
      parts: lowest(parts.map(({ tin, parts: count }) => ({ material: tin.material, parts: count }))),
      colour,
      difference: ciede2000(labOf(colour), target),
    };
    const key = parts
      .map(({ tin }) => tin.material.id)
      .sort()
      .join("+");
    const known = best.get(key);
    if (!known || mix.difference < known.difference) best.set(key, mix);
    return mix;
  };
  for (const tin of tins) tried([{ tin, parts: 1 }]);
  const held = (some: readonly Tin[]) =>
    must.filter(({ id }) => some.some(({ material }) => material.id === id)).length;
  const pairs: { tins: [Tin, Tin]; ratio: readonly [number, number]; difference: number }[] = [];
  // with tins that must be in it, only pairs that have one of them can lead to such a mix
  const mayLead = (a: Tin, b: Tin) =>
    must.length === 0 || must.some(({ id }) => a.material.id === id || b.material.id === id);
  tins.forEach((tin, index) => {
    for (const two of tins.slice(index + 1)) {
      if (!mayLead(tin, two) || !together(tin.material, two.material)) continue;
      for (const ratio of RATIOS) {
        const { difference } = tried([
          { tin: tin, parts: ratio[0] },
          { tin: two, parts: ratio[1] },
        ]);
        pairs.push({ tins: [tin, two], ratio, difference });
      }
    }
  });
  pairs.sort((a, b) => a.difference - b.difference);
  for (const { tins: pair, ratio } of pairs
    .filter(({ tins: pair }) => must.length - held(pair) <= 1)
    .slice(0, PAIRS_KEPT))
    for (const third of tins) {
      if (pair.includes(third) || !pair.every((tin) => together(tin.material, third.material))) continue;
      for (const parts of THIRDS)
        tried([
          { tin: pair[0], parts: ratio[0] * 2 },
          { tin: pair[1], parts: ratio[1] * 2 },
          { tin: third, parts },
        ]);
    }
  // another tin must be worth it: half a just noticeable step
  const cost = ({ difference, parts }: Mix) => difference + 0.5 * (parts.length - 1);
  const found = [...best.values()].filter(({ parts }) =>
    must.every(({ id }) => parts.some(({ material }) => material.id === id)),
  );
  const ways: Mix[] = [];
  const principals = new Set<string>();
  for (const mix of found.sort((a, b) => cost(a) - cost(b))) {
    // a drop of something in one and the same tin is not a different mix, unless that tin has to be in it
    const principal = principalOf(mix);
    if (principal !== null && principals.has(principal) && !must.some(({ id }) => id === principal)) continue;
    if (principal !== null) principals.add(principal);
    ways.push(mix);
    if (ways.length === most) break;
  }
  return ways.sort((a, b) => a.difference - b.difference);
}

const MOSTLY = 0.7;

/** The tin that makes up most of a mix, if one does. */
function principalOf({ parts }: Mix): string | null {
  const whole = parts.reduce((sum, part) => sum + part.parts, 0);
  return parts.find((part) => part.parts / whole >= MOSTLY)?.material.id ?? null;
}
