// From a fresh clone to the running demo shop: installs, migrates, loads the demo data once, builds, starts, prints the address.
import { bin, build, ensurePackages, quietly, stopWith } from "./ready.mjs";

ensurePackages();
const loaded = quietly(bin("tsx"), ["demo/main.ts"]);
if (loaded.code !== 0) stopWith(loaded.said.trim());
console.log(loaded.said.trim());
build();
const { serve } = await import("./serve.mjs");
await serve();
