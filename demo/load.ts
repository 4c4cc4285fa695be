import { randomUUID } from "node:crypto";
import { makePlan } from "#db/make-plan";
import type { Store } from "#db/open";
import { addPlan, isKnown, summarise } from "#db/plans";
import { getShop, setShop } from "#db/shop";
import { hobnailShop, hobnailYard } from "./hobnail-yard";

/**
 * Loads the demo shop's jobs, each only if it does not exist yet, so that nothing a person did to them is lost; its
 * hours and painters only where nobody has set any; and plans its work.
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
  await makePlan(store, randomUUID());
  return added;
}
