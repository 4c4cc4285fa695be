import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";
import { sandEdges } from "../moves/take.ts";

export default finish({
  id: "worn-to-timber",
  name: "Worn to what lies beneath",
  is: "One colour, sanded on every edge until the piece itself shows.",
  suits: "Pieces whose timber, old paint or metal is worth seeing.",
  looks: ["worn", "coloured"],
  practice: "first time",
  panels: ["drawer", "leg", "box"],
  materials: { top: "chalk-slate", wax: "wax-clear" },
  moves: ({ top, wax }) => [
    colour("top", top, "One coat, so that the paper gets through it.", { coats: 1 }),
    sandEdges("sand", undefined, { grit: 150, effort: { passes: 2, pressure: "hard" } }),
    end({ wax }),
  ],
  variants: [
    { id: "bone", name: "Bone white", materials: { top: "chalk-bone-white" } },
    { id: "mustard", name: "Mustard", materials: { top: "chalk-mustard" } },
  ],
  schools: [{ rule: "waitBeforeClear", says: "A day's wait before the wax, or as soon as it is no longer cold." }],
  pitfalls: ["Timber that bleeds is blocked first, and then the block shows with it."],
  shows: [{ on: "field", layers: ["top"], least: 0.75, most: 1 }],
  days: [0.2, 3],
});
