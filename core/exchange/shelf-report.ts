import { isPlannedFor, type Plan } from "../plan/plan.ts";
import { type Shop, shopOf } from "../plan/shop.ts";
import { aroundOf, fittedIn, type JobPlan, planOfWorkNow, workOf } from "../schedule/plan-of-work.ts";
import { EMPTY_BOOK } from "../shelf/book.ts";
import type { CostLine, Range } from "../shelf/cost.ts";
import { quoteOf } from "../shelf/quote.ts";
import { potsOf } from "../shelf/stock.ts";
import { bySupplier, shoppingList, startsIn, supplyOf } from "../shelf/supply.ts";
import type { WallMinutes } from "../units/units.ts";
import { sayWallTime } from "../units/wall-time.ts";
import type { ShopFile } from "./shop-file.ts";

const money = (value: number) => Math.round(value * 100) / 100;
const fine = (value: number) => Math.round(value * 10) / 10;
const when = (wall: WallMinutes | null) => (wall === null ? null : sayWallTime(wall));

/** What the jobs of a shop that are planned need, against its shelf, and what is to be bought where. */
export function supplyReport({ plans, shop, planned, shelf }: ShopFile, today: WallMinutes) {
  const own = plans.filter(isPlannedFor);
  const jobs = planned.length > 0 ? planned : planOfWorkNow(own, shop).jobs;
  const { book } = shelf;
  const lines = supplyOf({ plans: own, book, pots: potsOf(shelf.movements), startOf: startsIn(jobs), today });
  return {
    jobs: own.map(({ id }) => id),
    needs: lines.map((line) => ({
      good: line.goodId,
      name: line.name,
      unit: line.unit,
      need: fine(line.need),
      onTheShelf: fine(line.there),
      old: fine(line.old),
      missing: fine(line.missing),
      standing: line.standing,
      wanted: when(line.wanted),
      runsOut: when(line.runsOut),
    })),
    toBuy: bySupplier(shoppingList(lines, book), book).map(({ supplierId, items }) => ({
      supplier: book.suppliers.find(({ id }) => id === supplierId)?.name ?? null,
      items: items.map(({ line, basket }) => ({
        good: line.goodId,
        packs: basket?.packs.map(({ pack, count }) => ({ holds: pack.holds, count })) ?? [],
        price: basket?.price ?? null,
        over: basket ? fine(basket.over) : null,
      })),
    })),
  };
}

/** A job of a shop's file, and its part of the plan of work: as it is kept, or as it would fit in. */
function jobIn({ plans, shop, planned }: ShopFile, id: string): { plan: Plan; job: JobPlan } | string {
  const plan = plans.find((plan) => plan.id === id);
  if (!plan) return `there is no job "${id}" in this file: ${plans.map((plan) => plan.id).join(", ")}`;
  const kept = planned.find(({ planId }) => planId === id);
  return { plan, job: kept ?? fittedIn(workOf(plan, shop), aroundOf(shop, planned)) };
}

const rangeOf = ({ likely, most }: Range) => ({ likely: money(likely), atMost: money(most) });
const lineOf = ({ goodId, amount, unit, cost }: CostLine) => ({
  good: goodId,
  amount: fine(amount),
  unit,
  cost: cost && rangeOf(cost),
});

/** The quote of a job of a shop, or of a job by itself, which knows no prices; a sentence where it cannot be made. */
export function quoteReport(file: ShopFile | Plan, id: string | null, today: WallMinutes) {
  const isShop = "plans" in file;
  if (isShop && id === null) return `give the job with --job: ${file.plans.map((plan) => plan.id).join(", ")}`;
  const shop: Shop = isShop ? file.shop : shopOf(file.pinned.hours);
  const found = isShop
    ? jobIn(file, id!)
    : { plan: file, job: fittedIn({ ...workOf(file, shop), hours: file.pinned.hours }, aroundOf(shop, [])) };
  if (typeof found === "string") return found;
  const { plan, job } = found;
  const quote = quoteOf({ plan, job, book: isShop ? file.shelf.book : EMPTY_BOOK, today });
  const { sums, materials, consumables, minutes, byZone, unpriced } = quote.cost;
  return {
    plan: { id: plan.id, title: plan.title },
    price: quote.price,
    begins: when(quote.begins),
    leaves: when(quote.leaves),
    lightUse: when(quote.lightUse),
    fullUse: when(quote.fullUse),
    handsOnMinutes: minutes,
    sums: {
      materials: rangeOf(sums.materials),
      consumables: rangeOf(sums.consumables),
      work: rangeOf(sums.work),
      overhead: rangeOf(sums.overhead),
      margin: rangeOf(sums.margin),
      tax: rangeOf(sums.tax),
      price: rangeOf(sums.price),
    },
    materials: materials.map(lineOf),
    consumables: consumables.map(lineOf),
    zones: byZone.map(({ zoneId, minutes: own, materials: cost }) => ({
      zone: zoneId,
      minutes: Math.round(own),
      materials: money(cost),
    })),
    unpriced,
    care: quote.care,
  };
}
