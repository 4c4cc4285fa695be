import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { broken, colour } from "../moves/lay.ts";

export default finish({
  id: "faux-bronze",
  name: "Bronze",
  is: "Bronze stippled over ebony, the high points rubbed bright.",
  suits: "Carving, castings and hardware.",
  looks: ["metal", "dark"],
  practice: "first time",
  panels: ["carved", "leg", "frame"],
  materials: { base: "tint-base-ebony", bronze: "wax-metallic-bronze", gilt: "wax-gilding" },
  moves: ({ base, bronze, gilt }) => [
    colour("base", base, "Dark for the bronze to sit in."),
    broken("bronze", "dry-brush", bronze, "Water-borne, so that it can be sealed.", {
      coats: 2,
      amount: { kind: "heavy" },
    }),
    end({ gilt }),
  ],
  variants: [{ id: "green", name: "Green bronze", materials: { base: "mineral-bottle" } }],
  schools: [],
  pitfalls: ["Leave the hollows dark. Bronze all over looks like plastic."],
  shows: [{ on: "recess", layers: ["base", "wax", "film"], least: 0.85, most: 1 }],
  days: [0.4, 2],
});
