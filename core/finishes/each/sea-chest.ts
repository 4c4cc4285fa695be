import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour, sealedUnder } from "../moves/lay.ts";
import { sandEdges } from "../moves/take.ts";

export default finish({
  id: "sea-chest",
  name: "Sea chest",
  is: "Deep green oil paint, sanded to ochre and to dark on the corners that were dragged over a deck.",
  suits: "Chests, boxes, benches: whatever has been knocked about.",
  looks: ["worn", "dark", "coloured"],
  practice: "some practice",
  panels: ["box", "plain", "drawer"],
  materials: { under: "tint-base-walnut", first: "milk-ochre", top: "clay-moss" },
  moves: ({ under, first, top }) => [
    sealedUnder("under", under),
    colour("first", first, "An older colour that shows as a rim round every worn place.", { coats: 1 }),
    colour("top", top, "The last owner's green.", { coats: 1 }),
    sandEdges("sand", "first", { grit: 320, effort: { passes: 1, pressure: "hard" } }),
    end({ tint: "wax-dark", matt: true }),
  ],
  variants: [{ id: "black", name: "Tar over oxide red", materials: { first: "chalk-oxide-red", top: "clay-tar" } }],
  schools: [],
  pitfalls: ["Sand where it would have been knocked, not everywhere alike."],
  shows: [
    { on: "field", layers: ["top"], least: 0.55, most: 0.95 },
    { on: "arris", layers: ["first", "under"], least: 0.35, most: 0.7 },
  ],
  days: [0.7, 8],
});
