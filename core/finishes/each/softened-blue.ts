import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour, glaze } from "../moves/lay.ts";

export default finish({
  id: "softened-blue",
  name: "Strong colour, pale glaze",
  is: "Storm blue softened by a thin antique white that stays in the hollows.",
  suits: "Carved and moulded pieces whose colour is too loud.",
  looks: ["glazed", "coloured"],
  practice: "first time",
  panels: ["carved", "drawer", "frame"],
  materials: { base: "mineral-storm", pale: "glaze-pale" },
  moves: ({ base, pale }) => [
    colour("base", base, "The strong colour beneath."),
    glaze("pale", pale, "wipe-back", "A veil of white: more of it shows on dark."),
    end({ matt: false }),
  ],
  variants: [{ id: "green", name: "Bottle green", materials: { base: "mineral-bottle" } }],
  schools: [{ rule: "glazeWait", says: "How long the glaze is left before the clear coat." }],
  pitfalls: ["Wipe within minutes; a thin glaze sets at once."],
  shows: [{ on: "field", layers: ["base"], least: 0.8, most: 1 }],
  days: [0.4, 4],
});
