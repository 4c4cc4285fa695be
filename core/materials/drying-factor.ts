import type { Material, TimeFigure } from "./material.ts";

const scaled = <Figure extends TimeFigure | undefined>(figure: Figure, by: number): Figure =>
  figure && { ...figure, typical: figure.typical * by, safe: figure.safe * by };

/** What a factor is, and how far from the tin it may be believed. */
export const FACTOR_LIMITS = { least: 0.25, most: 4 } as const;

const made = new WeakMap<Material, Map<number, Material>>();

/**
 * A material that takes so many times as long as its tin says, in every stage and window: the shop has seen it. The same object
 * where the tin is right.
 */
export function driesAs(material: Material, factor: number): Material {
  if (factor === 1) return material;
  const known = made.get(material) ?? new Map<number, Material>();
  made.set(material, known);
  const kept = known.get(factor);
  if (kept) return kept;
  const { drying, windows } = material;
  const of = <Figure extends TimeFigure | undefined>(figure: Figure) => scaled(figure, factor);
  const own: Material = {
    ...material,
    drying: {
      touch: of(drying.touch),
      recoat: of(drying.recoat),
      beforeClear: of(drying.beforeClear),
      cure: of(drying.cure),
    },
    windows: {
      ...windows,
      ...(windows.open ? { open: of(windows.open) } : {}),
      ...(windows.closed ? { closed: { from: of(windows.closed.from), until: of(windows.closed.until) } } : {}),
      ...(windows.tack ? { tack: { opens: of(windows.tack.opens), shuts: of(windows.tack.shuts) } } : {}),
      ...(windows.buff ? { buff: { opens: of(windows.buff.opens), shuts: of(windows.buff.shuts) } } : {}),
      ...(windows.recoatUntil ? { recoatUntil: of(windows.recoatUntil) } : {}),
    },
  };
  known.set(factor, own);
  return own;
}
