import { GRAMS, MILLILITRES, SQUARE_FEET_A_GALLON, SQUARE_FOOT } from "#core/quantity/measures";
import type { Measures, NumberFormat } from "#core/shelf/book";
import type { Unit } from "#core/shelf/usage";
import type { SquareMetres } from "#core/units/units";

/** How this shop writes amounts, numbers and money. Everything is stored in metric. */
export interface Voice {
  measures: Measures;
  numbers: NumberFormat;
  currency: string;
}

export const METRIC: Voice = { measures: "metric", numbers: "1,234.50", currency: "" };

/** What groups thousands and what marks decimals. */
const marksOf = (numbers: NumberFormat): { group: string; decimal: string } => ({
  group: numbers[1]!,
  decimal: numbers[5]!,
});

/** A number in the shop's own writing, with so many decimals. */
export function sayNumber(value: number, decimals: number, { numbers }: Pick<Voice, "numbers">): string {
  const { group, decimal } = marksOf(numbers);
  const [whole, part] = Math.abs(value).toFixed(decimals).split(".");
  const grouped = whole!.replace(/\B(?=(\d{3})+$)/g, group === " " ? "\u00a0" : group);
  const sign = value < 0 && Number(Math.abs(value).toFixed(decimals)) > 0 ? "−" : "";
  return `${sign}${grouped}${part ? `${decimal}${part}` : ""}`;
}

/** The same without the zeros at the end. */
function sayShort(value: number, decimals: number, voice: Voice): string {
  const text = sayNumber(value, decimals, voice);
  const { decimal } = marksOf(voice.numbers);
  return text.includes(decimal) ? text.replace(/0+$/, "").replace(new RegExp(`\\${decimal}$`), "") : text;
}

export const sayMoney = (value: number, voice: Voice): string =>
  [voice.currency, sayNumber(value, 2, voice)].filter(Boolean).join("\u00a0");

/** A price in whole numbers. */
export const sayRoundMoney = (value: number, voice: Voice): string =>
  [voice.currency, sayNumber(value, 0, voice)].filter(Boolean).join("\u00a0");

/** To two figures and the nearest 5, as anybody would measure it. */
const rounded = (value: number): number => (value >= 20 ? Math.round(value / 5) * 5 : Math.round(value * 10) / 10);

function sayMillilitres(value: number, voice: Voice): string {
  if (voice.measures === "metric")
    return value >= 1000
      ? `${sayShort(value / 1000, 2, voice)}\u00a0L`
      : `${sayShort(rounded(value), 1, voice)}\u00a0ml`;
  if (value >= MILLILITRES.gal) return `${sayShort(value / MILLILITRES.gal, 2, voice)}\u00a0gal`;
  if (value >= MILLILITRES.qt) return `${sayShort(value / MILLILITRES.qt, 2, voice)}\u00a0qt`;
  return `${sayShort(value / MILLILITRES["fl oz"], value < MILLILITRES.cup ? 1 : 0, voice)}\u00a0fl\u00a0oz`;
}

function sayGrams(value: number, voice: Voice): string {
  if (voice.measures === "metric")
    return value >= 1000
      ? `${sayShort(value / 1000, 2, voice)}\u00a0kg`
      : `${sayShort(rounded(value), 1, voice)}\u00a0g`;
  return value >= GRAMS.lb
    ? `${sayShort(value / GRAMS.lb, 2, voice)}\u00a0lb`
    : `${sayShort(value / GRAMS.oz, 1, voice)}\u00a0oz`;
}

/** How finely an amount is measured and said, in millilitres or grams. */
function finenessOf(unit: "ml" | "g", value: number, { measures }: Voice): number {
  if (measures === "metric") return value > 1000 ? 10 : value > 20 ? 5 : 1;
  if (unit === "g") return value >= GRAMS.lb ? GRAMS.lb / 100 : GRAMS.oz / 10;
  if (value >= MILLILITRES.gal) return MILLILITRES.gal / 100;
  if (value >= MILLILITRES.qt) return MILLILITRES.qt / 100;
  return value < MILLILITRES.cup ? MILLILITRES["fl oz"] / 10 : MILLILITRES["fl oz"];
}

/** An amount that is needed, to the next that is said of it: what is there is never said to be enough when it is not. */
export function roundedUp(unit: Unit | "pieces", value: number, voice: Voice): number {
  const step = unit === "ml" || unit === "g" ? finenessOf(unit, value, voice) : 1;
  return Math.ceil(value / step - 1e-6) * step;
}

