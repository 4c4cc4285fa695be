import { existsSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { Worker } from "node:worker_threads";
import { placeFrom, WAS_THERE } from "#db/place";
import { openFront } from "./shop-front";

// Starts the built shop: PORT and HOST set where it listens, on this machine only.

const LOOPBACK = new Set(["127.0.0.1", "::1", "localhost"]);
const host = process.env.HOST ?? "127.0.0.1";
const port = Number(process.env.PORT ?? 4173);
const here = import.meta.dirname;

if (!LOOPBACK.has(host)) {
  console.error(
    `HOST=${host} would open the shop to other machines, and it has no way yet to check who is asking. Leave HOST out: it then listens on this machine only.`,
  );
  process.exit(1);
}
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  console.error(`PORT should be a number from 1 to 65535, not "${process.env.PORT}".`);
  process.exit(1);
}

// threads that open the store later do not take its absence for a first start
const { file } = placeFrom(process.env);
if (file !== null && existsSync(file)) process.env[WAS_THERE] = "yes";

const build = pathToFileURL(join(here, "../server/index.js")).href;
const front = await openFront({
  spawn: () => new Worker(join(here, "desk.js"), { workerData: { build } }),
  files: join(here, "../client"),
});

front.server.once("error", (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === "EADDRINUSE"
      ? `Port ${port} is in use. Choose another: PORT=${port + 1} npm run demo`
      : `The shop cannot listen at ${host}:${port} (${error.code}).`,
  );
  process.exit(1);
});
front.server.listen(port, host);

for (const signal of ["SIGINT", "SIGTERM"] as const)
  process.once(signal, () => {
    void front.close().then(() => process.exit(0));
    setTimeout(() => process.exit(0), 3000).unref();
  });
