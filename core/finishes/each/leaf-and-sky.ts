import { finish } from "../finish.ts";
import { leaf } from "../moves/decorate.ts";
import { end } from "../moves/end.ts";
import { broken, colour, glaze } from "../moves/lay.ts";

export default finish({
  id: "leaf-and-sky",
  name: "Glazed leaf and painted sky",
  is: "Imitation gold over red, a pale sky sponged over part of it, all toned down with umber.",
  suits: "Frames, boxes and small drawers that are only looked at.",
  looks: ["gilded", "decorated"],
  practice: "practised",
  panels: ["drawer", "frame", "disc"],
  materials: { red: "chalk-oxide-red", leaf: "leaf-imitation-gold", sky: "craft-sky", dirt: "glaze-umber" },
  moves: (own) => [
    colour("red", own.red, "Red warms the leaf, and shows in its breaks."),
    leaf("leaf", own.leaf, "red"),
    broken("sky", "sponge", own.sky, "Sponged on in clouds, so that gold shines between them.", { over: 0.4 }),
    glaze("dirt", own.dirt, "wipe-back", "Takes the shine off new gold."),
    end({ matt: false }),
  ],
  variants: [{ id: "genuine", name: "Genuine gold", materials: { leaf: "leaf-genuine-gold" } }],
  schools: [],
  pitfalls: ["No draught while the leaf is open.", "Size has its hour: dead size holds nothing."],
  shows: [{ on: "field", layers: ["leaf"], least: 0.55, most: 0.9 }],
  days: [1.4, 7],
});
