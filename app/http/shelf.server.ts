import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import type { Plan } from "#core/plan/plan";
import type { ShelfBook } from "#core/shelf/book";
import { batchesOf } from "#core/shelf/recipe";
import { courseOf, inOrder, type PotOnShelf, potsOf } from "#core/shelf/stock";
import { type Claim, claimsIn, type StartOf, type SupplyLine, startsIn, supplyOf } from "#core/shelf/supply";
import type { WallMinutes } from "#core/units/units";
import { getInputs } from "#db/inputs";
import type { Store } from "#db/open";
import { getKept } from "#db/plan-of-work";
import { book, getStock, type MovementBatch } from "#db/shelf";
import { todayNow } from "~/shelf/today";

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
        shelf.book.costing.touchUp,
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
          shelf.book.costing.touchUp,
        );
  const { pots, today } = shelf;
  return {
    ...shelf,
    lines: supplyOf({ plans: own, others, book: shelf.book, pots, startOf, today }),
    jobs: plans.map(({ id, title }) => ({ id, title })),
  };
}

/** The materials that a good can be: those of the catalogue, and those that jobs have of their own. */
export async function materialsKnown(store: Store): Promise<ReadonlyMap<string, Material>> {
  const { plans, ideas } = await getInputs(store);
  const own = [...plans, ...ideas].flatMap(({ pinned }) => pinned.materials);
  return new Map([...own, ...CATALOGUE].map((material) => [material.id, material]));
}

const MOST_SHOWN = 12;

/** What the page of the whole shelf shows: needs of all jobs, the tins, and what happened to one of them. */
export async function stockPage(store: Store, tin: string | null) {
  const supply = await supplyFor(store);
  const { movements } = await getStock(store);
  const materials = await materialsKnown(store);
  const pot = supply.pots.find(({ id }) => id === tin) ?? null;
  return {
    ...supply,
    materials: [...materials.values()],
    pot,
    history: pot
      ? inOrder(movements)
          .filter(({ potId }) => potId === pot.id)
          .reverse()
          .slice(0, MOST_SHOWN)
      : [],
    course: pot ? courseOf(movements, pot.goodId) : [],
  };
}

/** Where other jobs that are planned use the mixes of one job, and when: what is left of a day may go there. */
export async function otherUsesOf(
  store: Store,
  plan: Plan,
): Promise<{ key: string; job: string; at: WallMinutes | null }[]> {
  const own = new Set(batchesOf(plan).map(({ key }) => key));
  if (own.size === 0) return [];
  const { plans, startOf } = await readPlanned(store);
  return plans
    .filter(({ id }) => id !== plan.id)
    .flatMap((other) =>
      batchesOf(other)
        .filter(({ key }) => own.has(key))
        .map(({ key, uses }) => {
          const times = uses.flatMap(({ zoneId, phaseId }) => startOf(other.id, { zoneId, phaseId }) ?? []);
          return { key, job: other.title, at: times.length > 0 ? Math.min(...times) : null };
        }),
    );
}
