import { lightness } from "../colour/difference.ts";
import { materialsOf } from "../judge/judge.ts";
import type { Material } from "../materials/material.ts";
import { findCrust, type Plan, type Zone, zoneArea } from "../plan/plan.ts";
import { CONSUMABLE_IDS, CONSUMABLES, type Consumable, type ConsumableId } from "../quantity/consumables.ts";
import { perimeterOf } from "../quantity/shape.ts";
import { compile } from "../surface/compile.ts";
import type { Phase } from "../surface/phase.ts";
import { shareWhere, sizesOf } from "../surface/places.ts";
import type { Metres, SquareMetres } from "../units/units.ts";

/** What a job uses up besides materials, counted for the whole job. */
export interface SupplyNeed {
  id: ConsumableId;
  supply: Consumable;
  /** so many must be there */
  count: number;
  /** so many are used up or worn by it: a part of a brush, a part of a tin's worth of rags */
  worn: number;
  /** so many must be there for what is still to be done */
  open: number;
  /** gone over with it; for what is not counted by area, 0 */
  area: SquareMetres;
  /** techniques that use it */
  by: string[];
}

/** One phase on one zone. */
interface Work {
  plan: Plan;
  zone: Zone;
  phase: Phase;
  area: SquareMetres;
  done: boolean;
}

function workIn(plan: Plan): Work[] {
  const materials = materialsOf(plan);
  const done = new Set(plan.done?.map(({ zoneId, phaseId }) => `${zoneId} ${phaseId}`));
  return plan.pieces.flatMap(({ zones }) =>
    zones.flatMap((zone) => {
      const crust = findCrust(plan, zone.crustId);
      if (!crust) return [];
      const whole = zoneArea(zone);
      return compile(crust, zone, materials).phases.map((phase) => {
        const reach = shareWhere(phase.where, zone.relief, sizesOf(zone)) * phase.step.where.over;
        return { plan, zone, phase, area: whole * reach * phase.passes, done: done.has(`${zone.id} ${phase.id}`) };
      });
    }),
  );
}

/** A wax this dark stays in the bristles. */
const DARK = 50;
const isDark = ({ role, colour }: Material) => role === "wax" && lightness(colour) <= DARK;

/** What a phase uses up: as its technique says, a brush for wax by what wax it is, and a cloth to take it off again. */
function usesOf({ technique, material }: Phase): readonly ConsumableId[] {
  if (material?.role !== "wax" || technique.id === "finger") return technique.uses;
  return [...technique.uses, isDark(material) ? "dark-wax-brush" : "wax-brush", "dry-rag"];
}

/** Edges that are taped round the place that a step goes to. */
function tapeFor({ zone, phase }: Work): Metres {
  const { on } = phase.where;
  const round = perimeterOf(zone.shape) * zone.faces;
  if (on === "everywhere") return round;
  return round * Math.sqrt(shareWhere(phase.where, zone.relief, sizesOf(zone)));
}

/** What is worked in one session: one pair of gloves does for all zones of it. */
const sessionOf = ({ plan, phase }: Work) => `${plan.id} ${phase.step.id} ${phase.coat} ${phase.round}`;

/** A colour has a brush of its own; under-colours of one pot share it. */
const colourOf = ({ material }: Phase) => (material ? `${material.id} ${material.carrier}` : "");

interface Counted {
  id: ConsumableId;
  area: SquareMetres;
  length: Metres;
  openLength: Metres;
  sessions: Set<string>;
  openSessions: Set<string>;
  colours: Map<string, SquareMetres>;
  openColours: Map<string, SquareMetres>;
  by: Set<string>;
}

function count(into: Counted, work: Work) {
  const { phase, area, done } = work;
  const add = (colours: Map<string, SquareMetres>) =>
    colours.set(colourOf(phase), (colours.get(colourOf(phase)) ?? 0) + area);
  into.by.add(phase.technique.name);
  into.area += area;
  into.length += tapeFor(work);
  into.sessions.add(sessionOf(work));
  add(into.colours);
  if (done) return;
  into.openLength += tapeFor(work);
  into.openSessions.add(sessionOf(work));
  add(into.openColours);
}

/** How much is worn, and how many must be there. */
function amountsOf(id: ConsumableId, areas: ReadonlyMap<string, SquareMetres>, sessions: number, length: Metres) {
  const { lasts, forEachColour } = CONSUMABLES[id];
  if (id === "tape") return { worn: length, count: Math.ceil(length) };
  if (lasts === null) return { worn: sessions, count: sessions };
  const each = [...areas.values()];
  const worn = each.reduce((sum, area) => sum + area / lasts, 0);
  // a separate one for each colour, and another when it is worn
  if (forEachColour) return { worn, count: each.reduce((sum, area) => sum + Math.max(1, Math.ceil(area / lasts)), 0) };
  return { worn, count: Math.max(each.length > 0 ? 1 : 0, Math.ceil(worn - 1e-9)) };
}

/** What one job uses up besides materials. */
function suppliesOf(plan: Plan): SupplyNeed[] {
  const counted = new Map<ConsumableId, Counted>();
  for (const work of workIn(plan))
    for (const id of usesOf(work.phase)) {
      const into = counted.get(id) ?? {
        id,
        area: 0,
        length: 0,
        openLength: 0,
        sessions: new Set(),
        openSessions: new Set(),
        colours: new Map(),
        openColours: new Map(),
        by: new Set(),
      };
      counted.set(id, into);
      count(into, work);
    }
  return [...counted.values()].map((counted) => ({
    id: counted.id,
    supply: CONSUMABLES[counted.id],
    ...amountsOf(counted.id, counted.colours, counted.sessions.size, counted.length),
    open: amountsOf(counted.id, counted.openColours, counted.openSessions.size, counted.openLength).count,
    area: CONSUMABLES[counted.id].lasts === null ? 0 : counted.area,
    by: [...counted.by],
  }));
}

/** What is used up adds up; what is cleaned and used again is there for the next job. */
function together(a: SupplyNeed, b: SupplyNeed): SupplyNeed {
  const both = a.supply.keeps ? Math.max : (a: number, b: number) => a + b;
  return {
    ...a,
    count: both(a.count, b.count),
    open: both(a.open, b.open),
    worn: a.worn + b.worn,
    area: a.area + b.area,
    by: [...new Set([...a.by, ...b.by])],
  };
}

/** What the plans use up besides materials: rags, paper, brushes, tape, gloves, in the order of the list of consumables. */
export function suppliesFor(plans: readonly Plan[]): SupplyNeed[] {
  const all = new Map<ConsumableId, SupplyNeed>();
  for (const need of plans.flatMap(suppliesOf)) {
    const known = all.get(need.id);
    all.set(need.id, known ? together(known, need) : need);
  }
  return CONSUMABLE_IDS.flatMap((id) => all.get(id) ?? []);
}
