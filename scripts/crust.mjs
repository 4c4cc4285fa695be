// The command line: from the build of these very sources, which begins at once; else from the sources themselves.
import { existsSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { buildOf } from "./ready.mjs";

const built = join(buildOf(), "cli/crust.js");
if (existsSync(built)) await import(pathToFileURL(built).href);
else {
  const { register } = await import("tsx/esm/api");
  register();
  await import("../cli/crust.ts");
}
