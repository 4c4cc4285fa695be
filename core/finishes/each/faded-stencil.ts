import { watered } from "../../plan/mix.ts";
import { finish } from "../finish.ts";
import { design } from "../moves/decorate.ts";
import { end } from "../moves/end.ts";
import { broken, colour, wash } from "../moves/lay.ts";

export default finish({
  id: "faded-stencil",
  name: "Ragged wash, faded stencil",
  is: "A green wash ragged over putty, a blue stencil almost washed away.",
  suits: "Cupboard doors, trays and box lids; plain boards.",
  looks: ["decorated", "pale"],
  practice: "some practice",
  panels: ["plain", "top", "disc"],
  materials: { base: "emulsion-putty", wash: "chalk-sea-green", stencil: "craft-ultramarine" },
  moves: (own) => [
    colour("base", own.base, "The quiet colour that everything fades into."),
    broken("rag", "rag-on", own.wash, "Half water, put on with a crumpled rag.", { mix: watered(1, 1) }),
    design("stencil", "stencil", own.stencil),
    wash("fade", own.base, 3, "Thin veils of the base push the stencil back.", { over: 0.8 }),
    end({}),
  ],
  variants: [{ id: "red", name: "Oxide red stencil", materials: { stencil: "chalk-oxide-red" } }],
  schools: [],
  pitfalls: [
    "Tape and stencils lift paint that is younger than a day.",
    "Stop the last wash while the stencil still looks too strong: it dries paler.",
  ],
  shows: [{ on: "field", layers: ["base", "rag", "fade"], least: 0.8, most: 1 }],
  days: [1.2, 3],
});
