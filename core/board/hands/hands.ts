import type { Material } from "../../materials/material.ts";
import type { LayingId } from "../../surface/techniques/lay.ts";
import * as brushes from "./brushes.ts";
import * as dabs from "./dabs.ts";
import type { Hand } from "./hand.ts";
import * as ornaments from "./ornaments.ts";

/** How each technique lays what it lays. */
const HANDS: Readonly<Record<LayingId, Hand>> = {
  brush: brushes.brush,
  "cross-hatch": brushes.crossHatch,
  "thin-coat": brushes.brush,
  roller: brushes.roller,
  pad: brushes.pad,
  sponge: brushes.sponge,
  stipple: brushes.stipple,
  tap: brushes.tap,
  "dry-brush": brushes.dryBrush,
  wash: brushes.wash,
  "rag-on": dabs.ragOn,
  "two-tone": brushes.twoTone,
  blend: brushes.blend,
  spatter: dabs.spatter,
  stencil: ornaments.stencil,
  "card-smear": brushes.cardSmear,
  trowel: ornaments.trowel,
  emboss: ornaments.emboss,
  sprinkle: dabs.crumb,
  "seal-patches": brushes.sealPatches,
  finger: brushes.finger,
  spray: brushes.spray,
  drag: brushes.drag,
  wax: brushes.wax,
  "oil-on": brushes.pad,
  "lay-leaf": ornaments.leaf,
  "lay-tissue": ornaments.tissue,
  "rub-transfer": ornaments.transfer,
  stamp: ornaments.stamp,
  "touch-up": brushes.sealPatches,
};

/** Fluids that are brushed settle in hollows; paint does not. */
const POOLS: ReadonlySet<string> = new Set(["glaze", "stain"]);

/** The hand that a technique (by its id) lays a material with. */
export function handOf(how: LayingId, material: Pick<Material, "role"> | null): Hand {
  if (material?.role === "patina") return brushes.patina;
  if (material && POOLS.has(material.role) && (how === "brush" || how === "pad")) return brushes.glaze;
  if (material?.role === "glaze" && how === "dry-brush") return brushes.dryBrushedGlaze;
  return HANDS[how];
}
