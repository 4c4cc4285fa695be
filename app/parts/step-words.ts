import type { Intent, Step } from "#core/plan/plan";

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

export const INTENT_SHORT: Record<Intent, string> = {
  resist: "as a resist",
  stain: "meant to stain",
  blend: "meant to blend",
  chips: "meant to chip",
  cracks: "meant to crack",
  weathered: "meant to weather",
};

export const sayShare = (share: number) => `${Math.round(share * 100)} % of it`;
