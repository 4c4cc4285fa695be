// Starts the built application on a port of this machine and waits until it answers.
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { builtFolder, noteRunning, root } from "./ready.mjs";

const HOST = process.env.HOST ?? "127.0.0.1";
const PATIENCE_MILLISECONDS = 20_000;

export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once("error", reject);
    probe.listen(0, HOST, () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

export const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => resolve(false));
    probe.listen(port, HOST, () => probe.close(() => resolve(true)));
  });

/** Answers the address and how to stop; throws a sentence when it does not come up. */
export async function startServer({ port, environment = {}, heard = "ignore", folder = builtFolder() }) {
  if (!folder) throw new Error("The application is not built yet: run npm run build first.");
  const child = spawn(process.execPath, [join(folder, "front/main.js")], {
    cwd: root,
    env: { ...process.env, NODE_ENV: "production", HOST, PORT: String(port), ...environment },
    stdio: ["ignore", heard, heard],
  });
  noteRunning(folder, child.pid);
  const address = `http://${HOST.includes(":") ? `[${HOST}]` : HOST}:${port}`;
  let gone = null;
  child.once("exit", (code) => {
    gone = code ?? 1;
  });
  for (const end = Date.now() + PATIENCE_MILLISECONDS; Date.now() < end; await pause(40)) {
    if (gone !== null) throw new Error(`The server stopped at once (code ${gone}).`);
    const answered = await fetch(`${address}/mark.svg`).then(
      (response) => response.ok,
      () => false,
    );
    if (answered) return { address, child, stop: (signal = "SIGTERM") => child.kill(signal) };
  }
  child.kill("SIGKILL");
  throw new Error(`The server did not answer at ${address} within ${PATIENCE_MILLISECONDS / 1000} s.`);
}

/** Starts the stand-in for a logger in the room; null where it did not come up: the shop then has none. */
export const startSensor = () => startStandIn("demo/sensor/main.ts");

/** The same for the scale, the moisture meter and the comb of the bench. */
export const startTools = () => startStandIn("demo/tools/main.ts");

/** Starts a stand-in for something the shop has; answers its address and how to stop it, or null. */
function startStandIn(program) {
  const child = spawn(`${root}node_modules/.bin/tsx`, [program], {
    cwd: root,
    env: { ...process.env, PORT: "0" },
    stdio: ["ignore", "pipe", "ignore"],
  });
  process.once("exit", () => child.kill());
  return new Promise((resolve) => {
    child.stdout.once("data", (said) => resolve({ address: String(said).trim(), stop: () => child.kill("SIGTERM") }));
    child.once("error", () => resolve(null));
    child.once("exit", () => resolve(null));
  });
}
