import type { Material } from "../../materials/material.ts";
import type { LayingId } from "../../surface/techniques/lay.ts";

/** The marks a hand leaves, in a word: small drawings that have no room for the real ones draw these. */
export type Marks =
  | "strokes"
  | "hatch"
  | "dots"
  | "dabs"
  | "folds"
  | "figures"
  | "sheets"
  | "ridges"
  | "gleam"
  | "none";

const MARKS: Readonly<Record<LayingId, Marks>> = {
  brush: "strokes",
  "cross-hatch": "hatch",
  "thin-coat": "strokes",
  roller: "dots",
  pad: "none",
  sponge: "dabs",
  stipple: "dots",
  tap: "dots",
  "dry-brush": "strokes",
  wash: "gleam",
  "rag-on": "folds",
  "two-tone": "strokes",
  blend: "gleam",
  spatter: "dots",
  stencil: "figures",
  "card-smear": "ridges",
  trowel: "ridges",
  emboss: "figures",
  sprinkle: "dabs",
  "seal-patches": "gleam",
  finger: "gleam",
  spray: "none",
  drag: "ridges",
  wax: "gleam",
  "oil-on": "gleam",
  "lay-leaf": "sheets",
  "lay-tissue": "figures",
  "rub-transfer": "figures",
  stamp: "figures",
  "touch-up": "strokes",
};

const FLUID: ReadonlySet<string> = new Set(["glaze", "stain", "clear", "medium", "size"]);

/** The marks that a technique (by its id) leaves with a material: what stands on the board pixel by pixel, in a word. */
export function marksOf(how: string, material: Pick<Material, "role"> | null): Marks {
  if (material?.role === "patina") return "dabs";
  if (material && FLUID.has(material.role) && (how === "brush" || how === "pad")) return "gleam";
  return how in MARKS ? MARKS[how as LayingId] : "strokes";
}
