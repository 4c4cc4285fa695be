import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { barrier, broken, colour, wash } from "../moves/lay.ts";

export default finish({
  id: "cloudy",
  name: "Cloudy blend",
  is: "Two greens blended wet, a thin wash over them, black specks and black wax in the joints.",
  suits: "Doors, table tops, screens; faces with room for clouds.",
  looks: ["pale", "coloured"],
  practice: "practised",
  panels: ["disc", "drawer", "plain"],
  materials: {
    base: "chalk-sea-green",
    light: "chalk-duck-egg",
    wash: "chalk-bone-white",
    specks: "chalk-lamp-black",
    tint: "wax-black",
  },
  moves: (own) => [
    colour("base", own.base, "The darker cloud."),
    broken("light", "blend", own.light, "Into a misted face, with three brushes.", { over: 0.6 }),
    barrier("shut"),
    wash("veil", own.wash, 3, "Brings the two together.", { over: 0.5 }),
    broken("specks", "spatter", own.specks, "Fly specks, thrown from a stiff brush.", { over: 0.75 }),
    end({ tint: own.tint, on: "recess" }),
  ],
  variants: [{ id: "grey", name: "Slate and bone", materials: { base: "chalk-slate", light: "home-chalk-putty" } }],
  schools: [{ rule: "darkOnClear", says: "Into fresh clear wax, or on wax that has set overnight." }],
  pitfalls: ["Blend while it is wet; then leave it alone.", "Try the specks on paper first."],
  shows: [{ on: "field", layers: ["base", "light", "veil", "shut"], least: 0.8, most: 1 }],
  days: [0.7, 7],
});
