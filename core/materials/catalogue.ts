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

/** What one normal coat looks like over white and over black (from memory of charts). */
const over = (overWhite: string, overBlack: string): Pick<Material, "swatches"> => ({
  swatches: { overWhite, overBlack },
});

/** The generic materials the tool knows by itself: kinds and plain colour words, no makes. */
export const CATALOGUE: readonly Material[] = [
  material("bonding-primer", "Bonding primer", "bonding primer", "#e3e1da"),
  material("stain-block-shellac", "Stain-block, shellac", "stain-block primer, shellac", "#e9e5da"),
  material("stain-block-water", "Stain-block, water-borne", "stain-block primer, water-borne", "#e5e3dc"),
  material("metal-primer", "Metal barrier primer", "metal barrier primer", "#8d8f8c"),

  material("chalk-bone-white", "Chalk-type, bone white", "chalk-type paint", "#e6dfcf"),
  material("chalk-slate", "Chalk-type, slate", "chalk-type paint", "#56646b"),
  material("chalk-oxide-red", "Chalk-type, oxide red", "chalk-type paint", "#8a4534"),
  material("chalk-duck-egg", "Chalk-type, duck egg", "chalk-type paint", "#a9bdb3"),
  material("chalk-mustard", "Chalk-type, mustard", "chalk-type paint", "#b58a3a"),
  material("chalk-lamp-black", "Chalk-type, lamp black", "chalk-type paint", "#2f2e2d"),
  material("chalk-sea-green", "Chalk-type, sea green", "chalk-type paint", "#5d8177"),
  material("home-chalk-putty", "Home-made chalk-type, putty", "home-made chalk-type paint", "#c2b8a3"),
  material("clay-linen", "Clay-type, linen", "clay-type paint", "#d9cfbb"),
  material("clay-moss", "Clay-type, moss", "clay-type paint", "#6c7050"),
  material("clay-tar", "Clay-type, tar", "clay-type paint", "#36332f"),
  material("milk-bottle-green", "Milk paint, bottle green", "milk paint", "#3f5a49"),
  material("milk-ochre", "Milk paint, ochre", "milk paint", "#b98d43"),
  material("milk-soot", "Milk paint, soot black", "milk paint", "#33302d"),
  material("milk-curd", "Milk paint, curd white", "milk paint", "#e9e2d0"),
  material("milk-barn-red", "Milk paint, barn red", "milk paint", "#7d3a2c"),
  material("mineral-storm", "Acrylic mineral, storm blue", "acrylic mineral paint", "#40566a"),
  material("mineral-oyster", "Acrylic mineral, oyster", "acrylic mineral paint", "#d3cdc1"),
  material("mineral-bottle", "Acrylic mineral, bottle green", "acrylic mineral paint", "#34493f"),
  material("craft-sky", "Craft acrylic, pale sky", "craft acrylic", "#b9cdd6"),
  material("craft-ultramarine", "Craft acrylic, ultramarine", "craft acrylic", "#33477f"),
  material("emulsion-putty", "Flat emulsion, putty", "flat emulsion", "#b9ad97"),
  material("oil-deep-green", "Oil paint, deep green", "oil paint", "#2f4a3a"),
  material("aerosol-iron-black", "Aerosol colour, iron black", "aerosol colour", "#2b2b2c"),
  material("hardware-old-brass", "Hardware metallic, old brass", "hardware metallic paint", "#96783f", {
    binder: "acrylic",
  }),
  material("reactive-copper", "Reactive metal paint, copper", "reactive metal paint", "#9a5b3c"),
  material("reactive-iron", "Reactive metal paint, iron", "reactive metal paint", "#5a5450"),
  material("patina-verdigris", "Patina spray, verdigris", "patina spray", "#6fa391", over("#a8cdbd", "#4c7a6b")),
  material("patina-rust", "Patina spray, rust", "patina spray", "#8f4f2a", over("#b5743f", "#4a2a18")),

  material("tint-base-walnut", "Sealing tint-base, walnut", "sealing tint-base", "#3f2c1c"),
  material("tint-base-ebony", "Sealing tint-base, ebony", "sealing tint-base", "#241f1b"),
  material("stain-water-oak", "Water stain, dark oak", "wood stain, water", "#6a4a2c", over("#a9855c", "#0d0a06")),
  material("stain-oil-walnut", "Oil stain, walnut", "wood stain, oil", "#54381f", over("#8f6740", "#0c0805")),
  material("pigment-umber", "Pigment powder, raw umber", "pigment powder", "#6a5238"),
  material("pigment-lamp-black", "Pigment powder, lamp black", "pigment powder", "#2a2928"),
  material("gel-stain-umber", "Gel stain, umber", "gel stain", "#49351f", over("#8a6b49", "#140f09")),

  material("crackle-medium", "Crackle medium", "crackle medium", "#d8d2c0", over("#f4f0e2", "#0b0b0a")),
  material("craft-glue", "White craft glue", "craft glue", "#eceae2", over("#f6f3ea", "#0d0d0c")),
  material("texture-paste", "Texture paste, plaster white", "texture paste", "#ddd5c3"),
  material("texture-crumb", "Coarse texture crumb", "texture crumb", "#d6cdb8"),
  material("glaze-clear", "Clear glaze medium", "clear glaze medium", "#e2ddd0", over("#f7f4ea", "#0a0a09")),
  material("glaze-umber", "Glaze, raw umber", "tinted glaze", "#5c4a35", over("#a58c6d", "#1b1610")),
  material("glaze-black", "Glaze, lamp black", "tinted glaze", "#33312f", over("#7f7c78", "#131211")),
  material("glaze-driftwood", "Glaze, driftwood grey", "tinted glaze", "#857c70", over("#b9b1a5", "#3c3833")),
  material("glaze-pale", "Thin glaze, antique white", "thin pale glaze", "#e8e2d4", over("#f3efe6", "#6f7274")),
  material("glaze-pewter", "Metallic glaze, pewter", "metallic glaze", "#8b8a86"),

  material("leaf-size", "Leaf size", "leaf size", "#e7e2d2", over("#f6f2e6", "#0b0b0a")),
  material("leaf-imitation-gold", "Imitation gold leaf", "metal leaf", "#c39a4a"),
  material("leaf-genuine-gold", "Genuine gold leaf", "metal leaf", "#cfa54b", {
    tarnishes: false,
    sheet: { width: 80, height: 80 },
  }),
  material("tissue-roses", "Printed tissue, faded roses", "printed tissue", "#d8c3b4"),
  material("transfer-lettering", "Rub-on transfer, chandler's lettering", "rub-on transfer", "#2d2a27"),
  material("ink-soot", "Stamping ink, soot", "stamping ink", "#34302c"),

  material("wax-clear", "Clear paste wax", "clear wax", "#d9c48e", over("#f7f2e5", "#0b0a08")),
  material("beeswax", "Beeswax paste", "clear wax", "#d8b96c", over("#f5ecd6", "#0c0a07")),
  material("wax-dark", "Dark wax", "tinted wax", "#36261b", over("#c3a482", "#100c09")),
  material("wax-black", "Black wax", "tinted wax", "#211f1e", over("#aeaaa5", "#0f0e0e")),
  material("wax-white", "White wax", "tinted wax", "#eeeae0", over("#f4f2ec", "#565e64")),
  material("wax-ageing-brown", "Brown ageing wax", "tinted wax", "#5a3d24", over("#cbab80", "#120d08")),
  material("wax-liquid-dark", "Liquid dark wax", "liquid dark wax", "#3d2b1e", over("#c8aa87", "#100c08")),
  material("wax-gilding", "Gilding wax, old gold", "gilding wax", "#b08b3e"),
  material("wax-metallic-bronze", "Metallic wax, bronze", "metallic wax, water-borne", "#7f5f3a"),
  material("wax-blend-slate", "Wax and paint blend, slate", "wax and paint blend", "#6d7678"),
  material("hemp-oil", "Drying oil, hemp-type", "drying oil", "#b9a260", over("#f2e4bd", "#0b0a07")),

  material("clear-coat-satin", "Clear coat, satin", "water-borne clear coat", "#c5d3d6", over("#f9f8f4", "#0a0a0a")),
  material("clear-coat-matt", "Clear coat, matt", "water-borne clear coat", "#cfd8d8", {
    ...over("#f8f7f3", "#121212"),
    gloss: { typical: 0.08, safe: 0.08, origin: "from memory" },
  }),
  material("clear-coat-gloss", "Clear coat, gloss", "water-borne clear coat", "#c5d3d6", {
    ...over("#faf9f5", "#080808"),
    gloss: { typical: 0.8, safe: 0.8, origin: "from memory" },
  }),
  material(
    "polyurethane-water",
    "Tough polyurethane, water-borne",
    "tough water-borne polyurethane",
    "#c9d2cd",
    over("#f9f8f2", "#090909"),
  ),
  material("varnish-oil", "Oil varnish", "solvent polyurethane", "#c79a4e", over("#f0dcae", "#0a0805")),
  material("aerosol-clear-matt", "Aerosol clear, matt", "aerosol clear", "#d3d8d6", over("#f8f7f4", "#101010")),
  material("decoupage-varnish", "Découpage varnish", "découpage varnish", "#d6dad2", over("#f8f7f2", "#090909")),
  material(
    "penetrating-sealer",
    "Penetrating clear sealer",
    "penetrating clear sealer",
    "#d2d3c6",
    over("#f6f4ec", "#0a0a09"),
  ),
  material("shellac-sealer", "Shellac sealer, dewaxed", "shellac sealer", "#cfa863", over("#f0deb4", "#0a0805")),
  material("varnish-heat", "Heat-resisting varnish", "heat-resisting varnish", "#c7a25f", over("#efdcb0", "#0a0805")),
];
