// Hostile and unlucky use, tried on the built shop: npm run hostile, or the short form that runs with the tests: --short.
import { spawnSync } from "node:child_process";
import { rmSync } from "node:fs";
import { join } from "node:path";
import { bundle, here } from "./bundle.mjs";
import { build, ensurePackages, root } from "./ready.mjs";

ensurePackages();
build();
const folder = join(root, `build/hostile-${process.pid}`);
await bundle({ main: here("hostile/main.ts"), "files-desk": here("hostile/files-desk.ts") }, folder, ["zod", "culori"]);
const done = spawnSync(process.execPath, [join(folder, "main.js"), ...process.argv.slice(2)], {
  cwd: root,
  stdio: "inherit",
  env: { ...process.env, CRUST_ROOT: root },
});
rmSync(folder, { recursive: true, force: true });
process.exitCode = done.status ?? 1;
