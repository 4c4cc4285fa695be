// Builds, measures, and keeps the table in docs/speed.md.
import { spawnSync } from "node:child_process";
import { bin, build, ensureChromium, ensurePackages, root } from "./ready.mjs";

ensurePackages();
ensureChromium();
build();
process.exitCode = spawnSync(bin("tsx"), ["scripts/bench.ts"], { cwd: root, stdio: "inherit" }).status ?? 1;
