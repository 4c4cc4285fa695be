// Colours as a screen holds them: "#rrggbb", and the linear light behind it.

/** Red, green and blue light, 0 to 1, linear. */
export type Linear = readonly [red: number, green: number, blue: number];

/** Light of an sRGB value, both 0 to 1 (IEC 61966-2-1). */
export const toLinear = (value: number): number =>
  value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
/** sRGB value of light, both 0 to 1 (IEC 61966-2-1). */
export const toScreen = (light: number): number =>
  light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;

/**
 * The light of a colour written as "#rrggbb".
 * @example hexOf(linearOf("#5d8177")) // "#5d8177"
 */
export function linearOf(hex: string): Linear {
  const channel = (at: number) => toLinear(Number.parseInt(hex.slice(at, at + 2), 16) / 255);
  return [channel(1), channel(3), channel(5)];
}

/** How light a colour is, from 0 for black to 1 for white: its luminance (IEC 61966-2-1). */
export const luminanceOf = ([red, green, blue]: Linear): number => 0.2126 * red + 0.7152 * green + 0.0722 * blue;

/** Light as "#rrggbb"; what a screen cannot show is brought to its edge. */
export const hexOf = (colour: Linear): string =>
  `#${colour
    .map((value) => Math.round(255 * toScreen(Math.min(1, Math.max(0, value)))))
    .map((value) => value.toString(16).padStart(2, "0"))
    .join("")}`;

type Row = readonly [number, number, number];

/** CIE XYZ (D65, white has Y = 1) to linear sRGB (IEC 61966-2-1). */
const XYZ_TO_LINEAR: readonly [Row, Row, Row] = [
  [3.2404542, -1.5371385, -0.4985314],
  [-0.969266, 1.8760108, 0.041556],
  [0.0556434, -0.2040259, 1.0572252],
];

export const linearOfXyz = (xyz: Linear): [number, number, number] =>
  XYZ_TO_LINEAR.map((row) => row[0] * xyz[0] + row[1] * xyz[1] + row[2] * xyz[2]) as [number, number, number];
