import { finish } from "../finish.ts";
import { always } from "../move.ts";
import { end } from "../moves/end.ts";
import { colour, dryBrush } from "../moves/lay.ts";

export default finish({
  id: "driftwood",
  name: "Driftwood",
  is: "Grey and umber glazes wiped along the grain over oyster: timber the sea has had.",
  suits: "Tables, boards and boxes; anything plain with length to it.",
  looks: ["glazed", "pale"],
  practice: "first time",
  panels: ["top", "plain", "box"],
  materials: { base: "mineral-oyster", slip: "glaze-clear", grey: "glaze-driftwood", brown: "glaze-umber" },
  moves: ({ base, slip, grey, brown }) => [
    colour("base", base, "The bleached timber under the glaze."),
    colour("slip", slip, "Wet slip lets both glazes move, and wipe back clean.", { coats: 1 }),
    colour("grey", grey, "Into the wet slip, along the length.", { coats: 1 }),
    dryBrush("brown", brown, "Streaks of a second tone while the first is open."),
    always("Wipe back", { key: "off", how: "wipe-back", why: "Along the grain, until the oyster comes through." }),
    end({ matt: true }),
  ],
  variants: [{ id: "black", name: "Tarred: black for brown", materials: { brown: "glaze-black" } }],
  schools: [{ rule: "glazeWait", says: 'From "when dry" to two days before the clear coat.' }],
  pitfalls: [
    "Work a face in one session: the slip stays open for half an hour.",
    "Wipe along the grain, never into it.",
  ],
  shows: [{ on: "field", layers: ["base"], least: 0.65, most: 0.9 }],
  days: [0.4, 4],
});
