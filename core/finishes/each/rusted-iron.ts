import { finish } from "../finish.ts";
import { always } from "../move.ts";
import { end } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "rusted-iron",
  name: "Rust",
  is: "Real rust, grown on iron paint with an acid spray.",
  suits: "Boxes, strongboxes, drawer fronts, hardware.",
  looks: ["metal", "textured"],
  practice: "some practice",
  panels: ["drawer", "leg", "box"],
  materials: { base: "tint-base-ebony", metal: "reactive-iron", patina: "patina-rust" },
  moves: ({ base, metal, patina }) => [
    colour("base", base, "Dark, in case the metal coat is thin.", { coats: 1 }),
    always(
      "Grow rust",
      {
        key: "metal",
        how: "brush",
        what: metal,
        coats: 2,
        why: "Real iron in a binder. The second coat must be wet for the spray.",
      },
      {
        key: "patina",
        how: "spray",
        what: patina,
        over: 0.8,
        why: "Acid turns the iron: what you see comes over a day or two.",
      },
    ),
    end({ matt: true, fragile: true }),
  ],
  variants: [
    {
      id: "verdigris",
      name: "Verdigris on copper",
      materials: { metal: "reactive-copper", patina: "patina-verdigris" },
    },
  ],
  schools: [],
  pitfalls: ["Gloves and goggles: it is an acid.", "Sealed too early, the rust stops where it is."],
  shows: [{ on: "field", layers: ["metal", "patina", "seal", "film"], least: 0.85, most: 1 }],
  days: [1.9, 4],
});
