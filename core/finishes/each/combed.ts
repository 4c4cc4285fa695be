import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour, glaze } from "../moves/lay.ts";

export default finish({
  id: "combed",
  name: "Combed glaze",
  is: "Umber glaze combed into straight lines over putty, like old kitchen doors.",
  suits: "Flat doors, drawer fronts, table tops.",
  looks: ["glazed", "coloured"],
  practice: "some practice",
  panels: ["top", "drawer", "plain"],
  materials: { base: "emulsion-putty", glaze: "glaze-umber" },
  moves: (own) => [
    colour("base", own.base, "Shows between the lines."),
    glaze("glaze", own.glaze, "comb", "Stays open long enough to comb."),
    end({ matt: false }),
  ],
  variants: [
    { id: "black", name: "Black over storm blue", materials: { base: "mineral-storm", glaze: "glaze-black" } },
  ],
  schools: [{ rule: "porousGlaze", says: "On thirsty paint: slip coat, film, mist, or straight on." }],
  pitfalls: ["One pull from edge to edge; wipe the comb every time."],
  shows: [{ on: "field", layers: ["base"], least: 0.7, most: 0.95 }],
  days: [0.5, 4],
});
