import type { Intent, Step } from "#core/plan/plan";

export const INTENT_WORDS: Record<Intent, string> = {
  resist: "A resist: what lies on it shall come away",
  stain: "It shall stain, mark or grime the whole",
  blend: "It shall blend with what is beneath",
  chips: "It shall chip",
  cracks: "It shall crack",
};

export const WHERE_WORDS: Record<Step["where"]["on"], string> = {
  everywhere: "everywhere",
  arris: "arrises",
  field: "field, the flats",
  high: "high points and beads",
  recess: "grooves and carving",
};

export const sayShare = (share: number) => `${Math.round(share * 100)} % of it`;
