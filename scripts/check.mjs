// The fast lane for the inner loop: types, lint, layering, spelling, and the unit tests but for those that take longest. npm test runs all.
import { spawn } from "node:child_process";
import { bin, ensurePackages, root } from "./ready.mjs";

/** Tests that draw boards, judge thousands of crusts, solve networks or start processes: they take three quarters of the time. */
const SLOW = [
  "core/board/{agreement,hands,take,board,crackle,lighting,kernels}.test.ts",
  "core/judge/{again,judge,next}.test.ts",
  "core/schedule/schedule.test.ts",
  "core/edit/apply.test.ts",
  "core/exchange/exchange.test.ts",
  "tests/published/networks.test.ts",
  "cli/crust.test.ts",
  "db/open.test.ts",
  "server/pool.test.ts",
  "tests/words/findings.test.ts",
];

ensurePackages();
const began = performance.now();
let failed = 0;

function run(name, command, words) {
  return new Promise((resolve) => {
    const child = spawn(bin(command), words, { cwd: root, env: { ...process.env, NO_COLOR: "1" } });
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (part) => (said += part));
    child.on("close", (code) => {
      const seconds = Math.round((performance.now() - began) / 1000);
      console.log(`${code === 0 ? "ok  " : "FAIL"} ${name} (${seconds} s)`);
      if (code !== 0) {
        failed++;
        console.log(said.slice(-4000));
      }
      resolve();
    });
  });
}

await run("route types", "react-router", ["typegen"]);
const types = run("types of the core", "tsgo", ["-p", "core"]).then(() => run("types", "tsgo", ["-p", "."]));
await run("format and lint", "biome", ["ci", "--colors=off", "."]);
await run("layering", "depcruise", [
  "--config",
  ".dependency-cruiser.cjs",
  "core",
  "app",
  "db",
  "server",
  "cli",
  "demo",
]);
await run("spelling", "cspell", ["lint", "--no-progress", "--no-summary", "."]);
await run("unit tests, the quick ones", "vitest", ["run", ...SLOW.flatMap((glob) => ["--exclude", glob])]);
await types;
process.exitCode = failed === 0 ? 0 : 1;
