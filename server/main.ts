import { existsSync } from "node:fs";
import type { Server } from "node:https";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { Worker } from "node:worker_threads";
import { placeFrom, WAS_THERE } from "#db/place";
import { DOOR_TOKEN, SESSION_KEY } from "../app/http/access.server";
import { doorToken, forgetDoor, openNetwork, sessionKey } from "./network";
import { isBehind } from "./pool";
import { openFront } from "./shop-front";

// Starts the built shop: PORT and HOST set where it listens, on this machine only.

// whoever starts it, however: its libraries check everything twice otherwise
process.env.NODE_ENV ??= "production";

const LOOPBACK = new Set(["127.0.0.1", "::1", "localhost"]);
const host = process.env.HOST ?? "127.0.0.1";
const port = Number(process.env.PORT ?? 4173);
const here = import.meta.dirname;

if (!LOOPBACK.has(host)) {
  console.error(
    `HOST=${host} would open the shop to other machines, and would not check who is asking. Leave HOST out, and open it to your own network with npm run shop: every device is paired there.`,
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

process.env[SESSION_KEY] = sessionKey();
process.env[DOOR_TOKEN] = doorToken();
forgetDoor();

const networkPort = Number(process.env.JOLLY_CRUST_NETWORK_PORT ?? port + 1);
const build = pathToFileURL(join(here, "../server/index.js")).href;
const front = await openFront({
  spawn: (lane) => new Worker(join(here, "desk.js"), { workerData: { build, waitsForNobody: isBehind(lane) } }),
  files: join(here, "../client"),
  openNetwork: () => void openDoor(),
});

let door: Promise<Server | null> | null = null;

/** Opens the door to the shop's network, once. */
function openDoor(): Promise<Server | null> {
  door ??= openNetwork(front, networkPort).then(
    ({ server, door: { addresses } }) => {
      console.log(
        `On the shop's network: ${addresses.join(", ") || `https://localhost:${networkPort} (this machine is on no network)`}`,
      );
      return server;
    },
    (error: NodeJS.ErrnoException) => {
      console.error(
        error.code === "EADDRINUSE"
          ? `Port ${networkPort} is in use, so the shop is not open to its network. Choose another: JOLLY_CRUST_NETWORK_PORT=${networkPort + 1}`
          : `The shop cannot be opened to its network: ${error.message}`,
      );
      door = null;
      return null;
    },
  );
  return door;
}
if (process.env.JOLLY_CRUST_NETWORK === "yes") await openDoor();

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
    void door?.then((server) => server?.close());
    forgetDoor();
    void front.close().then(() => process.exit(0));
    setTimeout(() => process.exit(0), 3000).unref();
  });
