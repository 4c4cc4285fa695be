import type { Material } from "../materials/material.ts";
import { densityOf, isMadeUp, isPowder, LOOSE, powderIn, sheetOf } from "../materials/measures.ts";
import { potBehind } from "../mixing/mixed-material.ts";
import { type Pot, potOf } from "../mixing/pot.ts";
import { boundsOf } from "../plan/outline.ts";
import { findCrust, isReliefClass, type Plan, type Zone, zoneArea } from "../plan/plan.ts";
import { dryFilm } from "../quantity/spread.ts";
import { compile } from "../surface/compile.ts";
import type { Phase } from "../surface/phase.ts";
import { isPlace, isSimple, shareWhere, sizesOf } from "../surface/places.ts";
import type { Micrometres, Millilitres, Share, SquareMetres } from "../units/units.ts";

/** What a material is counted in where it is bought and used up. */
export type Unit = "ml" | "g" | "sheets";

/** How a material is counted: liquids and pastes by volume, powders by weight, leaf, tissue and transfers by the sheet. */
export const unitOf = (material: Material): Unit => (sheetOf(material) ? "sheets" : isPowder(material) ? "g" : "ml");

/** A volume as it lies in the mix, in the unit that the material is counted in: grams of powder, millilitres of anything else. */
export function inUnit(material: Material, millilitres: Millilitres): number {
  if (!isPowder(material)) return millilitres;
  if (isMadeUp(material)) return millilitres * powderIn(material);
  return millilitres * (material.role === "crumb" ? LOOSE : densityOf(material));
}

/** Leaf is laid with laps: so many millimetres on each side lie under the next (common practice). */
const LAP = 5;

/** One coat on one zone: what it is laid over, and what that takes. */
export interface CoatOnZone {
  planId: string;
  pieceId: string;
  zone: Zone;
  phase: Phase;
  /** what it really covers */
  covered: SquareMetres;
  /** of the mix as it is laid, without what is lost */
  net: Millilitres;
  /** the same by the careful end of the spreading rate */
  careful: Millilitres;
  /** dry, where it covers */
  film: Micrometres;
  /** it has been done */
  done: boolean;
}

/** A rate that is no label's, and has one figure only, may be off by so much (from memory). */
const UNSURE: Share = 0.15;

/** The spreading rate on the careful side, in square metres a litre. */
function carefulRate({ spreadingRate: { typical, safe, origin } }: Material): number {
  return typical === safe && origin !== "label" ? typical / (1 + UNSURE) : Math.min(typical, safe);
}

/** A tool that does not reach where the step goes takes nothing from the tin. */
const laysNothing = ({ where, technique }: Phase) =>
  isSimple(where) && isReliefClass(where.on) && technique.profile[where.on] === 0;

/** Every coat of a plan as it is compiled for its zone: without what the zone skips and the answers that are not expected. */
export function coatsIn(plan: Plan, materials: ReadonlyMap<string, Material>): CoatOnZone[] {
  const done = new Set(plan.done?.map(({ zoneId, phaseId }) => `${zoneId} ${phaseId}`));
  return plan.pieces.flatMap((piece) =>
    piece.zones.flatMap((zone) => {
      const crust = findCrust(plan, zone.crustId);
      if (!crust) return [];
      const area = zoneArea(zone);
      return compile(crust, zone, materials).phases.flatMap((phase): CoatOnZone[] => {
        const { material, where, load } = phase;
        if (material === null || laysNothing(phase)) return [];
        const covered = area * shareWhere(where, zone.relief, sizesOf(zone)) * where.share;
        const by = (squareMetresPerLitre: number) => ((covered * load) / squareMetresPerLitre) * 1000;
        return [
          {
            planId: plan.id,
            pieceId: piece.id,
            zone,
            phase,
            covered,
            net: by(material.spreadingRate.typical),
            careful: by(carefulRate(material)),
            film: dryFilm(material) * load,
            done: done.has(`${zone.id} ${phase.id}`),
          },
        ];
      });
    }),
  );
}

/** A tin that goes into a coat, and what of it is in a millilitre of what is laid, in the tin's own unit. */
export interface Drawn {
  material: Material;
  unit: Unit;
  perMillilitre: number;
}

