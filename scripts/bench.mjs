// Builds, measures, and keeps the table in docs/speed.md. What is measured is bundled as the product is, not run as source.
import { spawnSync } from "node:child_process";
import { rmSync } from "node:fs";
import { build, ensureChromium, ensurePackages, root } from "./ready.mjs";

ensurePackages();
ensureChromium();
build();
const { build: bundle } = await import("vite");
const here = (folder) => `${root}${folder}`;
await bundle({
  root,
  configFile: false,
  logLevel: "error",
  resolve: { alias: { "#core": here("core"), "#db": here("db"), "#demo": here("demo") } },
  build: { ssr: "scripts/bench.ts", outDir: "build-bench", minify: false },
});
process.exitCode =
  spawnSync(process.execPath, ["build-bench/bench.js", ...process.argv.slice(2)], { cwd: root, stdio: "inherit" })
    .status ?? 1;
rmSync(here("build-bench"), { recursive: true, force: true });
