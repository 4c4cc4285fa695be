import { setImmediate as pause } from "node:timers/promises";
import { USUAL_LOOKS } from "#core/schedule/looks";
import { planOfWork } from "#core/schedule/plan-of-work";
import { getInputs } from "./inputs";
import type { Store } from "./open";
import { beginPlanning, endPlanning, getStanding, goOnPlanning, putDown, refitIdeas, withdraw } from "./plan-of-work";

export interface Asked {
  /** how often to look at it; a plan that was looked at as often need not be made again */
  looks?: number;
  /** an idea to be tried, as if it were promised */
  idea?: string | null;
  /** somebody asked for it, so that what was called off before is planned after all */
  again?: boolean;
}

export type MadePlan =
  /** the kept plan, or the one offered, is of the jobs as they are */
  | "current"
  | "kept"
  | "offered"
  | "tried"
  /** somebody else is at it */
  | "busy"
  | "called off";

const COULD_NOT = "The new schedule could not be worked out. The current one is unchanged.";

/** Whoever was planning took too long, or broke: said on the pages, and not tried again until something changes. */
export async function planningEnded(store: Store, owner: string): Promise<void> {
  const { key } = await getInputs(store);
  await endPlanning(store, owner, { left: key, trouble: COULD_NOT });
}

/** How long is planned between two signs of life. */
const BEAT_MILLISECONDS = 250;

/**
 * Plans the shop's work again, if the jobs or the shop are not as they were: slow, never on a thread that answers
 * pages. `owner` is different for every run.
 */
export async function makePlan(store: Store, owner: string, asked: Asked = {}): Promise<MadePlan> {
  const { looks = USUAL_LOOKS, idea = null, again = false } = asked;
  const inputs = await getInputs(store, idea);
  const { kept, offered, tried, left } = await getStanding(store);
  const isOf = (head: typeof kept) =>
    head !== null && head.key === inputs.key && (looks <= USUAL_LOOKS || head.madeFrom.looks >= looks);
  if (idea === null && (isOf(kept) || isOf(offered))) {
    if (isOf(kept) && offered !== null) await withdraw(store, offered.id);
    await refitIdeas(store);
    return "current";
  }
  if (idea !== null && tried?.madeFrom.idea === idea && isOf(tried)) return "current";
  if (!again && left?.key === inputs.key) return "called off";
  if (!(await beginPlanning(store, owner, looks))) return "busy";
  try {
    const work = planOfWork(inputs.plans, inputs.shop, looks);
    let said = performance.now();
    for (;;) {
      const step = work.next();
      if (step.done) {
        const state = await putDown(store, owner, inputs, step.value, idea);
        await endPlanning(store, owner, state === "gone" ? { left: inputs.key } : {});
        if (state === "gone") return "called off";
        await refitIdeas(store);
        return state;
      }
      if (performance.now() - said < BEAT_MILLISECONDS) continue;
      said = performance.now();
      await pause();
      if (!(await goOnPlanning(store, owner, step.value.looks))) {
        await endPlanning(store, owner, { left: inputs.key });
        return "called off";
      }
    }
  } catch (error) {
    await endPlanning(store, owner, { left: inputs.key, trouble: COULD_NOT });
    throw error;
  }
}
