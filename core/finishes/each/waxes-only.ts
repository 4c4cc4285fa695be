import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "waxes-only",
  name: "Waxes over pale paint",
  is: "Sea green under clear wax, dark wax pressed into the carving. Two tins and a brush.",
  suits: "Carved pieces; a first aged finish.",
  looks: ["coloured", "worn"],
  practice: "first time",
  panels: ["carved", "frame", "drawer"],
  materials: { base: "chalk-sea-green", tint: "wax-dark" },
  moves: ({ base, tint }) => [colour("base", base, "One colour all over."), end({ tint, on: "recess" })],
  variants: [
    { id: "white", name: "White wax over slate", materials: { base: "chalk-slate", tint: "wax-white" } },
    { id: "black", name: "Black wax over bone white", materials: { base: "chalk-bone-white", tint: "wax-black" } },
  ],
  schools: [
    { rule: "darkWax", says: "Straight on the paint stains all of it." },
    { rule: "buff", says: "At once, after a quarter of an hour, or tomorrow." },
  ],
  pitfalls: ["Missed clear wax shows as a dark stain: the dark goes into bare paint there."],
  shows: [{ on: "field", layers: ["base"], least: 0.85, most: 1 }],
  days: [0.5, 5],
});
