import type { Material } from "../materials/material.ts";
import { materialOf } from "../mixing/mixed-material.ts";
import { findCrust, isReliefClass, type Plan, zoneArea, zonesOf } from "../plan/plan.ts";
import { volumeNeeded } from "../quantity/spread.ts";
import { compile } from "../surface/compile.ts";
import type { Phase } from "../surface/phase.ts";
import { isSimple, shareWhere, sizesOf } from "../surface/places.ts";
import type { Millilitres, SquareMetres } from "../units/units.ts";
import { materialsOf } from "./judge.ts";

export interface Need {
  material: Material;
  millilitres: Millilitres;
  /** where it goes */
  uses: { zoneId: string; zone: string; step: string; coats: number; area: SquareMetres; millilitres: Millilitres }[];
}

/** What goes into the pot for one coat of a phase over an area, tin by tin; water is not counted. */
function tinsFor({ pot, beside, load }: Phase, area: SquareMetres): [Material, Millilitres][] {
  if (pot === null) return [];
  const whole = volumeNeeded(materialOf(pot), area, 1, 1, load);
  const first = beside ? 1 - beside.share : 1;
  return [
    ...pot.parts.map(({ material, share }): [Material, Millilitres] => [
      material,
      whole * share * Math.min(1, pot.strength) * first,
    ]),
    ...(beside ? [[beside.material, whole * beside.share] as [Material, Millilitres]] : []),
  ];
}

/** A tool that does not reach where the step goes takes nothing from the tin. */
const laysNothing = ({ where, technique }: Phase) =>
  isSimple(where) && isReliefClass(where.on) && technique.profile[where.on] === 0;

/**
 * How much of each material the plan needs, straight from the tin, from area, coats, cover share, the technique's
 * load, what is stirred together and the spreading rate, with what is lost on tools. In the order the materials are first used.
 */
export function shop(plan: Plan): Need[] {
  const materials = materialsOf(plan);
  const needs = new Map<string, Need>();
  const uses = new Map<string, Need["uses"][number]>();
  for (const zone of zonesOf(plan)) {
    const crust = findCrust(plan, zone.crustId);
    if (!crust) continue;
    const area = zoneArea(zone);
    for (const phase of compile(crust, zone, materials).phases) {
      const covered = area * shareWhere(phase.where, zone.relief, sizesOf(zone)) * phase.where.share;
      if (laysNothing(phase)) continue;
      for (const [material, millilitres] of tinsFor(phase, covered)) {
        const need = needs.get(material.id) ?? { material, millilitres: 0, uses: [] };
        needs.set(material.id, need);
        need.millilitres += millilitres;
        const key = `${material.id} ${zone.id} ${phase.step.id}`;
        const use = uses.get(key);
        if (use) {
          use.coats++;
          use.millilitres += millilitres;
          continue;
        }
        const first = {
          zoneId: zone.id,
          zone: zone.name,
          step: phase.technique.name,
          coats: 1,
          area: covered,
          millilitres,
        };
        uses.set(key, first);
        need.uses.push(first);
      }
    }
  }
  return [...needs.values()];
}
