import { finish } from "../finish.ts";
import { end } from "../moves/end.ts";
import { colour, sealedUnder } from "../moves/lay.ts";
import { rubDamp } from "../moves/take.ts";

export default finish({
  id: "worn-to-dark",
  name: "Worn to the dark",
  is: "Pale paint rubbed damp until a sealed dark under-coat shows on edges and beads; dark wax in the hollows.",
  suits: "Carved and moulded pieces that hands have used: settles, chests, frames.",
  looks: ["worn", "pale"],
  practice: "first time",
  panels: ["carved", "drawer", "frame"],
  materials: { under: "tint-base-walnut", top: "chalk-duck-egg", tint: "wax-dark" },
  moves: ({ under, top, tint }) => [
    sealedUnder("under", under),
    colour("top", top, "What is seen on the flats; two coats hide the dark."),
    rubDamp("rub", "under"),
    end({ tint, on: "recess" }),
  ],
  variants: [
    { id: "bone", name: "Bone white over walnut", materials: { top: "chalk-bone-white" } },
    {
      id: "sea-green",
      name: "Sea green over ebony",
      materials: { under: "tint-base-ebony", top: "chalk-sea-green", tint: "wax-black" },
    },
  ],
  schools: [
    { rule: "darkWax", says: "Straight on the paint, the dark wax grimes all of it, not only the hollows." },
    { rule: "end", says: "Film houses glaze the hollows instead and shut it with a clear coat." },
  ],
  pitfalls: [
    "Rub within a day of the last coat: later the cloth takes nothing.",
    "A cloth that drips opens the flats too. Wring it out.",
  ],
  shows: [
    { on: "arris", layers: ["under"], least: 0.6, most: 0.85 },
    { on: "field", layers: ["top"], least: 0.8, most: 1 },
  ],
  days: [0.7, 6],
});