/** An amount in its unit: "120 ml", "1.25 L", "85 g", "4 sheets"; of a consumable, its own word. */
export function sayAmount(
  unit: Unit | "pieces",
  value: number,
  voice: Voice,
  words: { one: string; many: string } = { one: "piece", many: "pieces" },
): string {
  if (unit === "ml") return sayMillilitres(value, voice);
  if (unit === "g") return sayGrams(value, voice);
  const count = Math.round(value * 10) / 10;
  const { one, many } = unit === "sheets" ? { one: "sheet", many: "sheets" } : words;
  return `${sayShort(count, 1, voice)}\u00a0${count === 1 ? one : many}`;
}

export const sayAreaIn = (area: SquareMetres, voice: Voice): string =>
  voice.measures === "metric"
    ? `${sayNumber(area, 2, voice)}\u00a0m²`
    : `${sayShort(area / SQUARE_FOOT, 1, voice)}\u00a0sq\u00a0ft`;

/** Spreading rate. */
export const saySpread = (squareMetresPerLitre: number, voice: Voice): string =>
  voice.measures === "metric"
    ? `${sayShort(squareMetresPerLitre, 1, voice)}\u00a0m²/L`
    : `${sayShort(squareMetresPerLitre / SQUARE_FEET_A_GALLON, 0, voice)}\u00a0sq\u00a0ft/gal`;

/**
 * Reads a number that somebody typed, with a decimal comma or point and thousands grouped or not: where both are there, the last
 * is the decimal mark; one alone followed by three digits is read as this shop writes. Null where it is no number.
 */
export function readNumber(text: string, { numbers }: Pick<Voice, "numbers"> = METRIC): number | null {
  const plain = text
    .trim()
    .replace(/[\s\u00a0\u202f'’]/g, "")
    .replace(/^[−–]/, "-");
  if (!/^-?\d[\d.,]*$/.test(plain) && !/^-?[.,]\d+$/.test(plain)) return null;
  const marks = [...plain.matchAll(/[.,]/g)].map(([mark]) => mark);
  const last = marks.at(-1);
  const both = new Set(marks).size > 1;
  if (both && marks.filter((mark) => mark === last).length > 1) return null;
  const grouped = /^-?\d{1,3}([.,]\d{3})+$/.test(plain);
  const decimal =
    last === undefined
      ? null
      : both
        ? last
        : marks.length > 1 || (grouped && last === marksOf(numbers).group)
          ? null
          : last;
  const digits = decimal === null ? plain.replace(/[.,]/g, "") : plain.split(decimal);
  if (typeof digits === "string") return Number(digits);
  const [whole, part] = [digits.slice(0, -1).join("").replace(/[.,]/g, ""), digits.at(-1)!];
  const value = Number(`${whole === "" || whole === "-" ? `${whole}0` : whole}.${part}`);
  return Number.isFinite(value) ? value : null;
}

/** An amount as it is typed: "750", "0.75 L", "1 lb", "25 sheets". In the unit of the good; null where it is none of its kind. */
export function readAmount(text: string, unit: Unit | "pieces", voice: Voice = METRIC): number | null {
  const found = /^\s*([-−–]?[\d.,'’\s\u00a0\u202f]*\d)\s*([a-z ]*)\.?\s*$/i.exec(text);
  const value = found ? readNumber(found[1]!, voice) : null;
  if (value === null) return null;
  const word = found![2]!.trim().toLowerCase();
  if (word === "") return value;
  const factor = (unit === "ml" ? VOLUME_WORDS : unit === "g" ? WEIGHT_WORDS : COUNT_WORDS)[word];
  return factor === undefined ? null : value * factor;
}

const VOLUME_WORDS: Readonly<Record<string, number>> = {
  ml: 1,
  cl: 10,
  dl: 100,
  l: 1000,
  litre: 1000,
  litres: 1000,
  liter: 1000,
  liters: 1000,
  "fl oz": MILLILITRES["fl oz"],
  floz: MILLILITRES["fl oz"],
  cup: MILLILITRES.cup,
  cups: MILLILITRES.cup,
  pt: MILLILITRES.pt,
  pint: MILLILITRES.pt,
  qt: MILLILITRES.qt,
  quart: MILLILITRES.qt,
  gal: MILLILITRES.gal,
  gallon: MILLILITRES.gal,
};
const WEIGHT_WORDS: Readonly<Record<string, number>> = {
  g: 1,
  kg: 1000,
  oz: GRAMS.oz,
  lb: GRAMS.lb,
  lbs: GRAMS.lb,
};
const COUNT_WORDS: Readonly<Record<string, number>> = Object.fromEntries(
  [
    "sheet",
    "sheets",
    "piece",
    "pieces",
    "pcs",
    "m",
    "metre",
    "metres",
    "rag",
    "rags",
    "pair",
    "pairs",
    "brush",
    "brushes",
  ].map((word) => [word, 1]),
);
