import type { Shop } from "../plan/shop.ts";
import { type aroundOf, fittedIn, workOf } from "../schedule/plan-of-work.ts";
import type { ShelfBook } from "../shelf/book.ts";
import type { PotOnShelf } from "../shelf/stock.ts";
import { type Claim, shoppingList, startsIn, supplyOf, type ToBuy } from "../shelf/supply.ts";
import type { Minutes, WallMinutes } from "../units/units.ts";
import type { Dressed } from "./dress.ts";

/** The shop that a finish is made in: who has time, what is on the shelf. */
export interface InShop {
  shop: Shop;
  around: ReturnType<typeof aroundOf>;
  book: ShelfBook;
  pots: readonly PotOnShelf[];
  others: readonly Claim[];
  today: WallMinutes;
}

/** What a finish on this piece comes to. */
export interface FinishFacts {
  steps: number;
  coats: number;
  handsOn: Minutes;
  /** null where it cannot be scheduled */
  leaves: WallMinutes | null;
  /** materials that are not on the shelf, and how much of them is missing */
  buy: readonly Pick<ToBuy["line"], "name" | "unit" | "missing">[];
  /** what was added so that it holds, in words */
  repairs: readonly string[];
  /** what speaks against it on this piece, in words */
  stops: readonly string[];
  cautions: number;
}

/** Hands on the piece, with those that only watch left out. */
const handsIn = (bookings: readonly { starts: number; ends: number; painter: string }[]): Minutes =>
  bookings.reduce((sum, { starts, ends, painter }) => (painter === "" ? sum : sum + ends - starts), 0);

/** Works out what a finish that was laid on a piece comes to in this shop, and what speaks against it. */
export function factsOf({ plan, crusts, stops }: Dressed, inShop: InShop): FinishFacts {
  const { shop, around, book, pots, others, today } = inShop;
  const job = fittedIn(workOf(plan, shop), around);
  const supply = supplyOf({ plans: [plan], others, book, pots, startOf: startsIn([job]), today });
  const all = crusts.map(({ built }) => built);
  const longest = all.reduce((most, built) => (built.crust.steps.length > most.crust.steps.length ? built : most));
  const cautions = all.flatMap(({ judged }) => judged.findings.filter(({ severity }) => severity === "caution"));
  return {
    steps: longest.crust.steps.length,
    coats: longest.crust.steps.reduce((sum, { kind, coats }) => (kind === "coat" ? sum + coats : sum), 0),
    handsOn: handsIn(job.bookings),
    leaves: job.dates?.leaves ?? null,
    buy: shoppingList(supply, book)
      .filter(({ line }) => line.consumable === null)
      .map(({ line }) => ({ name: line.name, missing: line.missing, unit: line.unit })),
    repairs: [
      ...new Set(
        all.flatMap(({ repairs }) =>
          repairs.map(({ label, because }) => `${label} (${because.charAt(0).toLowerCase()}${because.slice(1)})`),
        ),
      ),
    ],
    stops: [...new Set(stops.map(({ title }) => title))],
    cautions: new Set(cautions.map(({ rule, stepId }) => `${rule} ${stepId}`)).size,
  };
}
