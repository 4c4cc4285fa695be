import { setTimeout as pause } from "node:timers/promises";
import { type Entry, taken } from "./follow";

// npm run subscriber -- http://127.0.0.1:4173/days.ics: prints what the feed changes in a calendar, until it is stopped.
const [address = "http://127.0.0.1:4173/days.ics"] = process.argv.slice(2);
const EVERY_MILLISECONDS = 5000;
let known: ReadonlyMap<string, Entry> = new Map();
for (;;) {
  try {
    const answer = await fetch(address, { signal: AbortSignal.timeout(10_000) });
    if (!answer.ok) throw new Error(`it answered ${answer.status}`);
    const { entries, changes } = taken(known, await answer.text());
    for (const change of changes) console.log(change);
    known = entries;
  } catch (error) {
    console.error(`The feed at ${address} could not be read: ${error instanceof Error ? error.message : error}`);
  }
  await pause(EVERY_MILLISECONDS);
}
