import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour, dryBrush, wash } from "../moves/lay.ts";

export default finish({
  id: "smoked-wash",
  name: "Smoked",
  is: "Bone white with a black wash run into every hollow and a dry brush of linen over it: a century of stove smoke.",
  suits: "Kitchen pieces, shelves, carved things near a hearth.",
  looks: ["pale", "worn", "glazed"],
  practice: "first time",
  panels: ["carved", "drawer", "leg"],
  materials: { base: "mineral-oyster", smoke: "chalk-lamp-black", light: "clay-linen" },
  moves: (own) => [
    colour("base", own.base, "Does not drink, so that the wash runs."),
    wash("smoke", own.smoke, 3, "Runs into the hollows and dries there."),
    dryBrush("light", own.light, "Brings the flats back up."),
    end({ matt: true }),
  ],
  variants: [{ id: "brown", name: "Tobacco: oxide red smoke", materials: { smoke: "chalk-oxide-red" } }],
  schools: [],
  pitfalls: ["Tilt the piece so that the wash runs where smoke would settle."],
  shows: [{ on: "recess", layers: ["smoke", "base"], least: 0.85, most: 1 }],
  days: [0.4, 3],
});
