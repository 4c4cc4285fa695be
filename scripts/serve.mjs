// Starts the built application and prints its address. PORT and HOST choose another place.
import { stopWith } from "./ready.mjs";
import { isFree, startServer } from "./server.mjs";

const port = Number(process.env.PORT ?? 4173);

export async function serve(environment = {}) {
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    stopWith(`PORT should be a number from 1 to 65535, not "${process.env.PORT}".`);
  if (!(await isFree(port))) stopWith(`Port ${port} is taken. Choose another: PORT=${port + 1} npm run demo`);
  try {
    const { address, child } = await startServer({ port, environment, heard: "inherit" });
    console.log(`Jolly Crust is at ${address}`);
    for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
    child.once("exit", (code) => process.exit(code ?? 0));
  } catch (error) {
    stopWith(error.message);
  }
}

if (process.argv[1]?.endsWith("serve.mjs")) await serve();
