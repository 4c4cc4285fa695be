import { copyOfToday } from "#db/backup";
import { type Asked, makePlan, planningEnded } from "#db/make-plan";
import { pendingSummaries, summarise, summaryFailed, weighty } from "#db/plans";
import { theStore } from "./store.server";

const MOST_AT_ONCE = 500;

/** Work that no page waits for: the server has it done beside the requests. */
export const bookkeeping = {
  /** opens the store before the first page needs it; anything wrong with it is said then */
  open: async () => {
    await theStore().catch(() => undefined);
  },
  pending: async () => pendingSummaries(await theStore(), MOST_AT_ONCE),
  weighty: async () => weighty(await theStore()),
  summarise: async (planId: string) => summarise(await theStore(), planId),
  failed: async (planId: string, because: string) => summaryFailed(await theStore(), planId, because),
  makePlan: async (owner: string, asked: Asked) => makePlan(await theStore(), owner, asked),
  /** today's copy of the whole shop, where there is none yet */
  copy: async () => copyOfToday(await theStore()),
  /** whoever was planning took too long, or broke */
  planningEnded: async (owner: string) => planningEnded(await theStore(), owner),
};
export type Bookkeeping = typeof bookkeeping;
