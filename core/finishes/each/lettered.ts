import { finish } from "../finish.ts";
import { design } from "../moves/decorate.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";
import { sandEdges } from "../moves/take.ts";

export default finish({
  id: "lettered",
  name: "Lettered crate",
  is: "Linen paint with a chandler's lettering, sanded until both look handled.",
  suits: "Boxes, crates, drawer fronts, stools.",
  looks: ["decorated", "pale", "worn"],
  practice: "first time",
  panels: ["box", "drawer", "plain"],
  materials: { under: "tint-base-walnut", base: "clay-linen", ink: "ink-soot" },
  moves: (own) => [
    colour("under", own.under, "The timber colour that wear shows.", { coats: 1 }),
    colour("base", own.base, "The pale face that is lettered."),
    design("letters", "stamp", own.ink),
    sandEdges("sand", "under", { effort: { passes: 1, pressure: "usual", until: 0.05 } }),
    end({}),
  ],
  variants: [{ id: "mustard", name: "On mustard", materials: { base: "chalk-mustard" } }],
  schools: [],
  pitfalls: [
    "Let the paint stand a day before you press on it.",
    "A softer print looks older: ink the stamp once for two prints.",
  ],
  shows: [
    { on: "field", layers: ["base"], least: 0.75, most: 1 },
    { on: "arris", layers: ["under"], least: 0, most: 0.25 },
  ],
  days: [0.4, 3],
});
