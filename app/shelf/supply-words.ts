import { CONSUMABLES } from "#core/quantity/consumables";
import type { Standing, SupplyLine } from "#core/shelf/supply";
import { roundedUp, sayAmount, type Voice } from "~/words/measures";

/** An amount of a good in its own words. */
export const amountOf = (
  { unit, consumable }: Pick<SupplyLine, "unit" | "consumable">,
  value: number,
  voice: Voice,
): string => sayAmount(unit, value, voice, consumable === null ? undefined : CONSUMABLES[consumable]);

/** What is needed, rounded up as anybody would measure it. */
export const needOf = (line: Pick<SupplyLine, "unit" | "consumable">, value: number, voice: Voice): string =>
  amountOf(line, roundedUp(line.unit, value, voice), voice);

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
