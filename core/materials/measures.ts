import type { Material } from "./material.ts";

/** Grams a millilitre, by what a material is (from memory); the tin's label wins. */
const DENSITY: Partial<Record<Material["role"], number>> = {
  primer: 1.35,
  paint: 1.35,
  paste: 1.6,
  wax: 0.85,
  oil: 0.93,
  pigment: 2.5,
  crumb: 2.5,
};
const OF_MOST = 1.04;

/** Grams a millilitre of loose powder in a scoop (common practice: about two thirds of water). */
export const LOOSE = 0.65;
/** Grams a millilitre of the grains themselves, without the air between them (from memory). */
const GRAINS = 2.5;

/** Whether it comes as a powder. */
export const isPowder = ({ soldAs }: Material): boolean => soldAs === "powder";
/** Paint that comes as powder is rated as it is made up: a scoop of powder to a scoop of water. */
export const isMadeUp = ({ soldAs, role }: Material): boolean => soldAs === "powder" && role === "paint";

/** Grams a millilitre, as it comes from the tin; of a powder, of its grains. */
export const densityOf = ({ density, role, soldAs }: Material): number =>
  density?.typical ?? (soldAs === "powder" ? GRAINS : (DENSITY[role] ?? OF_MOST));

/** Grams of powder in a millilitre of paint made up one scoop to one: 0.65 g and a millilitre of water fill 1.26 ml. */
export const powderIn = (material: Material): number => LOOSE / (1 + LOOSE / densityOf(material));

/** Sheets as they are usually sold, in millimetres (common practice). */
const USUAL_SHEET: Partial<Record<Material["role"], { width: number; height: number }>> = {
  leaf: { width: 140, height: 140 },
  tissue: { width: 500, height: 700 },
  transfer: { width: 300, height: 400 },
};

/** The sheet that a material comes in; null for what is measured out. */
export const sheetOf = ({ sheet, role, soldAs }: Material): { width: number; height: number } | null =>
  soldAs === "sheets" || soldAs === "square metres" ? (sheet ?? USUAL_SHEET[role] ?? null) : null;
