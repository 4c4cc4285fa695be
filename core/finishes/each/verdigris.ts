import { finish } from "../finish.ts";
import { always } from "../move.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "verdigris",
  name: "Copper gone green",
  is: "Copper paint turned to verdigris where the rain would run.",
  suits: "Boxes, frames, hardware, small carving.",
  looks: ["metal", "coloured"],
  practice: "some practice",
  panels: ["frame", "disc", "carved"],
  materials: { base: "tint-base-walnut", metal: "reactive-copper", patina: "patina-verdigris" },
  moves: ({ base, metal, patina }) => [
    colour("base", base, "Warm brown, in case the metal coat is thin.", { coats: 1 }),
    always(
      "Grow verdigris",
      {
        key: "metal",
        how: "brush",
        what: metal,
        coats: 2,
        why: "Real copper in a binder. The second coat must be wet for the spray.",
      },
      {
        key: "patina",
        how: "spray",
        what: patina,
        over: 0.55,
        why: "Not all over: bare copper beside the green is what convinces.",
      },
    ),
    end({ matt: true, fragile: true }),
  ],
  variants: [],
  schools: [],
  pitfalls: ["Gloves and goggles: it is an acid.", "It goes on for two days. Wait before you judge the colour."],
  shows: [{ on: "field", layers: ["metal", "patina", "seal", "film"], least: 0.85, most: 1 }],
  days: [1.9, 4],
});
