import { z } from "zod";

/**
 * The school a shop follows, where practitioners disagree; the first of each is not better, only more common here.
 */
export const HouseRules = z.strictObject({
  end: z.enum(["wax", "film"]).default("wax"),
  ground: z.enum(["scuffed", "cleaned", "deglossed", "primed"]).default("scuffed"),
  waitBeforeClear: z.enum(["the full wait", "touch dry"]).default("the full wait"),
  forcedDry: z.enum(["counts as dry", "does not count"]).default("does not count"),
  milkMix: z.enum(["1 : 1 by scoop", "2 : 1 by weight"]).default("1 : 1 by scoop"),
  milkRecoat: z.enum(["12 h", "label, 2 h"]).default("12 h"),
  chippyMilk: z.enum(["wax", "sprayed clear"]).default("wax"),
  porousGlaze: z.enum(["slip coat", "film", "mist", "straight"]).default("slip coat"),
  glazeWait: z.enum(["24–48 h", "when dry", "heat-dried"]).default("24–48 h"),
  darkWax: z.enum(["over clear wax", "straight on the paint"]).default("over clear wax"),
  darkOnClear: z.enum(["while fresh", "set, next day"]).default("while fresh"),
  lastWax: z.enum(["dark goes last", "never clear over dark", "thin clear over all"]).default("dark goes last"),
  buff: z.enum(["after 10–15 min", "at once", "next day"]).default("after 10–15 min"),
  waxFaces: z.enum(["whole faces", "sections"]).default("whole faces"),
  wiping: z.enum(["full length, off the edge", "circular", "any way"]).default("full length, off the edge"),
  filmOverWax: z.enum(["never", "over a blend", "over accents"]).default("never"),
  drawers: z.enum(["out for everything", "in for waxing"]).default("out for everything"),
});
export type HouseRules = z.infer<typeof HouseRules>;
export type HouseRule = keyof HouseRules;

export const DEFAULT_HOUSE_RULES: HouseRules = HouseRules.parse({});

/** What one house rule decides, and what each school says for itself. */
export interface School {
  title: string;
  asks: string;
  /** why practitioners differ, and why the default is what it is */
  reason: string;
  choices: Record<string, string>;
}

type ChoicesOf<Key extends HouseRule> = Record<HouseRules[Key], string>;
type Schools = { [Key in HouseRule]: Omit<School, "choices"> & { choices: ChoicesOf<Key> } };

