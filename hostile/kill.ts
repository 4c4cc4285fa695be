import { setTimeout as pause } from "node:timers/promises";
import { openStore, placeFrom } from "#db/open";
import { getJob } from "#db/plans";
import { rename } from "./client.ts";
import type { Trial } from "./trial.ts";

const WHOLE = 30;
const SHORT = 2;

/**
 * Ends the server without warning in the middle of bursts of edits: whatever was answered "written" is there
 * afterwards.
 */
export const kill: Trial = {
  name: "kill",
  says: "kill −9 in bursts of edits: every edit that was confirmed is kept",
  async run({ short, note, start }) {
    const rounds = short ? SHORT : WHOLE;
    let confirmed = 0;
    let lost = 0;
    for (let round = 0; round < rounds; round++) {
      const shop = await start();
      const first = await openStore(placeFrom({ JOLLY_CRUST_DATA: shop.folder }));
      let version = (await getJob(first, "dough-bin"))!.version;
      first.client.close();
      let last = "";
      let over = false;
      const burst = (async () => {
        while (!over) {
          const answer = await rename(shop.address, version, `Dough bin ${round} ${version}`);
          if (answer.is !== "written") break;
          version = answer.version;
          last = answer.title;
          confirmed++;
        }
      })();
      while (last === "" && !over) await pause(10);
      await pause(100 + ((round * 37) % 400));
      shop.stop("SIGKILL");
      over = true;
      await burst;
      const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: shop.folder }));
      const job = (await getJob(store, "dough-bin"))!;
      const { rows } = await store.client.execute("PRAGMA integrity_check");
      store.client.close();
      // one more may have been saved whose answer was still on its way
      if (job.version < version || (last !== "" && job.version === version && job.plan.title !== last)) {
        lost++;
        note(
          `round ${round}: version ${version} ("${last}") was confirmed, and ${job.version} ("${job.plan.title}") was found`,
        );
      }
      if (rows[0]!.integrity_check !== "ok") {
        lost++;
        note(`round ${round}: the database is damaged`);
      }
      await shop.away();
    }
    return { tried: confirmed, faults: lost, came: `${rounds} kills, ${confirmed} edits confirmed, ${lost} lost` };
  },
};
