import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openStore, placeFrom } from "#db/open";
import { loadDemo } from "#demo/load";
import { freePort, startServer } from "../scripts/server.mjs";
import { database } from "./database.ts";
import { files } from "./files.ts";
import { kill } from "./kill.ts";
import { ledger } from "./ledger.ts";
import { limits } from "./limits.ts";
import { routes } from "./routes.ts";
import { server } from "./server.ts";
import { tabs } from "./tabs.ts";
import type { OwnShop, Trial, TrialResult } from "./trial.ts";

// Runs the trials, or those that are named; --short is what runs with the other tests. The whole run writes its table into
// docs/reliability.md.

const TRIALS: readonly Trial[] = [files, routes, kill, ledger, database, server, tabs, limits];
const words = process.argv.slice(2);
const short = words.includes("--short");
const named = words.filter((word) => !word.startsWith("--"));
// the short form of the tabs is the browser test itself
const chosen = TRIALS.filter((trial) => (named.length > 0 ? named.includes(trial.name) : !(short && trial === tabs)));
const MOST_NOTES = 12;

async function template(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), "crust-hostile-"));
  const store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  await loadDemo(store);
  await store.client.execute("PRAGMA wal_checkpoint(TRUNCATE)");
  store.client.close();
  return folder;
}

const demo = await template();

async function start(more: Readonly<Record<string, string>> = {}): Promise<OwnShop> {
  const folder = mkdtempSync(join(tmpdir(), "crust-hostile-"));
  cpSync(join(demo, "crust.db"), join(folder, "crust.db"));
  const started = await startServer({
    port: await freePort(),
    environment: { JOLLY_CRUST_DATA: folder, ROOM_SENSOR_URL: "", ...more },
  });
  const ended = new Promise<void>((resolve) => started.child.once("exit", () => resolve()));
  return {
    address: started.address,
    folder,
    stop: started.stop,
    gone: () => ended,
    away: async () => {
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

const results: { trial: Trial; result: TrialResult }[] = [];
for (const trial of chosen) {
  const notes: string[] = [];
  const shop = await start();
  const began = performance.now();
  const result = await trial.run({
    address: shop.address,
    start,
    desk: (name) => join(import.meta.dirname, `${name}.js`),
    short,
    note: (fault) => notes.push(fault),
  });
  shop.stop("SIGTERM");
  await shop.away();
  results.push({ trial, result });
  const took = Math.round((performance.now() - began) / 1000);
  console.log(`${result.faults === 0 ? "ok  " : "FAIL"} ${trial.name} (${took} s): ${result.came}`);
  for (const fault of notes.slice(0, MOST_NOTES)) console.log(`     ${fault}`);
  if (notes.length > MOST_NOTES) console.log(`     and ${notes.length - MOST_NOTES} more`);
}
rmSync(demo, { recursive: true, force: true });

const BEGIN = "<!-- made by npm run hostile -->";
const END = "<!-- end -->";
if (!short) {
  // the rows of the trials that ran, among those that are there from before
  const page = readFileSync("docs/reliability.md", "utf8");
  const [before, table, after] = [
    page.slice(0, page.indexOf(BEGIN)),
    page.slice(page.indexOf(BEGIN), page.indexOf(END)),
    page.slice(page.indexOf(END)),
  ];
  const rows = TRIALS.map(({ name, says }) => {
    const ran = results.find(({ trial }) => trial.name === name)?.result;
    const was = table.split("\n").find((line) => line.startsWith(`| ${name} |`));
    return ran
      ? `| ${name} | ${says} | ${ran.tried} | ${ran.faults} | ${ran.came} |`
      : (was ?? `| ${name} | ${says} | | | |`);
  });
  const head = ["| trial | what was tried | how often | faults | what happened |", "| --- | --- | --- | --- | --- |"];
  writeFileSync("docs/reliability.md", `${before}${BEGIN}\n\n${[...head, ...rows].join("\n")}\n\n${after}`);
}
const bad = results.filter(({ result }) => result.faults > 0).length;
console.log(`${results.length - bad} passed, ${bad} failed`);
process.exit(bad === 0 ? 0 : 1);
