import { CONSUMABLES } from "#core/quantity/consumables";
import type { Standing, SupplyLine } from "#core/shelf/supply";
import { sayAmount, type Voice } from "~/words/measures";

/** An amount of a good in its own words. */
export const amountOf = (
  { unit, consumable }: Pick<SupplyLine, "unit" | "consumable">,
  value: number,
  voice: Voice,
): string => sayAmount(unit, value, voice, consumable === null ? undefined : CONSUMABLES[consumable]);

/** What is needed, rounded up as anybody would measure it: what is there is never said to be enough when it is not. */
export const needOf = (line: Pick<SupplyLine, "unit" | "consumable">, value: number, voice: Voice): string =>
  amountOf(line, line.unit === "ml" || line.unit === "g" ? roundedUp(value) : Math.ceil(value - 1e-6), voice);

/** To what is said of such an amount: whole millilitres, fives, and hundredths of a litre. */
function roundedUp(value: number): number {
  const step = value > 1000 ? 10 : value > 20 ? 5 : 1;
  return Math.ceil(value / step - 1e-6) * step;
}

export const STANDING_WORDS: Record<Standing, { word: string; mark: string; tone: string }> = {
  enough: { word: "enough", mark: "●", tone: "text-verdigris" },
  short: { word: "short", mark: "◐", tone: "text-ochre" },
  missing: { word: "none", mark: "○", tone: "text-ochre" },
  old: { word: "only old", mark: "◌", tone: "text-sienna" },
};

/** How a need stands, in a few words. */
export function sayStanding(line: SupplyLine, voice: Voice): string {
  const missing = needOf(line, line.missing, voice);
  switch (line.standing) {
    case "enough":
      return line.need <= 0 ? "all done" : "enough";
    case "short":
      return `short by ${missing}`;
    case "missing":
      return "none there";
    case "old":
      return "old: test it first";
  }
}

/** What is short comes first, then what is old, then what is there; in the order it is wanted. */
export function byUrgency(a: SupplyLine, b: SupplyLine): number {
  const order: Record<Standing, number> = { missing: 0, short: 0, old: 1, enough: 2 };
  return (
    order[a.standing] - order[b.standing] ||
    (a.wanted ?? Number.POSITIVE_INFINITY) - (b.wanted ?? Number.POSITIVE_INFINITY)
  );
}
