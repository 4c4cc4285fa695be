import type { Plan } from "../plan/plan.ts";
import { zonesOf } from "../plan/plan.ts";
import { CONSUMABLES } from "../quantity/consumables.ts";
import type { Booking } from "../schedule/schedule.ts";
import type { Minutes, Share } from "../units/units.ts";
import { type Costing, type ShelfBook, supplyId } from "./book.ts";
import { type Need, needsOf } from "./needs.ts";
import { cheapestPacks } from "./packs.ts";
import { suppliesFor } from "./supplies.ts";
import { packsOf } from "./supply.ts";
import type { Unit } from "./usage.ts";

/** A figure as it is likely, and as it may be: from the typical and the careful ends of what it is made of. */
export interface Range {
  likely: number;
  most: number;
}

export interface CostLine {
  goodId: string;
  name: string;
  unit: Unit | "pieces";
  amount: number;
  /** null where no pack of it has a price */
  cost: Range | null;
}

export interface Cost {
  materials: CostLine[];
  consumables: CostLine[];
  /** hands-on time of the whole job, and how it parts by zone */
  minutes: Minutes;
  byZone: { zoneId: string; zone: string; minutes: Minutes; materials: number }[];
  sums: { materials: Range; consumables: Range; work: Range; overhead: Range; margin: Range; tax: Range; price: Range };
  /** what has no price yet, and is missing from the sums */
  unpriced: string[];
}

/** Hands-on time may turn out so much longer than planned (from memory). */
const SLOWER: Share = 0.25;

const NOTHING: Range = { likely: 0, most: 0 };
const plus = (a: Range, b: Range): Range => ({ likely: a.likely + b.likely, most: a.most + b.most });
const times = ({ likely, most }: Range, factor: number): Range => ({ likely: likely * factor, most: most * factor });
const sumOf = (lines: readonly CostLine[]): Range =>
  lines.reduce((sum, { cost }) => plus(sum, cost ?? NOTHING), NOTHING);

/** What so much of a good costs: in whole packs, or as a part of the pack that is cheapest by content. Null without a price. */
function costOf(book: ShelfBook, goodId: string, amount: number, by: Costing["materialsBy"]): number | null {
  const packs = packsOf(book, goodId).filter(({ price }) => price !== null);
  if (packs.length === 0) return null;
  if (by === "packs") return cheapestPacks(amount, packs)?.price ?? null;
  return amount * Math.min(...packs.map(({ price, holds }) => price! / holds));
}

function rangeOf(
  book: ShelfBook,
  goodId: string,
  likely: number,
  most: number,
  by: Costing["materialsBy"],
): Range | null {
  const cost = costOf(book, goodId, likely, by);
  return cost === null ? null : { likely: cost, most: Math.max(cost, costOf(book, goodId, most, by) ?? cost) };
}

const materialLine = (book: ShelfBook, { material, unit, amount, careful }: Need): CostLine => ({
  goodId: material.id,
  name: material.name,
  unit,
  amount,
  cost: rangeOf(book, material.id, amount, careful, book.costing.materialsBy),
});

/** Rags and paper are used up whole; of a brush, a job pays what it wears off it. */
const consumableLines = (plan: Plan, book: ShelfBook): CostLine[] =>
  suppliesFor([plan]).map(({ id, count, worn }) => {
    const used = CONSUMABLES[id].keeps ? worn : count;
    return {
      goodId: supplyId(id),
      name: CONSUMABLES[id].name,
      unit: "pieces",
      amount: used,
      cost: rangeOf(book, supplyId(id), used, used, "use"),
    };
  });

/** Minutes that hands are at work, done or to do. */
const handsIn = (bookings: readonly Booking[]) =>
  bookings
    .filter(({ painter, done }) => painter !== "" || done)
    .map((booking) => ({ ...booking, minutes: booking.ends - booking.starts }));

/** What each zone takes of the hours and of the materials; work for several zones at once is shared among them. */
function partsByZone(plan: Plan, book: ShelfBook, bookings: readonly Booking[], needs: readonly Need[]) {
  const minutes = new Map<string, number>();
  for (const { does, zoneId, minutes: taken } of handsIn(bookings)) {
    const zones = [...new Set(does.length > 0 ? does.map((one) => one.zoneId) : [zoneId])];
    for (const id of zones) minutes.set(id, (minutes.get(id) ?? 0) + taken / zones.length);
  }
  const materials = new Map<string, number>();
  for (const need of needs) {
    const whole = costOf(book, need.material.id, need.amount, book.costing.materialsBy) ?? 0;
    for (const { zoneId, amount } of need.uses)
      materials.set(zoneId, (materials.get(zoneId) ?? 0) + (need.onPiece > 0 ? (whole * amount) / need.onPiece : 0));
  }
  return zonesOf(plan).map(({ id, name }) => ({
    zoneId: id,
    zone: name,
    minutes: minutes.get(id) ?? 0,
    materials: materials.get(id) ?? 0,
  }));
}

/**
 * What a job costs: materials by packs or by use, consumables, hands-on time by its bookings, then overhead on those, margin on
 * everything, and tax. Each as it is likely and as it may come to.
 */
export function costOfJob(plan: Plan, book: ShelfBook, bookings: readonly Booking[]): Cost {
  const needs = needsOf([plan], book.costing.touchUp);
  const materials = needs.map((need) => materialLine(book, need));
  const consumables = consumableLines(plan, book);
  const { hourly, overhead, margin, tax } = book.costing;
  const minutes = handsIn(bookings).reduce((sum, hand) => sum + hand.minutes, 0);
  const work = { likely: (minutes / 60) * hourly, most: (minutes / 60) * hourly * (1 + SLOWER) };
  const direct = [sumOf(materials), sumOf(consumables), work].reduce(plus);
  const over = times(direct, overhead / 100);
  const earned = times(plus(direct, over), margin / 100);
  const net = [direct, over, earned].reduce(plus);
  const taxed = times(net, tax / 100);
  return {
    materials,
    consumables,
    minutes,
    byZone: partsByZone(plan, book, bookings, needs),
    sums: {
      materials: sumOf(materials),
      consumables: sumOf(consumables),
      work,
      overhead: over,
      margin: earned,
      tax: taxed,
      price: plus(net, taxed),
    },
    unpriced: [...materials, ...consumables].filter(({ cost }) => cost === null).map(({ name }) => name),
  };
}

/** A price range that can be said to a client: the likely and the most, rounded outwards to a step that fits them. */
export function saidPrice({ likely, most }: Range): { from: number; to: number } {
  const step = likely >= 1000 ? 50 : likely >= 200 ? 10 : 5;
  return { from: Math.floor(likely / step) * step, to: Math.ceil(most / step) * step };
}
