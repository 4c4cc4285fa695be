import type { Material } from "../materials/material.ts";
import type { Plan } from "../plan/plan.ts";
import { CONSUMABLES, type ConsumableId } from "../quantity/consumables.ts";
import type { JobPlan } from "../schedule/plan-of-work.ts";
import { DAY, type Millilitres, type WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { goodIn, keepsOpened, type ShelfBook, supplyId } from "./book.ts";
import { type Need, needsOf, type Use } from "./needs.ts";
import { type Basket, cheapestPacks, type Pack } from "./packs.ts";
import type { PotOnShelf } from "./stock.ts";
import { suppliesFor } from "./supplies.ts";
import type { Unit } from "./usage.ts";

/** How what is wanted stands against the shelf. */
export type Standing = "enough" | "short" | "missing" | "old";

/** How much of a good is wanted. */
interface Wanted {
  name: string;
  material: Material | null;
  consumable: ConsumableId | null;
  unit: Unit | "pieces";
  /** all of it, done or not */
  whole: number;
  /** still to be used */
  need: number;
  /** the same on the careful side */
  careful: number;
  /** how the need is made up; null for consumables */
  reached: Need | null;
  /** techniques that use a consumable */
  by: readonly string[];
}

/** A good that is wanted, against what there is of it. */
export interface SupplyLine extends Wanted {
  goodId: string;
  /** in tins that are good */
  there: number;
  /** of that, what is left for these jobs after what others want earlier; no more than they need */
  have: number;
  /** in tins that are past their time or doubtful */
  old: number;
  missing: number;
  standing: Standing;
  /** first wanted at; null where no work with it is scheduled */
  wanted: WallMinutes | null;
  /** from then on there is not enough; null where there is, or nothing is scheduled */
  runsOut: WallMinutes | null;
  pots: readonly PotOnShelf[];
}

/** When a job begins, or a phase on one of its zones, by the plan of work; undefined where it is not scheduled. */
export type StartOf = (planId: string, phase?: { zoneId: string; phaseId: string }) => WallMinutes | undefined;

/** The times of a plan of work. */
export function startsIn(jobs: readonly Pick<JobPlan, "planId" | "bookings">[]): StartOf {
  const starts = new Map<string, WallMinutes>();
  const note = (key: string, index: WallMinutes) => starts.set(key, Math.min(index, starts.get(key) ?? index));
  for (const { planId, bookings } of jobs)
    for (const { does, starts: at, done } of bookings) {
      if (done) continue;
      note(planId, at);
      for (const { zoneId, phaseId } of does) note(`${planId} ${zoneId} ${phaseId}`, at);
    }
  return (planId, phase) => starts.get(phase ? `${planId} ${phase.zoneId} ${phase.phaseId}` : planId);
}

export interface SupplyQuestion {
  /** whose needs are asked for */
  plans: readonly Plan[];
  /** what other jobs take from the shelf: what they want earlier is theirs */
  others?: readonly Claim[];
  book: ShelfBook;
  pots: readonly PotOnShelf[];
  startOf: StartOf;
  today: WallMinutes;
}

/** Something that a job takes of one good at one time. */
export interface Claim {
  goodId: string;
  at: WallMinutes | null;
  amount: number;
}

/** Whether what is in a tin should be doubted: it is past its time since it was opened, or somebody said so. */
export function isOld(pot: PotOnShelf, material: Material | null, book: ShelfBook, today: WallMinutes): boolean {
  if (pot.condition === "doubtful" || pot.condition === "skinned") return true;
  const opened = pot.opened === null ? null : readWallTime(`${pot.opened}T00:00`);
  return opened !== null && today - opened > keepsOpened(material?.family ?? null, goodIn(book, pot.goodId));
}

/** Time left before an opened tin is past its time; null while it is sealed. */
export function daysLeft(
  pot: PotOnShelf,
  material: Material | null,
  book: ShelfBook,
  today: WallMinutes,
): number | null {
  const opened = pot.opened === null ? null : readWallTime(`${pot.opened}T00:00`);
  if (opened === null) return null;
  return Math.floor((keepsOpened(material?.family ?? null, goodIn(book, pot.goodId)) - (today - opened)) / DAY);
}

const firstOf = (times: readonly (WallMinutes | undefined)[]): WallMinutes | null => {
  const known = times.filter((time) => time !== undefined);
  return known.length > 0 ? Math.min(...known) : null;
};

const startsAt = ({ planId, zoneId, phases }: Use, startOf: StartOf) =>
  firstOf(phases.map((phaseId) => startOf(planId, { zoneId, phaseId })));

/** What is left in tools and lost goes with the coats that are still to be done, by how much each takes. */
function claimsOf(need: Need, startOf: StartOf): Claim[] {
  const open = need.uses.filter(({ done }) => !done);
  const sum = open.reduce((all, { amount }) => all + amount, 0);
  if (sum <= 0) return [];
  return open.map((use) => ({
    goodId: need.material.id,
    at: startsAt(use, startOf),
    amount: (need.open * use.amount) / sum,
  }));
}

/** Whose turn it is: what is scheduled first takes first; what is not scheduled takes what is left. */
const byTime = (a: Claim, b: Claim) => (a.at ?? Number.POSITIVE_INFINITY) - (b.at ?? Number.POSITIVE_INFINITY);

/** What one job or all of them want of each good. */
function wantedBy(plans: readonly Plan[], touchUp: Millilitres): Map<string, Wanted> {
  const wanted = new Map<string, Wanted>();
  for (const need of needsOf(plans, touchUp))
    wanted.set(need.material.id, {
      name: need.material.name,
      material: need.material,
      consumable: null,
      unit: need.unit,
      whole: need.amount,
      need: need.open,
      careful: need.amount > 0 ? (need.careful * need.open) / need.amount : 0,
      reached: need,
      by: [],
    });
  for (const { id, count, open, by } of suppliesFor(plans))
    wanted.set(supplyId(id), {
      name: CONSUMABLES[id].name,
      material: null,
      consumable: id,
      unit: "pieces",
      whole: count,
      need: open,
      careful: open,
      reached: null,
      by,
    });
  return wanted;
}

/** What jobs take of each good, and when. Brushes are there for all of them: they are cleaned, and not used up. */
export const claimsIn = (plans: readonly Plan[], startOf: StartOf, touchUp: Millilitres): Claim[] =>
  plans.flatMap((plan) => [
    ...needsOf([plan], touchUp).flatMap((need) => claimsOf(need, startOf)),
    ...suppliesFor([plan]).flatMap(({ id, open }) =>
      open > 0 && !CONSUMABLES[id].keeps ? [{ goodId: supplyId(id), at: startOf(plan.id) ?? null, amount: open }] : [],
    ),
  ]);

function standingOf(need: number, have: number, old: number): Standing {
  if (have >= need - 1e-6) return "enough";
  if (have + old >= need - 1e-6) return "old";
  return have + old > 0 ? "short" : "missing";
}

/** What is given of a good to those who ask for it, in their turn. */
function shared(good: number, own: readonly Claim[], others: readonly Claim[]) {
  const mine = new Set(own);
  let left = good;
  let got = 0;
  let wanted: WallMinutes | null = null;
  let runsOut: WallMinutes | null = null;
  for (const claim of [...own, ...others].sort(byTime)) {
    const given = Math.min(left, claim.amount);
    left -= given;
    if (!mine.has(claim)) continue;
    got += given;
    wanted ??= claim.at;
    if (given < claim.amount - 1e-6) runsOut ??= claim.at;
  }
  return { got, wanted, runsOut };
}

const ofGoods = (claims: readonly Claim[]): Map<string, Claim[]> => {
  const sorted = new Map<string, Claim[]>();
  for (const claim of claims) {
    const known = sorted.get(claim.goodId);
    if (known) known.push(claim);
    else sorted.set(claim.goodId, [claim]);
  }
  return sorted;
};

/**
 * What some jobs want of each good against what there is of it, by the day it is wanted, after what others want earlier.
 */
export function supplyOf({ plans, others = [], book, pots, startOf, today }: SupplyQuestion): SupplyLine[] {
  const { touchUp } = book.costing;
  const own = ofGoods(claimsIn(plans, startOf, touchUp));
  const rest = ofGoods(others);
  return [...wantedBy(plans, touchUp)].map(([goodId, wants]) => {
    const ofGood = pots.filter((pot) => pot.goodId === goodId && pot.amount > 0);
    const isPast = (pot: PotOnShelf) => isOld(pot, wants.material, book, today);
    const sum = (some: readonly PotOnShelf[]) => some.reduce((all, { amount }) => all + amount, 0);
    const good = sum(ofGood.filter((pot) => !isPast(pot)));
    const old = sum(ofGood.filter(isPast));
    const claims = own.get(goodId) ?? [];
    const { got, wanted, runsOut } = shared(good, claims, rest.get(goodId) ?? []);
    // what is not used up is there for everybody
    const have = Math.min(wants.need, claims.length > 0 ? got : good);
    return {
      goodId,
      ...wants,
      there: good,
      have,
      old,
      missing: Math.max(0, wants.need - have),
      standing: standingOf(wants.need, have, old),
      wanted,
      runsOut,
      pots: ofGood,
    };
  });
}

/** What is to be bought of a good, where, and what is left over of it. */
export interface ToBuy {
  line: SupplyLine;
  /** null where the shelf knows of no pack */
  basket: Basket | null;
}

/** Packs that a shop can buy a good in; with a supplier, only theirs. */
export const packsOf = (book: ShelfBook, goodId: string, supplierId?: string): Pack[] =>
  (goodIn(book, goodId)?.packs ?? []).filter((pack) => supplierId === undefined || pack.supplierId === supplierId);

const byWanted = (a: SupplyLine, b: SupplyLine) =>
  (a.wanted ?? Number.POSITIVE_INFINITY) - (b.wanted ?? Number.POSITIVE_INFINITY) || a.name.localeCompare(b.name);

/** The cheapest packs for all that is missing, what is wanted first at the top; by the careful side where asked. */
export function shoppingList(
  lines: readonly SupplyLine[],
  book: ShelfBook,
  { careful = false, supplierId }: { careful?: boolean; supplierId?: string } = {},
): ToBuy[] {
  return [...lines].sort(byWanted).flatMap((line) => {
    const missing = careful ? Math.max(line.missing, line.careful - line.have) : line.missing;
    if (missing <= 1e-6) return [];
    return [{ line, basket: cheapestPacks(missing, packsOf(book, line.goodId, supplierId)) }];
  });
}

/** What is to be bought, by the supplier it is bought from; last what no supplier is known for. */
export function bySupplier(list: readonly ToBuy[], book: ShelfBook): { supplierId: string | null; items: ToBuy[] }[] {
  const supplierOf = ({ line, basket }: ToBuy): string[] => {
    const ids = basket?.packs.map(
      ({ pack }) => goodIn(book, line.goodId)?.packs.find(({ id }) => id === pack.id)?.supplierId,
    );
    return [...new Set(ids?.filter((id) => id !== undefined) ?? [])];
  };
  const known = book.suppliers.flatMap(({ id }) => {
    const items = list.flatMap((item) => (supplierOf(item).includes(id) ? [onlyFrom(item, id, book)] : []));
    return items.length > 0 ? [{ supplierId: id as string | null, items }] : [];
  });
  const unknown = list.filter((item) => supplierOf(item).length === 0);
  return unknown.length > 0 ? [...known, { supplierId: null, items: unknown }] : known;
}

/** Of what is bought, the packs that come from one supplier. */
function onlyFrom({ line, basket }: ToBuy, supplierId: string, book: ShelfBook): ToBuy {
  const own = new Set(packsOf(book, line.goodId, supplierId).map(({ id }) => id));
  const packs = basket!.packs.filter(({ pack }) => own.has(pack.id));
  const holds = packs.reduce((sum, { pack, count }) => sum + pack.holds * count, 0);
  const price = packs.reduce<number | null>(
    (sum, { pack, count }) => (sum === null || pack.price === null ? null : sum + pack.price * count),
    0,
  );
  return { line, basket: { packs, holds, price, over: basket!.over } };
}
