import type { Material } from "../materials/material.ts";
import type { Plan } from "../plan/plan.ts";
import { CONSUMABLES, type ConsumableId } from "../quantity/consumables.ts";
import type { JobPlan } from "../schedule/plan-of-work.ts";
import { DAY, type WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { goodIn, keepsOpened, type ShelfBook, supplyId } from "./book.ts";
import { type Need, needsOf, type Use } from "./needs.ts";
import { type Basket, cheapestPacks, type Pack } from "./packs.ts";
import type { PotOnShelf } from "./stock.ts";
import { suppliesFor } from "./supplies.ts";
import type { Unit } from "./usage.ts";

/** How what is wanted stands against the shelf. */
export type Standing = "enough" | "short" | "missing" | "old";

/** A good that is wanted, against what there is of it. */
export interface SupplyLine {
  goodId: string;
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
  /** in tins that are good, after what other jobs want sooner */
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
  /** how the need is made up; null for consumables */
  reached: Need | null;
  /** techniques that use a consumable */
  by: readonly string[];
}

/** When a job begins, or a phase on one of its zones, by the plan of work; undefined where it is not scheduled. */
export type StartOf = (planId: string, phase?: { zoneId: string; phaseId: string }) => WallMinutes | undefined;

/** The times of a plan of work. */
export function startsIn(jobs: readonly Pick<JobPlan, "planId" | "bookings">[]): StartOf {
  const starts = new Map<string, WallMinutes>();
  const note = (key: string, at: WallMinutes) => starts.set(key, Math.min(at, starts.get(key) ?? at));
  for (const { planId, bookings } of jobs)
    for (const { does, starts: at, done } of bookings) {
      if (done) continue;
      note(planId, at);
      for (const { zoneId, phaseId } of does) note(`${planId} ${zoneId} ${phaseId}`, at);
    }
  return (planId, phase) => starts.get(phase ? `${planId} ${phase.zoneId} ${phase.phaseId}` : planId);
}

export interface SupplyQuestion {
  /** the jobs that take from the shelf */
  plans: readonly Plan[];
  /** only what this one wants is returned; what others want sooner is taken from the shelf first */
  planId?: string;
  book: ShelfBook;
  pots: readonly PotOnShelf[];
  startOf: StartOf;
  today: WallMinutes;
}

/** Something that one job takes of one good at one time. */
interface Claim {
  planId: string;
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
function claimsOf(need: Need, planId: string, startOf: StartOf): Claim[] {
  const open = need.uses.filter(({ done }) => !done);
  const sum = open.reduce((all, { amount }) => all + amount, 0);
  if (sum <= 0) return [];
  return open.map((use) => ({
    planId,
    goodId: need.material.id,
    at: startsAt(use, startOf),
    amount: (need.open * use.amount) / sum,
  }));
}

/** Whose turn it is: what is scheduled first takes first; what is not scheduled takes what is left. */
const byTime = (one: Claim, two: Claim) => (one.at ?? Number.POSITIVE_INFINITY) - (two.at ?? Number.POSITIVE_INFINITY);

interface Wanted {
  name: string;
  material: Material | null;
  consumable: ConsumableId | null;
  unit: Unit | "pieces";
  whole: number;
  need: number;
  careful: number;
  reached: Need | null;
  by: readonly string[];
}

/** What one job or all of them want of each good. */
function wantedBy(plans: readonly Plan[]): Map<string, Wanted> {
  const wanted = new Map<string, Wanted>();
  for (const need of needsOf(plans))
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

/** What each job takes of each good, in time. Brushes are there for all jobs: they are cleaned, and not used up. */
function allClaims({ plans, startOf }: SupplyQuestion): Claim[] {
  return plans
    .flatMap((plan) => {
      const starts = (goodId: string, amount: number): Claim => ({
        planId: plan.id,
        goodId,
        at: startOf(plan.id) ?? null,
        amount,
      });
      return [
        ...needsOf([plan]).flatMap((need) => claimsOf(need, plan.id, startOf)),
        ...suppliesFor([plan]).flatMap(({ id, open }) =>
          open > 0 && !CONSUMABLES[id].keeps ? [starts(supplyId(id), open)] : [],
        ),
      ];
    })
    .sort(byTime);
}

function standingOf(need: number, have: number, old: number): Standing {
  if (have >= need - 1e-6) return "enough";
  if (have + old >= need - 1e-6) return "old";
  return have + old > 0 ? "short" : "missing";
}

/**
 * What is wanted of each good against what there is of it, by the day it is wanted: for all the jobs together, or for one of them
 * after what the others want sooner.
 */
export function supplyOf(question: SupplyQuestion): SupplyLine[] {
  const { plans, planId, book, pots, today } = question;
  const own = planId === undefined ? plans : plans.filter(({ id }) => id === planId);
  const claims = allClaims(question);
  return [...wantedBy(own)].map(([goodId, wanted]) => {
    const ofGood = pots.filter((pot) => pot.goodId === goodId && pot.amount > 0);
    const isPast = (pot: PotOnShelf) => isOld(pot, wanted.material, book, today);
    const good = ofGood.filter((pot) => !isPast(pot)).reduce((sum, { amount }) => sum + amount, 0);
    const old = ofGood.filter(isPast).reduce((sum, { amount }) => sum + amount, 0);
    let left = good;
    let got = 0;
    let first: WallMinutes | null = null;
    let runsOut: WallMinutes | null = null;
    const mine = claims.filter((claim) => claim.goodId === goodId);
    for (const claim of mine) {
      const given = Math.min(left, claim.amount);
      left -= given;
      if (planId !== undefined && claim.planId !== planId) continue;
      got += given;
      first ??= claim.at;
      if (given < claim.amount - 1e-6) runsOut ??= claim.at;
    }
    // what nobody claims by the hour is shared as it is
    const have = mine.length > 0 ? got : Math.min(good, wanted.need);
    return {
      goodId,
      ...wanted,
      have,
      old,
      missing: Math.max(0, wanted.need - have),
      standing: standingOf(wanted.need, have, old),
      wanted: first,
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

/** The cheapest packs for all that is missing, by the careful side where asked. */
export function shoppingList(
  lines: readonly SupplyLine[],
  book: ShelfBook,
  { careful = false, supplierId }: { careful?: boolean; supplierId?: string } = {},
): ToBuy[] {
  return lines.flatMap((line) => {
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
