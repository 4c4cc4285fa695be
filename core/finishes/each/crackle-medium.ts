import { finish } from "../finish.ts";
import { crackle } from "../moves/crack.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "crackle-medium",
  name: "Cracked with a medium",
  is: "A pale coat cracked all over, storm blue in the cracks, dirt in the hollows.",
  suits: "Flat faces and frames that are looked at more than used.",
  looks: ["cracked", "pale"],
  practice: "some practice",
  panels: ["frame", "top", "carved"],
  materials: { under: "mineral-storm", medium: "crackle-medium", top: "mineral-oyster", tint: "wax-dark" },
  moves: ({ under, medium, top, tint }) => [
    colour("under", under, "What the cracks show."),
    crackle(medium, "top", top, { amount: { kind: "heavy" } }),
    end({ tint, on: "recess", fragile: true }),
  ],
  variants: [{ id: "green", name: "Oyster over bottle green", materials: { under: "mineral-bottle" } }],
  schools: [],
  pitfalls: [
    "Paint into the medium while it is at tack: milky, with hair lines.",
    "Every edge needs medium, or it stays whole there.",
  ],
  shows: [
    { on: "field", layers: ["under", "medium"], least: 0, most: 0.3 },
    { on: "field", layers: ["top"], least: 0.65, most: 0.95 },
  ],
  days: [1, 6],
});
