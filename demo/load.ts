import { randomUUID } from "node:crypto";
import { makePlan } from "#db/make-plan";
import type { Store } from "#db/open";
import { addPlan, isKnown, summarise } from "#db/plans";
import { book, FIRST_BATCH, writeMovements } from "#db/shelf";
import { getShop, setShop } from "#db/shop";
import { hobnailShop, hobnailYard } from "./hobnail-yard";
import { hobnailBook, hobnailMovements } from "./shelf";

/**
 * Loads the demo shop's jobs, each only if it does not exist yet, so that nothing a person did to them is lost; its
 * hours, painters and shelf only where nobody has set any; and plans its work.
 */
export async function loadDemo(store: Store): Promise<number> {
  let added = 0;
  const { version } = await getShop(store);
  for (const plan of hobnailYard().reverse())
    if (!(await isKnown(store, plan.id)) && (await addPlan(store, plan))) {
      await summarise(store, plan.id);
      added++;
    }
  if (version === 0 && added > 0)
    await setShop(store, { base: 0, shop: hobnailShop(), label: "Hours and painters of the demo shop" });
  if (added > 0 && (await book.get(store)).version === 0) {
    await book.set(store, { base: 0, document: hobnailBook(), label: "Suppliers and prices of the demo shop" });
    await writeMovements(store, {
      batch: FIRST_BATCH,
      label: "The shelf of the demo shop",
      list: hobnailMovements(),
      asTheyAre: true,
    });
  }
  await makePlan(store, randomUUID());
  return added;
}
