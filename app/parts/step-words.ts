import type { Intent, Step } from "#core/plan/plan";
import { listed } from "#core/rules/words";

export const INTENT_WORDS: Record<Intent, string> = {
  resist: "A resist: what lies on it is meant to come away",
  stain: "Let it stain, mark or grime all over",
  blend: "Let it blend with what is beneath",
  chips: "Let it chip",
  cracks: "Let it crack",
  weathered: "Let it look neglected: tarnished, or loose paint left on",
};

export const WHERE_WORDS: Record<Step["where"]["on"], string> = {
  everywhere: "everywhere",
  arris: "arrises",
  field: "field, the flats",
  high: "high points and beads",
  recess: "grooves and carving",
  border: "the border of the face",
  hands: "where hands touch",
  motif: "the motif",
  patch: "one patch",
};

/** The same in a few words for a row of the ladder: "on the arrises". */
export const WHERE_SHORT: Record<Step["where"]["on"], string> = {
  everywhere: "",
  arris: "on the arrises",
  field: "on the field",
  high: "on the high points",
  recess: "in the grooves",
  border: "on the border",
  hands: "where hands touch",
  motif: "on the motif",
  patch: "on one patch",
};

/** Where a step goes, in a few words: "on the border and on the arrises, but not on the motif"; empty for everywhere. */
export function sayWhere({ on, also = [], but = [] }: Step["where"]): string {
  const joined = listed([on, ...also].map((place) => WHERE_SHORT[place] || "everywhere"));
  const left = listed(but.map((place) => WHERE_SHORT[place]));
  if (but.length === 0) return joined === "everywhere" ? "" : joined;
  return `${joined}, but not ${left}`;
}

export const INTENT_SHORT: Record<Intent, string> = {
  resist: "as a resist",
  stain: "meant to stain",
  blend: "meant to blend",
  chips: "meant to chip",
  cracks: "meant to crack",
  weathered: "meant to weather",
};

export const sayShare = (share: number) => `over ${Math.round(share * 100)} % of it`;

/** What a broken coat looks like where it covers. */
export const COVER_WORDS: Record<string, string> = {
  spatter: "in specks",
  stencil: "in its design",
  stamp: "in prints",
  "rub-transfer": "in its design",
  sponge: "in dabs",
  "rag-on": "in dabs",
  "dry-brush": "on what stands proud",
  finger: "on what stands proud",
  sprinkle: "in crumbs",
  "seal-patches": "in patches",
  drag: "in streaks",
  "card-smear": "in streaks",
};

/** "12 %", and "0.4 %" for what is less than one. */
export const sayPercent = (share: number): string =>
  `${share >= 0.01 ? Math.round(100 * share) : (100 * share).toFixed(1)} %`;

/** "about 12 % of the face" */
export const sayCovered = (share: number): string => `about ${sayPercent(share)} of the face`;

export const sayAmount = (amount: NonNullable<Step["amount"]>): string => {
  switch (amount.kind) {
    case "light":
      return "a light coat";
    case "heavy":
      return "a heavy coat";
    case "times":
      return `${amount.of} × the usual`;
    case "micrometres":
      return `${amount.of} µm`;
    case "millilitres":
      return `${amount.of} ml/m²`;
  }
};
