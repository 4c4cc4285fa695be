// From a fresh clone to the running demo shop: installs, migrates, loads the demo data once, builds, starts, prints the address.
import { bin, build, ensurePackages, quietly, stopWith } from "./ready.mjs";
import { ensurePlace, serve } from "./serve.mjs";
import { startSensor } from "./server.mjs";

await ensurePlace();
ensurePackages();
const loaded = quietly(bin("tsx"), ["demo/main.ts"]);
if (loaded.code !== 0) stopWith(loaded.said.trim());
console.log(loaded.said.trim());
build();
// the room's logger is a stand-in, unless the shop names its own
const sensor = process.env.ROOM_SENSOR_URL ?? (await startSensor())?.address;
if (sensor) console.log(`The room sensor is at ${sensor}`);
await serve(sensor ? { ROOM_SENSOR_URL: sensor } : {});
