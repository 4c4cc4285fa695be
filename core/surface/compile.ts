import type { Material } from "../materials/material.ts";
import type { Crust, Step, Zone } from "../plan/plan.ts";
import { zoneArea } from "../plan/plan.ts";
import { HOUR } from "../units/units.ts";
import type { Effect, Phase } from "./phase.ts";
import { coatThickness } from "./surface.ts";
import { findTechnique, type Technique } from "./technique.ts";

/** A step the engine cannot read: an unknown technique or material. It is kept and shown, and lays nothing. */
export interface Unreadable {
  step: Step;
  because: string;
}

/** How much slower relief makes the work: carving half as long again and more (common practice). */
const reliefFactor = (zone: Zone) => 1 + 0.8 * (zone.relief.recess + zone.relief.high);

function handsOn(technique: Technique, zone: Zone, area: number, share: number): number {
  const minutes = technique.setUp + area * technique.minutesPerSquareMetre * share * reliefFactor(zone);
  return Math.min(12 * HOUR, Math.max(5, Math.round(minutes / 5) * 5));
}

function whyUnreadable(step: Step, technique: Technique | undefined, material: Material | undefined): string | null {
  if (!technique) return `The technique "${step.how}" is not known here.`;
  if (technique.lays.length === 0) return null;
  if (step.what === undefined) return `${technique.name} needs a material.`;
  if (!material) return `The material "${step.what}" is not pinned in this plan.`;
  if (!technique.lays.includes(material.role)) return `${material.name} is not laid by "${technique.name}".`;
  return null;
}

/**
 * Turns a crust on a zone into phases, from the first to the last: coats become single coats, and every phase carries
 * its effects on the surface and its minutes of hands.
 */
export function compile(
  crust: Crust,
  zone: Zone,
  materials: ReadonlyMap<string, Material>,
): { phases: Phase[]; unreadable: Unreadable[] } {
  const phases: Phase[] = [];
  const unreadable: Unreadable[] = [];
  const area = zoneArea(zone);
  for (const step of crust.steps) {
    const technique = findTechnique(step.how);
    const material = step.what === undefined ? undefined : materials.get(step.what);
    const because = whyUnreadable(step, technique, material);
    if (because !== null || !technique) {
      unreadable.push({ step, because: because ?? "" });
      continue;
    }
    const lays = technique.lays.length > 0 ? material! : null;
    const effects: readonly Effect[] = lays
      ? [
          { does: "deposit", micrometres: coatThickness(lays, technique.load), profile: technique.profile },
          ...technique.effects,
        ]
      : technique.effects;
    const hands = handsOn(technique, zone, area, step.where.share);
    const coats = lays ? step.coats : 1;
    for (let coat = 1; coat <= coats; coat++)
      phases.push({
        id: coats === 1 ? step.id : `${step.id}/${coat}`,
        step,
        technique,
        material: lays,
        coat,
        effects,
        where: step.where,
        intents: step.intents,
        hands,
      });
  }
  return { phases, unreadable };
}
