import type { Material } from "../materials/material.ts";
import { densityOf, isMadeUp, isPowder, LOOSE } from "../materials/measures.ts";
import type { Mix } from "../plan/mix.ts";
import type { Share } from "../units/units.ts";

/** What is stirred together, by wet volume as it comes from the tins. */
export interface Pot {
  /** shares of the tins among themselves: they sum to 1 */
  parts: readonly { material: Material; share: Share }[];
  /** what is from tins in a litre of the pot: 1 straight from the tin, 0.25 with three parts of water, over 1 with less water than usual */
  strength: number;
}

/** Millilitres that a part takes up, and how much of them is water that the powder still wants. */
function volumeOf(material: Material, parts: number, by: Mix["by"]): { volume: number; wants: number } {
  const density = densityOf(material);
  if (isMadeUp(material)) {
    const scoops = by === "weight" ? parts / LOOSE : parts;
    return { volume: scoops * (1 + LOOSE / density), wants: scoops };
  }
  if (isPowder(material)) return { volume: by === "weight" ? parts / density : (parts * LOOSE) / density, wants: 0 };
  return { volume: by === "weight" ? parts / density : parts, wants: 0 };
}

/** The least water that powder is taken to be stirred with, of what it wants. */
const STIFFEST = 0.3;

/** The pot of a mix; null where one of its materials is not to be had. */
export function potOf(mix: Mix, own: Material, materials: Pick<ReadonlyMap<string, Material>, "get">): Pot | null {
  const tins: { material: Material; parts: number }[] = [{ material: own, parts: mix.parts }];
  for (const { what, parts } of mix.with) {
    const material = materials.get(what);
    if (!material) return null;
    tins.push({ material, parts });
  }
  const volumes = tins.map(({ material, parts }) => volumeOf(material, parts, mix.by));
  const whole = volumes.reduce((sum, { volume }) => sum + volume, 0);
  const wants = volumes.reduce((sum, volume) => sum + volume.wants, 0);
  // with nothing said of water, powder is made up as usual
  const water = mix.thinner === 0 ? 0 : Math.max((STIFFEST - 1) * wants, mix.thinner - wants);
  return {
    parts: tins.map(({ material }, index) => ({ material, share: volumes[index]!.volume / whole })),
    strength: whole / (whole + water),
  };
}

/** A material straight from its tin, let down by so many parts of water to one. */
export const letDown = (material: Material, water: number): Pot => ({
  parts: [{ material, share: 1 }],
  strength: 1 / (1 + water),
});
