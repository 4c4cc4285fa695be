import { FAMILY_DEFAULTS } from "./families.ts";
import type { Family, Material } from "./material.ts";

const material = (id: string, name: string, family: Family, colour: string, own: Partial<Material> = {}): Material => ({
  id,
  name,
  family,
  colour,
  ...FAMILY_DEFAULTS[family],
  ...own,
});

/** The generic materials the tool knows by itself: kinds and plain colour words, no makes. */
export const CATALOGUE: readonly Material[] = [
  material("bonding-primer", "Bonding primer", "bonding primer", "#e3e1da"),
  material("stain-block-shellac", "Stain-block, shellac", "stain-block primer, shellac", "#e9e5da"),
  material("stain-block-water", "Stain-block, water-borne", "stain-block primer, water-borne", "#e5e3dc"),
  material("chalk-bone-white", "Chalk-type, bone white", "chalk-type paint", "#e6dfcf"),
  material("chalk-slate", "Chalk-type, slate", "chalk-type paint", "#56646b"),
  material("chalk-oxide-red", "Chalk-type, oxide red", "chalk-type paint", "#8a4534"),
  material("chalk-duck-egg", "Chalk-type, duck egg", "chalk-type paint", "#a9bdb3"),
  material("clay-linen", "Clay-type, linen", "clay-type paint", "#d9cfbb"),
  material("clay-moss", "Clay-type, moss", "clay-type paint", "#6c7050"),
  material("milk-bottle-green", "Milk paint, bottle green", "milk paint", "#3f5a49"),
  material("milk-ochre", "Milk paint, ochre", "milk paint", "#b98d43"),
  material("milk-soot", "Milk paint, soot black", "milk paint", "#33302d"),
  material("mineral-storm", "Acrylic mineral, storm blue", "acrylic mineral paint", "#40566a"),
  material("mineral-oyster", "Acrylic mineral, oyster", "acrylic mineral paint", "#d3cdc1"),
  material("emulsion-putty", "Flat emulsion, putty", "flat emulsion", "#b9ad97"),
  material("tint-base-walnut", "Sealing tint-base, walnut", "sealing tint-base", "#3f2c1c"),
  material("tint-base-ebony", "Sealing tint-base, ebony", "sealing tint-base", "#241f1b"),
  material("crackle-medium", "Crackle medium", "crackle medium", "#d8d2c0"),
  material("glaze-clear", "Clear glaze medium", "clear glaze medium", "#e2ddd0"),
  material("glaze-umber", "Glaze, raw umber", "tinted glaze", "#5c4a35"),
  material("wax-clear", "Clear paste wax", "clear wax", "#d9c48e"),
  material("wax-dark", "Dark wax", "tinted wax", "#36261b"),
  material("wax-white", "White wax", "tinted wax", "#eeeae0"),
  material("clear-coat-satin", "Clear coat, satin", "water-borne clear coat", "#c5d3d6"),
  material("clear-coat-matt", "Clear coat, matt", "water-borne clear coat", "#cfd8d8"),
  material("polyurethane-water", "Tough polyurethane, water-borne", "tough water-borne polyurethane", "#c9d2cd"),
  material("shellac-sealer", "Shellac sealer, dewaxed", "shellac sealer", "#cfa863"),
];
