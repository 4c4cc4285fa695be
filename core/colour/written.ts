import { converter, modeLab65, modeRgb, modeXyz65, useMode as take } from "culori/fn";

for (const mode of [modeRgb, modeXyz65, modeLab65]) take(mode as never);

export type WrittenColour = { ok: true; colour: string } | { ok: false; says: string };

const refused = (says: string): WrittenColour => ({ ok: false, says });

const HEX = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i;
const NUMBER = "([+-]?\\d+(?:[.,]\\d+)?)";
const LAB = new RegExp(
  `^(?:cie)?\\s*l?\\*?a?\\*?b?\\*?\\s*\\(?\\s*${NUMBER}[\\s;,]+${NUMBER}[\\s;,]+${NUMBER}\\s*\\)?$`,
  "i",
);

const toRgb = converter("rgb");
const number = (text: string) => Number.parseFloat(text.replace(",", "."));
const channel = (value: number) =>
  Math.round(255 * Math.min(1, Math.max(0, value)))
    .toString(16)
    .padStart(2, "0");

/** How far outside a screen's range a channel may lie and still be a matter of rounding. */
const ROUNDING = 0.004;

/**
 * A colour as a painter writes it: "#a9bdb3", "a9bdb3", "#abc", or CIE L*a*b* (D65) as "Lab 74 -8 4", "lab(74, -8,
 * 4)" or "74 -8 4". What cannot be read, or cannot be shown, comes back as a sentence that says what to write
 * instead.
 * @example readColour("#5D8177") // {"ok":true,"colour":"#5d8177"}
 */
export function readColour(text: string): WrittenColour {
  const written = text.trim();
  const hex = HEX.exec(written);
  if (hex) {
    const digits = hex[1]!.toLowerCase();
    return {
      ok: true,
      colour: `#${digits.length === 3 ? [...digits].map((digit) => digit + digit).join("") : digits}`,
    };
  }
  const lab = LAB.exec(written);
  if (!lab) return refused("Write it like #a9bdb3, or in Lab like Lab 74 -8 4.");
  const [l, a, b] = lab.slice(1).map(number) as [number, number, number];
  if (l < 0 || l > 100) return refused(`L runs from 0, black, to 100, white; ${l} is outside.`);
  if (Math.abs(a) > 150 || Math.abs(b) > 150) return refused("a and b run from -150 to 150; no paint goes further.");
  const { r, g, b: blue } = toRgb({ mode: "lab65", l, a, b });
  const colour = `#${channel(r)}${channel(g)}${channel(blue)}`;
  if ([r, g, blue].some((value) => value < -ROUNDING || value > 1 + ROUNDING))
    return refused(`Lab ${l} ${a} ${b} is more vivid than a screen can show; the nearest it shows is ${colour}.`);
  return { ok: true, colour };
}
