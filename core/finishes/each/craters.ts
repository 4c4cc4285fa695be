import { finish } from "../finish.ts";
import { craters } from "../moves/crack.ts";
import { tissue } from "../moves/decorate.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "craters",
  name: "Craters and tissue flowers",
  is: "Pale paint pitted with slate craters, printed flowers sunk into it.",
  suits: "Small pieces that can take texture: boxes, trays, chair backs.",
  looks: ["textured", "decorated"],
  practice: "practised",
  panels: ["plain", "box", "top"],
  materials: { under: "chalk-slate", top: "chalk-bone-white", tissue: "tissue-roses" },
  moves: (own) => [
    colour("under", own.under, "What the craters show.", { coats: 1 }),
    craters(0.88, "top", own.top),
    tissue("tissue", own.tissue),
    end({ tint: "wax-dark", on: "border" }),
  ],
  variants: [{ id: "red", name: "Oxide red craters", materials: { under: "chalk-oxide-red" } }],
  schools: [],
  pitfalls: [
    "Crumb sticks only to what is wet: small areas, misted again.",
    "Scrape when all of it is dry, not before.",
  ],
  shows: [{ on: "field", layers: ["top"], least: 0.5, most: 0.75 }],
  days: [0.8, 6],
});
