import { finish } from "../finish.ts";
import { design } from "../moves/decorate.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";
import { sandEdges } from "../moves/take.ts";

export default finish({
  id: "stamped",
  name: "Stamped and handled",
  is: "Linen paint with a wreath stamped in soot, sanded until both look handled.",
  suits: "Boxes, crates, drawer fronts, stools.",
  looks: ["decorated", "pale", "worn"],
  practice: "first time",
  panels: ["box", "drawer", "plain"],
  materials: { under: "tint-base-walnut", base: "clay-linen", ink: "ink-soot" },
  moves: (own) => [
    colour("under", own.under, "The timber colour that wear shows.", { coats: 1 }),
    colour("base", own.base, "The pale face that is printed.", { coats: 1 }),
    design("print", "stamp", own.ink),
    sandEdges("sand", "under", { grit: "wet", effort: { passes: 3, pressure: "usual" } }),
    end({}),
  ],
  variants: [{ id: "mustard", name: "On mustard", materials: { base: "chalk-mustard" } }],
  schools: [],
  pitfalls: [
    "Let the paint stand a day before you press on it.",
    "A softer print looks older: ink the stamp once for two prints.",
  ],
  shows: [
    { on: "field", layers: ["base"], least: 0.6, most: 0.9 },
    { on: "arris", layers: ["under"], least: 0.2, most: 0.5 },
  ],
  days: [0.4, 3],
});
