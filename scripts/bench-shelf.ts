import { isPlannedFor, type Plan } from "#core/plan/plan";
import { planOfWorkNow } from "#core/schedule/plan-of-work";
import { costOfJob } from "#core/shelf/cost";
import { potsOf } from "#core/shelf/stock";
import { shoppingList, startsIn, supplyOf } from "#core/shelf/supply";
import { readWallTime } from "#core/units/wall-time";
import { hobnailShop, hobnailYard } from "#demo/hobnail-yard";
import { hobnailBook, hobnailMovements } from "#demo/shelf";

type Tell = (what: string, value: string, target?: string) => void;

/** The needs of the whole demo shop against its shelf, with nothing known from before: every plan is a new object each time. */
export function benchShelf(tell: Tell, measured: (work: () => unknown) => number, ms: (value: number) => string) {
  const plans = hobnailYard().filter(isPlannedFor);
  const { jobs } = planOfWorkNow(plans, hobnailShop(), 1);
  const startOf = startsIn(jobs);
  const book = hobnailBook();
  const movements = hobnailMovements();
  const today = readWallTime("2026-11-28T09:00")!;
  const fresh = (): Plan[] => plans.map((plan) => ({ ...plan, crusts: plan.crusts.map((crust) => ({ ...crust })) }));
  const supply = () => supplyOf({ plans: fresh(), book, pots: potsOf(movements), startOf, today });
  tell(
    "needs of the whole demo shop against its shelf, with what to buy",
    `${ms(measured(() => shoppingList(supply(), book)))} median`,
    "≤ 50 ms",
  );
  const [first] = plans;
  const bookings = jobs.find(({ planId }) => planId === first!.id)!.bookings;
  tell(
    "cost of a job",
    `${ms(measured(() => costOfJob({ ...first!, crusts: [...first!.crusts] }, book, bookings)))} median`,
  );
}
