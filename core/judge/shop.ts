import type { Material } from "../materials/material.ts";
import { type Plan, zoneArea, zonesOf } from "../plan/plan.ts";
import { volumeNeeded } from "../quantity/spread.ts";
import { shareWhere } from "../surface/places.ts";
import { findTechnique } from "../surface/techniques.ts";
import type { Millilitres, SquareMetres } from "../units/units.ts";

export interface Need {
  material: Material;
  millilitres: Millilitres;
  /** where it goes */
  uses: { zoneId: string; zone: string; step: string; coats: number; area: SquareMetres; millilitres: Millilitres }[];
}

/**
 * How much of each material the plan needs, straight from the tin, from area, coats, cover share, the technique's
 * load and the spreading rate, with what is lost on tools. In the order the materials are first used.
 */
export function shop(plan: Plan): Need[] {
  const materials = new Map(plan.pinned.materials.map((material) => [material.id, material]));
  const crusts = new Map(plan.crusts.map((crust) => [crust.id, crust]));
  const needs = new Map<string, Need>();
  for (const zone of zonesOf(plan)) {
    const area = zoneArea(zone);
    for (const step of crusts.get(zone.crustId)?.steps ?? []) {
      const material = materials.get(step.what ?? "");
      const technique = findTechnique(step.how);
      if (!material || !technique || technique.lays.length === 0) continue;
      const covered = area * shareWhere(step.where.on, zone.relief) * step.where.share;
      const millilitres = volumeNeeded(material, covered, step.coats, 1, technique.load);
      const need = needs.get(material.id) ?? { material, millilitres: 0, uses: [] };
      need.millilitres += millilitres;
      need.uses.push({
        zoneId: zone.id,
        zone: zone.name,
        step: technique.name,
        coats: step.coats,
        area: covered,
        millilitres,
      });
      needs.set(material.id, need);
    }
  }
  return [...needs.values()];
}
