import { converter, modeLab65, modeRgb, modeXyz65, useMode as take } from "culori/fn";

// only the colour spaces that are needed, so that a page need not carry the rest
for (const mode of [modeRgb, modeXyz65, modeLab65]) take(mode as never);

export interface Lab {
  l: number;
  a: number;
  b: number;
}

const toLab = converter("lab65");

const MOST_KEPT = 10_000;
const labs = new Map<string, Lab>();

/**
 * CIE L*a*b* (D65) of a colour written as "#rrggbb". Kept, because rules need the same few colours again and again.
 */
export function labOf(hex: string): Lab {
  let lab = labs.get(hex);
  if (lab === undefined) {
    const { l, a, b } = toLab(hex)!;
    lab = { l, a, b };
    if (labs.size > MOST_KEPT) labs.clear();
    labs.set(hex, lab);
  }
  return lab;
}

const RADIAN = Math.PI / 180;
const cosDegrees = (degrees: number) => Math.cos(degrees * RADIAN);

/**
 * How different two colours look, as CIEDE2000 ΔE00: about 1 is just noticed side by side; below 15 a crack between them
 * hardly reads across a room.
 * Formula: Sharma, Wu and Dalal 2005, "The CIEDE2000 color-difference formula", with unit weights.
 */
export function ciede2000(one: Lab, two: Lab): number {
  const meanChroma = (Math.hypot(one.a, one.b) + Math.hypot(two.a, two.b)) / 2;
  const g = 0.5 * (1 - Math.sqrt(meanChroma ** 7 / (meanChroma ** 7 + 25 ** 7)));
  const a1 = one.a * (1 + g);
  const a2 = two.a * (1 + g);
  const chroma1 = Math.hypot(a1, one.b);
  const chroma2 = Math.hypot(a2, two.b);
  const hue = (a: number, b: number) => (a === 0 && b === 0 ? 0 : (Math.atan2(b, a) / RADIAN + 360) % 360);
  const hue1 = hue(a1, one.b);
  const hue2 = hue(a2, two.b);

  const grey = chroma1 * chroma2 === 0;
  let hueStep = hue2 - hue1;
  if (hueStep > 180) hueStep -= 360;
  if (hueStep < -180) hueStep += 360;
  if (grey) hueStep = 0;
  const deltaL = two.l - one.l;
  const deltaC = chroma2 - chroma1;
  const deltaH = 2 * Math.sqrt(chroma1 * chroma2) * Math.sin((hueStep * RADIAN) / 2);

  const meanL = (one.l + two.l) / 2;
  const meanC = (chroma1 + chroma2) / 2;
  let meanH = hue1 + hue2;
  if (!grey) {
    if (Math.abs(hue1 - hue2) <= 180) meanH /= 2;
    else meanH = meanH < 360 ? (meanH + 360) / 2 : (meanH - 360) / 2;
  }
  const t =
    1 -
    0.17 * cosDegrees(meanH - 30) +
    0.24 * cosDegrees(2 * meanH) +
    0.32 * cosDegrees(3 * meanH + 6) -
    0.2 * cosDegrees(4 * meanH - 63);
  const turn = 30 * Math.exp(-(((meanH - 275) / 25) ** 2));
  const rc = 2 * Math.sqrt(meanC ** 7 / (meanC ** 7 + 25 ** 7));
  const sl = 1 + (0.015 * (meanL - 50) ** 2) / Math.sqrt(20 + (meanL - 50) ** 2);
  const sc = 1 + 0.045 * meanC;
  const sh = 1 + 0.015 * meanC * t;
  const rt = -Math.sin(2 * turn * RADIAN) * rc;
  return Math.sqrt((deltaL / sl) ** 2 + (deltaC / sc) ** 2 + (deltaH / sh) ** 2 + rt * (deltaC / sc) * (deltaH / sh));
}

/**
 * CIEDE2000 between two "#rrggbb" colours.
 * @example colourDifference("#ffffff", "#000000") // ≈ 100
 */
export const colourDifference = (one: string, two: string): number => ciede2000(labOf(one), labOf(two));

/**
 * Lightness L*, 0 black to 100 white, of "#rrggbb".
 * @example lightness("#ffffff") // ≈ 100
 */
export function lightness(hex: string): number {
  return labOf(hex).l;
}
