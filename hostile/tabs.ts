import { spawnSync } from "node:child_process";
import type { Trial } from "./trial.ts";

const WHOLE = 5;

/** Two tabs, offline, closed, reopened: in a real browser. Its short form is the browser test itself, which runs with the others. */
export const tabs: Trial = {
  name: "tabs",
  says: "two tabs offline with edits of different steps, both closed; edits of the same place; values typed and not left; the browser's storage tampered with; views opened offline",
  async run({ note }) {
    const words = ["test", "tests/browser/offline.spec.ts", `--repeat-each=${WHOLE}`, "--reporter=json"];
    const done = spawnSync("node_modules/.bin/playwright", words, { encoding: "utf8", maxBuffer: 1 << 28 });
    const { stats } = JSON.parse(done.stdout.slice(done.stdout.indexOf("{"))) as {
      stats: { expected: number; unexpected: number; flaky: number };
    };
    const faults = stats.unexpected + stats.flaky;
    if (faults > 0) note(done.stdout.slice(-2000));
    return {
      tried: stats.expected + faults,
      faults,
      came: `six scenes, ${WHOLE} times each: every edit sent once, in the order it was made, or shown to the painter to choose`,
    };
  },
};
