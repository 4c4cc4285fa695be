// Starts the built application and prints its address. PORT chooses another place on this machine.
import { stopWith } from "./ready.mjs";
import { isFree, startServer } from "./server.mjs";

export const port = Number(process.env.PORT ?? 4173);
const LOOPBACK = ["127.0.0.1", "::1", "localhost"];

/** Looks whether the shop can listen where it is asked to, before anything else is done. */
export async function ensurePlace() {
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    stopWith(`PORT should be a number from 1 to 65535, not "${process.env.PORT}".`);
  if (process.env.HOST && !LOOPBACK.includes(process.env.HOST))
    stopWith(
      `HOST=${process.env.HOST} would open the shop to other machines, and would not check who is asking. Leave HOST out, and open it to your own network with npm run shop: every device is paired there.`,
    );
  if (!(await isFree(port)))
    stopWith(
      `Port ${port} is in use: the shop may already be running at http://127.0.0.1:${port}. Stop it first, or choose another: PORT=${port + 1} npm run demo`,
    );
}

export async function serve(environment = {}) {
  try {
    const { address, child } = await startServer({ port, environment, heard: "inherit" });
    console.log(`Jolly Crust is at ${address}`);
    for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
    child.once("exit", (code) => process.exit(code ?? 0));
  } catch (error) {
    stopWith(error.message);
  }
}

if (process.argv[1]?.endsWith("serve.mjs")) {
  await ensurePlace();
  await serve();
}
