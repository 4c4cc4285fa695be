import { copyFileSync, renameSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { createClient } from "@libsql/client";
import { openStore, placeFrom } from "#db/open";
import { getJob } from "#db/plans";
import { ask, rename } from "./client.ts";
import type { Trial } from "./trial.ts";

const WHOLE = 20;
const SHORT = 3;
/** Milliseconds in which the shop notices another file. */
const NOTICED = 1200;

/** The database is replaced, removed, brought back and held by another program while edits come in. */
export const database: Trial = {
  name: "database",
  says: "the open database replaced, removed, brought back, and held by another program, while edits come in",
  async run({ short, note, start }) {
    const rounds = short ? SHORT : WHOLE;
    const shop = await start();
    // a shop that has been open for a while
    await pause(5000);
    const file = join(shop.folder, "crust.db");
    let count = 0;
    let confirmed = 0;
    let faults = 0;
    const fault = (says: string) => {
      faults++;
      note(says);
    };
    const versionOf = async () => {
      const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: shop.folder }));
      const job = await getJob(store, "dough-bin");
      store.client.close();
      return { version: job?.version ?? 0, title: job?.plan.title ?? "" };
    };
    const edit = async (base: number) => {
      const answer = await rename(shop.address, base, `Dough bin ${++count}`);
      if (answer.is === "written") confirmed++;
      return answer;
    };
    copyFileSync(file, join(shop.folder, "backup.db"));
    const another = () => ask(shop.address, "/jobs/carved-settle/crust", { headers: { Accept: "text/html" } });
    // what a page takes the first time is not what it takes while the database is held
    await another();
    const usual = await another();
    for (let round = 0; round < rounds; round++) {
      const { version } = await versionOf();
      const before = await edit(version);
      if (before.is !== "written")
        fault(`round ${round}: before anything happened an edit was answered "${before.is}"`);
      // another file in its place
      copyFileSync(join(shop.folder, "backup.db"), join(shop.folder, "next.db"));
      renameSync(join(shop.folder, "next.db"), file);
      // until the shop has noticed, the old file's log lies beside the new file: no other program may open it
      await pause(NOTICED);
      const fresh = await versionOf();
      const after = await edit(fresh.version);
      const found = await versionOf();
      if (after.is === "written" && found.title !== after.title)
        fault(`round ${round}: "${after.title}" was confirmed and is not in the file at the path`);
      if (after.is !== "written") fault(`round ${round}: the new file was not written to (${after.is})`);
      // gone, then back
      renameSync(file, join(shop.folder, "away.db"));
      const gone = await edit(found.version);
      if (gone.is !== "unsaved") fault(`round ${round}: with the file gone an edit was answered "${gone.is}"`);
      renameSync(join(shop.folder, "away.db"), file);
      const back = await edit(found.version);
      if (back.is !== "written") fault(`round ${round}: with the file back an edit was answered "${back.is}"`);
      // held by another program for a moment
      const other = createClient({ url: `file:${file}` });
      const held = await other.transaction("write");
      const waiting = edit(back.version);
      const beside = await another();
      if (beside.status !== usual.status || beside.took > usual.took + 1000)
        fault(
          `round ${round}: while held another page took ${Math.round(beside.took)} ms (${beside.status}), ${Math.round(usual.took)} ms (${usual.status}) before`,
        );
      await pause(200);
      await held.rollback();
      other.close();
      const late = await waiting;
      if (late.is !== "written") fault(`round ${round}: after being held an edit was answered "${late.is}"`);
    }
    shop.stop("SIGTERM");
    await shop.away();
    return {
      tried: count,
      faults,
      came: `${rounds} rounds, ${confirmed} of ${count} edits confirmed, and each of them was in the file at the path; the others found no file, and stayed on the page`,
    };
  },
};
