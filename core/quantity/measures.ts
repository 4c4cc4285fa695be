// Amounts are kept in metric. These are the exact definitions of the US customary units they can be shown in: the inch is 25.4 mm,
// the pound 453.59237 g, the gallon 231 cubic inches (published: the international yard and pound agreement of 1959; NIST Handbook 44).

const INCH = 25.4;
const GALLON = (231 * INCH ** 3) / 1000;
const POUND = 453.59237;

/** Millilitres in each unit of volume. */
export const MILLILITRES = {
  tsp: GALLON / 768,
  tbsp: GALLON / 256,
  "fl oz": GALLON / 128,
  cup: GALLON / 16,
  pt: GALLON / 8,
  qt: GALLON / 4,
  gal: GALLON,
} as const;

/** Grams in each unit of weight. */
export const GRAMS = { oz: POUND / 16, lb: POUND } as const;

/** Millimetres in each unit of length. */
export const MILLIMETRES = { in: INCH, ft: 12 * INCH } as const;

/** Square metres in a square foot. */
export const SQUARE_FOOT = (12 * INCH) ** 2 / 1e6;

/** Square metres a litre in one square foot a gallon. */
export const SQUARE_FEET_A_GALLON = (SQUARE_FOOT * 1000) / GALLON;
