import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour, dryBrush } from "../moves/lay.ts";

export default finish({
  id: "dark-and-gilt",
  name: "Dry-brushed dark, gilt touches",
  is: "Ebony with a pale dry brush over it, black hollows, and old gold on the beads.",
  suits: "Carved pieces and frames in dark rooms.",
  looks: ["dark", "gilded"],
  practice: "first time",
  panels: ["carved", "frame", "leg"],
  materials: { base: "tint-base-ebony", pale: "mineral-oyster", tint: "wax-dark", gilt: "wax-gilding" },
  moves: ({ base, pale, tint, gilt }) => [
    colour("base", base, "Dark all over, and sealed."),
    dryBrush("pale", pale, "Skims what stands proud."),
    end({ tint, on: "recess", gilt }),
  ],
  variants: [{ id: "slate", name: "Slate for ebony", materials: { base: "chalk-slate" } }],
  schools: [{ rule: "lastWax", says: "Clear wax over gilding takes some of it off; some lay it all the same." }],
  pitfalls: ["Rub the brush off on a rag until it squeaks.", "Gilding wax wants a day before it is buffed."],
  shows: [
    { on: "recess", layers: ["base", "tint", "wax", "seal", "film"], least: 0.85, most: 1 },
    { on: "field", layers: ["base"], least: 0.7, most: 0.95 },
  ],
  days: [0.5, 5],
});
