import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";
import { sandEdges } from "../moves/take.ts";

export default finish({
  id: "worn-silver",
  name: "Worn silver",
  is: "Pewter glaze over black, rubbed through on the edges, black left in the hollows.",
  suits: "Frames, hardware, lamp bases, turned legs.",
  looks: ["metal", "dark"],
  practice: "some practice",
  panels: ["frame", "leg", "carved"],
  materials: { base: "mineral-bottle", pewter: "glaze-pewter" },
  moves: ({ base, pewter }) => [
    colour("base", base, "Almost black, under the silver."),
    colour("pewter", pewter, "Two thin coats; the dark shows where it is thin.", { how: "brush", coats: 2 }),
    sandEdges("sand", "base", { grit: 320, effort: { passes: 3, pressure: "usual" } }),
    end({ matt: false }),
  ],
  variants: [{ id: "ebony", name: "Over ebony", materials: { base: "tint-base-ebony" } }],
  schools: [],
  pitfalls: ["Fine paper only: coarse paper leaves scratches that shine."],
  shows: [{ on: "field", layers: ["pewter"], least: 0.45, most: 0.75 }],
  days: [0.4, 3],
});