type Materials = Pick<ReadonlyMap<string, Material>, "get">;
const NONE: Materials = new Map();

/** A saved mix of a saved mix is looked into so often. */
const DEEPEST = 4;

/** The pot that a saved mix is stirred in; null where one of its tins is not to be had. */
function recipePot({ recipe }: Material, materials: Materials): Pot | null {
  const [own, ...others] = recipe ?? [];
  const first = own && materials.get(own.what);
  if (!own || !first) return null;
  return potOf({ by: "volume", parts: own.parts, with: others, thinner: 0 }, first, materials);
}

/**
 * A pot in the tins it really comes from: paint that the house makes up of powder is powder, and a mix that was saved is what it is
 * stirred from.
 */
export const inTins = (
  { parts, strength }: Pot,
  materials: Materials = NONE,
  of: Share = 1,
  depth = 0,
): [Material, Share][] =>
  parts.flatMap(({ material, share }): [Material, Share][] => {
    const behind = potBehind(material) ?? (depth < DEEPEST ? recipePot(material, materials) : null);
    const whole = of * share * strength;
    return behind ? inTins(behind, materials, whole, depth + 1) : [[material, whole]];
  });

/** What a coat is made of, tin by tin. Water is not counted. */
export function tinsOf({ pot, beside }: Phase, materials: Materials = NONE): Drawn[] {
  if (pot === null) return [];
  const first: Share = beside ? 1 - beside.share : 1;
  const tins = [
    ...inTins(pot, materials, first),
    ...(beside
      ? inTins({ parts: [{ material: beside.material, share: 1 }], strength: 1 }, materials, beside.share)
      : []),
  ];
  return tins.map(([material, millilitres]) => ({
    material,
    unit: unitOf(material),
    perMillilitre: inUnit(material, millilitres),
  }));
}

/** How many whole rectangles a sheet gives, or how many sheets one rectangle takes: the better way round of the two. */
function sheetsForEach(sheet: Size, wanted: Size): number {
  const ways = [wanted, { width: wanted.height, height: wanted.width }].map(({ width, height }) => {
    const fit = Math.floor(sheet.width / width) * Math.floor(sheet.height / height);
    return fit >= 1 ? 1 / fit : Math.ceil(width / sheet.width) * Math.ceil(height / sheet.height);
  });
  return Math.min(...ways);
}

interface Size {
  width: number;
  height: number;
}

/** The rectangles that a printed design is cut to on a zone: round what is drawn, or a square of the place's size. */
function designsOn({
  zone,
  phase,
  covered,
}: Pick<CoatOnZone, "zone" | "phase" | "covered">): { size: Size; count: number }[] {
  const { on } = phase.where;
  const { shape } = zone;
  const drawn = isPlace(on) ? zone.outlines?.[on] : undefined;
  const face = "width" in shape ? { width: shape.width, height: shape.height } : null;
  if (drawn && face && isSimple(phase.where))
    return drawn.map((outline) => {
      const { width, height } = boundsOf(outline);
      return { size: { width: width * face.width, height: height * face.height }, count: shape.count * zone.faces };
    });
  const count = shape.count * zone.faces;
  if (on === "everywhere" && face && (shape.kind === "panel" || shape.kind === "frame") && phase.where.share === 1)
    return [{ size: face, count }];
  const side = Math.sqrt(covered / count) * 1000;
  return [{ size: { width: side, height: side }, count }];
}

/**
 * Sheets that a coat takes, not rounded: leaf by what a sheet covers without its laps, tissue and transfers by how often the
 * design fits on a sheet.
 */
export function sheetsFor(coat: CoatOnZone, material: Material): number {
  const sheet = sheetOf(material);
  if (!sheet || coat.covered === 0) return 0;
  if (material.role === "leaf") {
    const each = (Math.max(1, sheet.width - LAP) * Math.max(1, sheet.height - LAP)) / 1e6;
    return coat.covered / each;
  }
  return designsOn(coat).reduce((sum, { size, count }) => sum + count * sheetsForEach(sheet, size), 0);
}
