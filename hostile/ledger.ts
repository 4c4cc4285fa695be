import { setTimeout as pause } from "node:timers/promises";
import { ledgerOf } from "#db/ledger";
import { openStore, placeFrom } from "#db/open";
import { ask, ownPage } from "./client.ts";
import type { Trial } from "./trial.ts";

const WHOLE = 50;
const SHORT = 3;
const JOB = "dough-bin";

const line = (id: string, index: number) => ({
  planId: JOB,
  events: [{ kind: "note", id, at: index, offset: 0, on: [], text: `burst ${id}` }],
  edit: null,
});

const send = (address: string, lines: readonly object[]) =>
  ask(address, "/bench/log", {
    method: "POST",
    headers: { ...ownPage(address), "Content-Type": "application/json" },
    body: JSON.stringify({ sentAt: Date.now(), lines }),
    timeout: 10_000,
  });

/** Ends the server without warning in bursts of logging: what a device got confirmed is there, and nothing is there twice. */
export const ledger: Trial = {
  name: "ledger",
  says: "kill −9 in bursts of logging: what was confirmed is in the ledger, nothing twice, and the queue drains afterwards",
  async run({ short, note, start }) {
    const rounds = short ? SHORT : WHOLE;
    let confirmed = 0;
    let faults = 0;
    const fault = (says: string) => {
      faults++;
      note(says);
    };
    for (let round = 0; round < rounds; round++) {
      const shop = await start();
      const told = new Set<string>();
      const queue: string[] = [];
      let over = false;
      // two devices at once, one of them pressing everything twice
      const device = async (name: string, twice: boolean) => {
        for (let press = 0; !over; press++) {
          const id = `${name}-${round}-${press}`;
          queue.push(id);
          const lines = [line(id, Date.now())];
          const answer = await send(shop.address, twice ? [...lines, ...lines] : lines);
          if (answer.status !== 200) break;
          told.add(id);
        }
      };
      const bursts = Promise.all([device("one", false), device("two", true)]);
      while (told.size === 0) await pause(10);
      await pause(80 + ((round * 41) % 300));
      shop.stop("SIGKILL");
      over = true;
      await bursts;
      confirmed += told.size;
      const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: shop.folder }));
      const kept = (await ledgerOf(store, JOB)).map(({ event }) => event.id);
      const { rows } = await store.client.execute("PRAGMA integrity_check");
      store.client.close();
      for (const id of told) if (!kept.includes(id)) fault(`round ${round}: ${id} was confirmed and is gone`);
      if (new Set(kept).size !== kept.length) fault(`round ${round}: a line is there twice`);
      if (rows[0]!.integrity_check !== "ok") fault(`round ${round}: the database is damaged`);
      // the devices hand in all they still have, once more than they need to
      const again = await start({ JOLLY_CRUST_DATA: shop.folder });
      const drained = await send(
        again.address,
        queue.slice(0, 300).map((id) => line(id, Date.now())),
      );
      again.stop("SIGTERM");
      await again.gone();
      const after = await openStore(placeFrom({ JOLLY_CRUST_DATA: shop.folder }));
      const all = (await ledgerOf(after, JOB)).map(({ event }) => event.id);
      after.client.close();
      const wanted = queue.slice(0, 300);
      if (drained.status !== 200 || wanted.some((id) => !all.includes(id)) || new Set(all).size !== all.length)
        fault(`round ${round}: the queue did not drain (${drained.status}, ${all.length} lines)`);
      await shop.away();
    }
    return {
      tried: confirmed,
      faults,
      came: `${rounds} kills, ${confirmed} lines confirmed, ${faults} lost or doubled`,
    };
  },
};
