import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";
import { sandEdges } from "../moves/take.ts";

export default finish({
  id: "two-colour-milk",
  name: "Two milk paints, sanded",
  is: "Curd white sanded through to barn red on every edge and bead, smooth as an egg; beeswax.",
  suits: "Cupboards and chests that are touched a lot, indoors.",
  looks: ["worn", "pale"],
  practice: "first time",
  panels: ["carved", "drawer", "disc"],
  materials: { under: "milk-barn-red", top: "milk-curd", wax: "beeswax" },
  moves: ({ under, top, wax }) => [
    colour("under", under, "The colour that comes up on the edges."),
    colour("top", top, "One coat, so that the paper gets through it.", { coats: 1 }),
    sandEdges("sand", "under", { grit: 320, effort: { passes: 2, pressure: "usual" } }),
    end({ wax }),
  ],
  variants: [
    { id: "green", name: "Bottle green over ochre", materials: { under: "milk-ochre", top: "milk-bottle-green" } },
  ],
  schools: [{ rule: "milkMix", says: "By weight it is thicker, and the paper takes longer." }],
  pitfalls: [
    "Milk paint is sanded dry; water only softens it.",
    "Stop at the first red: the second pass is twice as fast.",
  ],
  shows: [
    { on: "arris", layers: ["under"], least: 0.35, most: 0.65 },
    { on: "field", layers: ["top"], least: 0.7, most: 0.95 },
  ],
  days: [0.3, 6],
});
