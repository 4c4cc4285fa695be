import { finish } from "../finish.ts";
import { end, endsInWax } from "../moves/end.ts";
import { colour } from "../moves/lay.ts";

export default finish({
  id: "wax-blend",
  name: "Blend in the mouldings",
  is: "Bone white with slate wax-paint left in every groove.",
  suits: "Mouldings, panelled doors, frames.",
  looks: ["pale", "glazed"],
  practice: "first time",
  panels: ["frame", "drawer", "carved"],
  materials: { base: "chalk-bone-white", blend: "wax-blend-slate", glaze: "glaze-driftwood" },
  moves: ({ base, blend, glaze }) => [
    colour("base", base, "The light face."),
    {
      name: "Blend into the grooves",
      steps: (context) => [
        endsInWax(context)
          ? {
              key: "blend",
              how: "brush",
              what: blend,
              on: "recess",
              intents: ["stain"],
              why: "Three parts paint, one part wax: it stays where it is pushed.",
            }
          : {
              key: "blend",
              how: "brush",
              what: glaze,
              on: "recess",
              intents: ["stain"],
              why: "A glaze in place of the blend, because a film goes over it.",
            },
        { key: "off", how: "wipe-back", on: "recess", why: "Wiped along the groove, so that its edges soften." },
      ],
    },
    end({}),
  ],
  variants: [{ id: "putty", name: "Over putty", materials: { base: "home-chalk-putty" } }],
  schools: [{ rule: "filmOverWax", says: "Some allow a film over a thin dry blend; others only wax." }],
  pitfalls: ["Thin is enough: thick blend never hardens."],
  shows: [{ on: "field", layers: ["base"], least: 0.85, most: 1 }],
  days: [0.9, 5],
});
