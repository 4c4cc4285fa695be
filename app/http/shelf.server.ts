import type { Plan } from "#core/plan/plan";
import type { ShelfBook } from "#core/shelf/book";
import { type PotOnShelf, potsOf } from "#core/shelf/stock";
import { type Claim, claimsIn, type StartOf, type SupplyLine, startsIn, supplyOf } from "#core/shelf/supply";
import type { WallMinutes } from "#core/units/units";
import { readWallTime } from "#core/units/wall-time";
import type { Store } from "#db/open";
import { getInputs, getKept } from "#db/plan-of-work";
import { book, getStock, type MovementBatch } from "#db/shelf";

/** The shelf as the pages show it. */
export interface ShelfState {
  book: ShelfBook;
  /** of the book */
  version: number;
  /** tins that are not empty */
  pots: PotOnShelf[];
  undo: MovementBatch | null;
  redo: MovementBatch | null;
  today: WallMinutes;
}

/** The day on the shop's clock. */
export function todayNow(now = new Date()): WallMinutes {
  const two = (value: number) => String(value).padStart(2, "0");
  const date = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  return readWallTime(`${date}T${two(now.getHours())}:${two(now.getMinutes())}`)!;
}

export async function readShelf(store: Store): Promise<ShelfState> {
  const { document, version } = await book.get(store);
  const { movements, undo, redo } = await getStock(store);
  const pots = potsOf(movements).filter(({ amount }) => amount > 0);
  return { book: document, version, pots, undo, redo, today: todayNow() };
}

interface Planned {
  plans: Plan[];
  startOf: StartOf;
}

const readPlanned = async (store: Store): Promise<Planned> => ({
  plans: (await getInputs(store)).plans,
  startOf: startsIn((await getKept(store)).planned),
});

/** Claims of a good that fall together are one: what matters is how much is gone by when. */
function gathered(claims: readonly Claim[]): Claim[] {
  const sums = new Map<string, Claim>();
  for (const claim of claims) {
    const key = `${claim.goodId} ${claim.at}`;
    const known = sums.get(key);
    if (known) known.amount += claim.amount;
    else sums.set(key, { ...claim });
  }
  return [...sums.values()];
}

/** The shelf for one job, with what all other jobs that are planned take from it. */
export async function shelfForJob(store: Store, planId: string): Promise<ShelfState & { others: Claim[] }> {
  const shelf = await readShelf(store);
  const { plans, startOf } = await readPlanned(store);
  return {
    ...shelf,
    others: gathered(
      claimsIn(
        plans.filter(({ id }) => id !== planId),
        startOf,
      ),
    ),
  };
}

/** What the whole shop needs against its shelf, or one of its jobs. */
export async function supplyFor(
  store: Store,
  plan: Plan | null = null,
): Promise<ShelfState & { lines: SupplyLine[]; jobs: { id: string; title: string }[] }> {
  const shelf = await readShelf(store);
  const { plans, startOf } = await readPlanned(store);
  const own = plan === null ? plans : [plan];
  const others =
    plan === null
      ? []
      : claimsIn(
          plans.filter(({ id }) => id !== plan.id),
          startOf,
        );
  const { pots, today } = shelf;
  return {
    ...shelf,
    lines: supplyOf({ plans: own, others, book: shelf.book, pots, startOf, today }),
    jobs: plans.map(({ id, title }) => ({ id, title })),
  };
}
