import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "white-in-the-grain",
  name: "White wax over dark",
  is: "Near-black clay paint with white wax left in every groove.",
  suits: "Carving and mouldings that are lost in dark paint.",
  looks: ["dark", "worn"],
  practice: "first time",
  panels: ["carved", "frame", "drawer"],
  materials: { base: "clay-tar", tint: "wax-white" },
  moves: ({ base, tint }) => [colour("base", base, "Dark and flat."), end({ tint })],
  variants: [{ id: "moss", name: "Over moss", materials: { base: "clay-moss" } }],
  schools: [{ rule: "darkWax", says: "Without clear wax first the white greys the whole face." }],
  pitfalls: ["Wipe along the groove at once; white wax left on a flat looks like dust."],
  shows: [{ on: "field", layers: ["base"], least: 0.6, most: 1 }],
  days: [0.4, 5],
});
