import type { Material } from "../materials/material.ts";
import type { StepKind } from "../plan/plan.ts";
import type { Technique } from "../surface/technique.ts";
import type { TechniqueId } from "../surface/techniques.ts";

type Role = Material["role"];

/** What comes next: a coat of something, or a hand that lays nothing. */
export type Follows = { role: Role } | { technique: TechniqueId };

const PAINT = { role: "paint" } as const;
const PRIMER = { role: "primer" } as const;
const TINT_BASE = { role: "tint-base" } as const;
const GLAZE = { role: "glaze" } as const;
const WAX = { role: "wax" } as const;
const CLEAR = { role: "clear" } as const;
const MEDIUM = { role: "medium" } as const;
const PASTE = { role: "paste" } as const;
const hand = (technique: TechniqueId) => ({ technique });

/** The bare piece, or what the last step of the crust did. */
type Beneath = Role | StepKind | "ground";

/** What usually follows, the most usual first; common practice, held to the finishes by the test beside this file. */
const USUAL: Record<Beneath, readonly Follows[]> = {
  ground: [hand("clean"), hand("scuff"), PRIMER, PAINT, TINT_BASE, { role: "stain" }, PASTE],
  prepare: [hand("scuff"), PRIMER, PAINT, TINT_BASE, MEDIUM, PASTE, { role: "stain" }],
  primer: [PAINT, TINT_BASE, hand("sand-320"), { role: "size" }],
  paint: [
    PAINT,
    WAX,
    GLAZE,
    CLEAR,
    hand("wet-distress"),
    hand("sand-320"),
    hand("scuff"),
    MEDIUM,
    { role: "patina" },
    hand("mist"),
    hand("chip"),
    hand("scrape"),
    { role: "ink" },
  ],
  "tint-base": [PAINT, TINT_BASE, hand("scuff"), CLEAR, hand("sand-320")],
  stain: [CLEAR, PAINT, WAX, { role: "oil" }],
  medium: [PAINT, GLAZE, CLEAR],
  paste: [PAINT, hand("sand-220"), GLAZE, WAX],
  crumb: [PAINT, hand("foam-off"), CLEAR],
  glaze: [hand("wipe-back"), GLAZE, hand("comb"), hand("soften"), CLEAR, WAX, hand("scrape-back")],
  size: [{ role: "leaf" }],
  leaf: [hand("leaf-off"), CLEAR, WAX, { role: "patina" }, GLAZE],
  tissue: [CLEAR, PAINT, GLAZE, WAX],
  transfer: [CLEAR, WAX, hand("burnish")],
  ink: [CLEAR, WAX, hand("wet-sand"), hand("sand-320")],
  pigment: [WAX, CLEAR],
  patina: [WAX, CLEAR, hand("wipe-back")],
  wax: [hand("buff"), WAX, hand("erase-wax"), hand("steel-wool")],
  oil: [WAX, { role: "oil" }, hand("buff")],
  clear: [CLEAR, PAINT, GLAZE, WAX, { role: "tissue" }, { role: "size" }, hand("scuff")],
  coat: [PAINT, WAX, CLEAR],
  take: [WAX, CLEAR, GLAZE, PAINT, { role: "oil" }, hand("tack-off")],
  help: [PAINT, GLAZE, { role: "crumb" }, hand("wipe-back")],
  hold: [WAX, CLEAR, PAINT, hand("buff")],
  inspect: [PAINT, WAX, CLEAR, hand("buff")],
  handle: [PAINT, WAX, CLEAR],
};

/**
 * What a painter usually does next, the most usual first.
 * @param beneath what was laid or done last, and the material if it laid one; null on the bare piece
 */
export function likelyNext(beneath: { technique: Technique; material: Material | null } | null): readonly Follows[] {
  return USUAL[beneath ? (beneath.material?.role ?? beneath.technique.kind) : "ground"];
}
