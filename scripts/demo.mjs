// From a fresh clone to the running demo shop: installs, migrates, loads the demo data once, builds, starts, prints the address.
import { bin, build, ensurePackages, quietly, stopWith } from "./ready.mjs";
import { ensurePlace, serve } from "./serve.mjs";
import { startSensor, startTools } from "./server.mjs";

await ensurePlace();
ensurePackages();
const loaded = quietly(bin("tsx"), ["demo/main.ts"]);
if (loaded.code !== 0) stopWith(loaded.said.trim());
console.log(loaded.said.trim());
build();
// the room's logger is a stand-in, unless the shop names its own
const sensor = process.env.ROOM_SENSOR_URL ?? (await startSensor())?.address;
if (sensor) console.log(`The room sensor is at ${sensor}`);
// so are the tools on the bench
const tools = process.env.BENCH_TOOLS_URL ?? (await startTools())?.address;
await serve({ ...(sensor ? { ROOM_SENSOR_URL: sensor } : {}), ...(tools ? { BENCH_TOOLS_URL: tools } : {}) });
