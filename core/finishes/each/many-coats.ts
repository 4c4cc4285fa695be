import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { barrier, colour, sealedUnder } from "../moves/lay.ts";
import { rubDamp } from "../moves/take.ts";

export default finish({
  id: "many-coats",
  name: "Many coats, worn one by one",
  is: "Slate, oxide red and bone white, each rubbed through before the next: a piece painted four times in a hundred years.",
  suits: "Pieces that are to look really old, and have edges to show it.",
  looks: ["worn", "pale", "coloured"],
  practice: "practised",
  panels: ["carved", "leg", "frame"],
  materials: {
    under: "tint-base-walnut",
    first: "chalk-slate",
    second: "chalk-oxide-red",
    third: "chalk-bone-white",
    tint: "wax-dark",
  },
  moves: ({ under, first, second, third, tint }) => [
    sealedUnder("under", under),
    colour("first", first, "The oldest colour.", { coats: 1 }),
    rubDamp("rub-first", "under"),
    barrier("shut-first"),
    colour("second", second, "Over most of it, as somebody would have touched it up.", { coats: 1, over: 0.7 }),
    rubDamp("rub-second", "shut-first"),
    barrier("shut-second"),
    colour("third", third, "The last colour; two coats hide the red."),
    rubDamp("rub-third", "shut-second"),
    end({ tint, on: "recess" }),
  ],
  variants: [{ id: "green", name: "Duck egg last", materials: { third: "chalk-duck-egg" } }],
  schools: [{ rule: "waitBeforeClear", says: "Houses that seal when touch dry save a day on every barrier." }],
  pitfalls: [
    "Every coat is rubbed within its day, before its barrier.",
    "Two coats of the last colour, or the red warms the flats.",
  ],
  shows: [
    { on: "field", layers: ["third"], least: 0.8, most: 1 },
    { on: "arris", layers: ["under", "first", "second", "shut-first", "shut-second"], least: 0.6, most: 0.85 },
  ],
  days: [1.1, 9],
});