/** The words of the house rules, all common practice. A choice is worded as its school would put it. */
export const SCHOOLS: Schools = {
  end: {
    title: "What ends a finish",
    asks: "Wax, or a film of clear coat?",
    reason:
      "Wax can be touched up by hand and looks old; a film withstands more but cannot. This decides which repair is offered first.",
    choices: {
      wax: "Wax, renewed once or twice a year.",
      film: "A clear coat, with no wax over it except for colour.",
    },
  },
  ground: {
    title: "Sound varnish before paint",
    asks: "How is sound old varnish prepared?",
    reason:
      "Chalk-type paints stick where others slide off, so some shops only clean. Scuffing takes minutes and is the safe choice.",
    choices: {
      scuffed: "Cleaned and scuffed until the shine is gone.",
      cleaned: "Cleaned well; the paint grips by itself.",
      deglossed: "Wiped with deglossing cleaner instead of paper.",
      primed: "Always cleaned, scuffed and primed.",
    },
  },
  waitBeforeClear: {
    title: "Paint before wax or clear coat",
    asks: "How long is paint left before it is sealed?",
    reason:
      "The full wait is on most labels. Many seal as soon as it no longer feels cold to the hand, and rarely regret it.",
    choices: {
      "the full wait": "A day or more, as the label says.",
      "touch dry": "As soon as it is dry and no longer cold to the hand.",
    },
  },
  forcedDry: {
    title: "Paint dried by warm air",
    asks: "Does paint dried with a hair-dryer count as dry?",
    reason: "Warm air dries the skin first. Thin coats are dry through, thick ones only look it.",
    choices: {
      "counts as dry": "Dry is dry, however it came about.",
      "does not count": "The skin is dry, the rest takes its time.",
    },
  },
  milkMix: {
    title: "Mixing milk paint",
    asks: "How much powder to water?",
    reason:
      "By scoop it is thinner than by weight; a scoop of powder weighs in grams about two thirds of its volume in millilitres.",
    choices: {
      "1 : 1 by scoop": "A scoop of powder to a scoop of water, or a little less water for a thick mix.",
      "2 : 1 by weight": "Two parts powder to one part water on the scales.",
    },
  },
  milkRecoat: {
    title: "Milk paint, second coat",
    asks: "When may milk paint be recoated?",
    reason: "Labels say two hours. Casein goes on drying overnight, and a coat laid the next day pulls less.",
    choices: { "12 h": "The next morning.", "label, 2 h": "After two hours, as labels say." },
  },
  chippyMilk: {
    title: "Sealing chippy milk paint",
    asks: "What holds the flakes that are left?",
    reason: "A brush drags flakes off. Wax is pressed in and binds them; a sprayed clear coat touches nothing.",
    choices: { wax: "Wax, pressed in.", "sprayed clear": "A sprayed clear coat, in mists." },
  },
  porousGlaze: {
    title: "Glaze on thirsty paint",
    asks: "How is thirsty paint kept from grabbing the glaze?",
    reason:
      "Each way buys open time. A slip coat buys the most, a film wipes cleanest, mist costs nothing, and straight on is dirtiest.",
    choices: {
      "slip coat": "A coat of clear glaze first.",
      film: "A film of clear coat first.",
      mist: "Mist the face with water, then glaze.",
      straight: "Straight on, for the grime.",
    },
  },
  glazeWait: {
    title: "Glaze before a clear coat",
    asks: "How long is glaze left before it is sealed?",
    reason: "Glaze is slow by design; sealed early, it clouds. Warm air speeds it up, and some trust that.",
    choices: {
      "24–48 h": "One to two days.",
      "when dry": "As soon as it no longer marks.",
      "heat-dried": "As soon as warm air has dried it.",
    },
  },
  darkWax: {
    title: "Clear wax before dark",
    asks: "Does dark wax go over clear, or straight on the paint?",
    reason: "Over clear wax the dark can be moved and taken back. Straight on, it stains, which some want.",
    choices: {
      "over clear wax": "Clear first, always.",
      "straight on the paint": "Straight on, for grime all over.",
    },
  },
  darkOnClear: {
    title: "Dark into clear",
    asks: "Is dark wax worked into fresh clear, or laid on set clear?",
    reason:
      "In fresh clear wax it blends and can be pushed about. On set clear wax it stays where it is put. Between the two, it drags both.",
    choices: {
      "while fresh": "Into the fresh clear, section by section.",
      "set, next day": "On clear that has set overnight.",
    },
  },
  lastWax: {
    title: "The last wax",
    asks: "May clear wax go over dark?",
    reason:
      "The solvent in clear wax lifts some of the dark. A thin coat, not rubbed, takes little and evens the sheen.",
    choices: {
      "dark goes last": "Dark goes last; clear over it is a risk.",
      "never clear over dark": "Never: it takes off what was just put on.",
      "thin clear over all": "A thin clear wax over all to finish.",
    },
  },
  buff: {
    title: "Buffing",
    asks: "When is wax buffed?",
    reason: "At once takes the most off; the next day shines most and is the hardest work.",
    choices: {
      "after 10–15 min": "When the solvent has left, after 10–15 min.",
      "at once": "At once, as it is wiped.",
      "next day": "The next day, hard.",
    },
  },
  waxFaces: {
    title: "Waxing a wide face",
    asks: "A whole face in one session, or in sections?",
    reason: "Two halves leave a line where they meet. Sections are fine where they end at a natural break.",
    choices: {
      "whole faces": "The whole face in one session.",
      sections: "In sections that end at mouldings and joints.",
    },
  },
  wiping: {
    title: "Wiping wax and glaze",
    asks: "Which way is it wiped?",
    reason: "A cloth that turns back on the face leaves a curve that shows in raking light.",
    choices: {
      "full length, off the edge": "Flat cloth, full length with the grain, off over the edge.",
      circular: "In circles, so that no line is left.",
      "any way": "Any way; it is buffed afterwards.",
    },
  },
  filmOverWax: {
    title: "Clear coat over wax",
    asks: "May a clear coat ever go over wax?",
    reason:
      "A film has nothing to bite on. Over a thin, dry blend, or over a few accents, some have got away with it for years.",
    choices: {
      never: "Never.",
      "over a blend": "Over a thin, dry blend of wax and paint.",
      "over accents": "Over touches of gilding wax.",
    },
  },
  drawers: {
    title: "Drawers while working",
    asks: "Drawers in or out?",
    reason: "Out, each front lies flat and nothing runs. In for waxing, the look runs through from front to front.",
    choices: {
      "out for everything": "Out for everything.",
      "in for waxing": "Out for paint and washes, in for waxing.",
    },
  },
};

/** The keys in the order in which the questions come up at work. */
export const HOUSE_RULE_KEYS = Object.keys(SCHOOLS) as HouseRule[];
