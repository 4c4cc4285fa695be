import { type Technique, technique } from "../technique.ts";

const prepare = (row: Omit<Parameters<typeof technique>[0], "kind">) => technique({ ...row, kind: "prepare" });

export const PREPARING: readonly Technique[] = [
  prepare({
    id: "clean",
    name: "Clean off grease",
    minutesPerSquareMetre: 10,
    effects: [{ does: "clean", removes: ["grease"] }],
    hint: "degreasing cleaner, rinse, let dry",
    sign: "water runs off in an unbroken sheet",
  }),
  prepare({
    id: "dewax",
    name: "Take off old wax",
    wets: "solvent",
    minutesPerSquareMetre: 25,
    effects: [
      { does: "clean", removes: ["wax", "oil", "grease"] },
      { does: "lift", binder: "wax", leaves: { arris: 0.005, field: 0.005, high: 0.005, recess: 0.005 }, deep: true },
    ],
    hazards: ["fumes", "flammable", "oily rags"],
    hint: "solvent and fine wool, clean rags until they stay white; air the room",
    sign: "the last rag stays white, and water no longer beads",
  }),
  prepare({
    id: "degloss",
    name: "Degloss",
    wets: "solvent",
    minutesPerSquareMetre: 8,
    effects: [{ does: "clean", removes: ["grease"] }, { does: "degloss" }],
    hazards: ["fumes"],
    hint: "deglossing cleaner on a rag; paint within the time on its label",
    sign: "the shine is gone, seen against the light",
  }),
  prepare({
    id: "scuff",
    name: "Scuff",
    minutesPerSquareMetre: 10,
    effects: [{ does: "key" }],
    hazards: ["dust"],
    hint: "150 to 220, until the shine is gone; dust off",
    sign: "matt all over, seen against the light",
  }),
  prepare({
    id: "knock-back",
    name: "Scrape off loose paint",
    minutesPerSquareMetre: 20,
    effects: [{ does: "knock back" }, { does: "key" }],
    hazards: ["dust"],
    hint: "scraper held flat, then feather the edges",
    sign: "masking tape pressed on and pulled comes off clean",
  }),
  prepare({
    id: "strip",
    name: "Strip to bare timber",
    wets: "solvent",
    minutesPerSquareMetre: 60,
    setUp: 20,
    effects: [{ does: "strip" }],
    hazards: ["fumes", "acid"],
    hint: "stripper, scrape, neutralise, rinse, let dry",
    sign: "no slick patches under the palm, and the timber dry and pale again",
  }),
  prepare({
    id: "repair",
    name: "Fill and repair",
    minutesPerSquareMetre: 15,
    hint: "glue first, filler after; level when hard",
  }),
  prepare({
    id: "fill-edges",
    name: "Seal thirsty edges",
    minutesPerSquareMetre: 6,
    hint: "thinned glue or primer on the cut edges of fibreboard; sand when dry",
  }),
];
