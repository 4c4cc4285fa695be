import type { Store } from "#db/open";
import { addPlan, isKnown, summarise } from "#db/plans";
import { hobnailYard } from "./hobnail-yard";

/** Loads the demo shop's jobs, each only if it does not exist yet, so that nothing a person did to them is lost. */
export async function loadDemo(store: Store): Promise<number> {
  let added = 0;
  for (const plan of hobnailYard().reverse())
    if (!(await isKnown(store, plan.id)) && (await addPlan(store, plan))) {
      await summarise(store, plan.id);
      added++;
    }
  return added;
}
