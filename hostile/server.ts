import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { openStore, placeFrom } from "#db/open";
import { getStanding } from "#db/plan-of-work";
import { getJob } from "#db/plans";
import { plansOfWork } from "#db/schema";
import { startStandIn } from "../tests/libsql-stand-in.ts";
import { ask, ownPage, rename } from "./client.ts";
import type { Trial } from "./trial.ts";

const WHOLE = 60;
const SHORT = 8;
const TOKEN = "trial-token";
/** Milliseconds a schedule of the demo shop may take, twice over. */
const PLANNED = 60_000;

interface Standing {
  kept: { id: number } | null;
  offered: { id: number } | null;
  planning: object | null;
  stale: boolean;
}

const form = (address: string, fields: Record<string, string>) =>
  ask(address, "/plan-of-work", {
    method: "POST",
    headers: { ...ownPage(address), "Content-Type": "application/x-www-form-urlencoded", Accept: "application/json" },
    body: new URLSearchParams(fields).toString(),
  });

const standingOf = async (address: string): Promise<Standing> =>
  (JSON.parse((await ask(address, "/plan-of-work")).text) as { standing: Standing }).standing;

/** Until nobody plans, as one of them sees it; null where that takes too long. */
async function settled(address: string): Promise<Standing | null> {
  for (const until = performance.now() + PLANNED; performance.now() < until; await pause(200)) {
    const standing = await standingOf(address);
    if (standing.planning === null && (!standing.stale || standing.offered !== null)) return standing;
  }
  return null;
}

/** Two programs, one libSQL server: edits of the same version, the same edit twice, and schedules made at the same time. */
export const server: Trial = {
  name: "server",
  says: "two programs on one libSQL server (a stand-in for it): edits of one job from both at once, an edit sent to both, schedules asked of both",
  async run({ short, note, start }) {
    const rounds = short ? SHORT : WHOLE;
    // the file of a shop with the demo in it, served by the stand-in from now on
    const shop = await start();
    shop.stop("SIGTERM");
    await shop.gone();
    const standIn = await startStandIn(join(shop.folder, "crust.db"), TOKEN);
    const environment = { DATABASE_URL: standIn.url, DATABASE_AUTH_TOKEN: TOKEN };
    const store = await openStore(placeFrom(environment));
    const programs = [await start(environment), await start(environment)] as const;
    const [one, two] = programs;
    let faults = 0;
    let tried = 0;
    const fault = (says: string) => {
      faults++;
      note(says);
    };
    const job = async () => (await getJob(store, "dough-bin"))!;
    const first = await job();
    let written = 0;
    for (let round = 0; round < rounds; round++) {
      const { version } = await job();
      const both = await Promise.all([
        rename(one.address, version, `Dough bin ${round} one`),
        rename(two.address, version, `Dough bin ${round} two`),
      ]);
      tried += 2;
      const taken = both.filter(({ is }) => is === "written");
      if (taken.length !== 1) fault(`round ${round}: of two edits of one version ${taken.length} were taken`);
      written += taken.length;
      const found = await job();
      if (found.version !== version + taken.length || found.plan.title !== taken[0]?.title)
        fault(`round ${round}: "${taken[0]?.title}" was confirmed, and "${found.plan.title}" was found`);
      // an edit whose answer was lost is sent again, and reaches the other program
      const twice = await Promise.all(
        [one, two].map(({ address }) => rename(address, found.version, `Twice ${round}`)),
      );
      tried += 2;
      if (!twice.some(({ is }) => is === "written"))
        fault(`round ${round}: an edit sent to both was taken by neither (${twice.map(({ is }) => is).join(", ")})`);
      written++;
      if ((await job()).version !== found.version + 1)
        fault(`round ${round}: an edit sent to both was not made just once`);
    }
    const last = await job();
    if (last.version !== first.version + written)
      fault(`${written} edits were confirmed, and the version went from ${first.version} to ${last.version}`);
    // both are asked for a schedule of the jobs as they are
    await Promise.all([form(one.address, { do: "plan" }), form(two.address, { do: "plan" })]);
    tried += 2;
    const standings = [await settled(one.address), await settled(two.address)];
    if (standings.some((standing) => standing === null)) fault("a schedule asked of both was not made in a minute");
    const rows = await store.db.select({ state: plansOfWork.state }).from(plansOfWork);
    for (const state of ["kept", "offered"])
      if (rows.filter((row) => row.state === state).length > 1) fault(`there is more than one schedule "${state}"`);
    const { kept } = await getStanding(store);
    if (standings.some((standing) => standing?.kept?.id !== kept?.id))
      fault("the two programs show different schedules");
    store.client.close();
    for (const { stop } of programs) stop("SIGTERM");
    for (const { away } of programs) await away();
    const requests = standIn.answered();
    await standIn.stop();
    await shop.away();
    return {
      tried,
      faults,
      came: `${written} edits confirmed by two programs, each made once and none lost; one schedule, the same on both; ${requests} requests to the server`,
    };
  },
};
