import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";
import { sandEdges } from "../moves/take.ts";

export default finish({
  id: "brown-on-milk",
  name: "Old barn red",
  is: "Milk paint sanded fine, oiled, and browned with ageing wax.",
  suits: "Stools, benches, boxes; farmhouse things.",
  looks: ["coloured", "worn"],
  practice: "first time",
  panels: ["drawer", "box", "leg"],
  materials: { base: "milk-barn-red", oil: "hemp-oil", tint: "wax-ageing-brown" },
  moves: ({ base, oil, tint }) => [
    colour("base", base, "Flat and deep."),
    sandEdges("smooth", undefined, { grit: 320 }),
    end({ oil, tint }),
  ],
  variants: [{ id: "green", name: "Bottle green", materials: { base: "milk-bottle-green" } }],
  schools: [{ rule: "milkRecoat", says: "The second coat after two hours, or next morning." }],
  pitfalls: ["Oily rags heat themselves: spread them out flat, or drown them."],
  shows: [{ on: "field", layers: ["base"], least: 0.6, most: 1 }],
  days: [0.5, 8],
});
