import { logger, MANNERS } from "./logger";

// Starts the stand-in logger on this machine alone and prints its address: `npm run sensor -- [manner]`; PORT sets
// the port.

const asked = process.argv[2] ?? "well";
const manner = MANNERS.find((manner) => manner === asked);
const port = Number(process.env.PORT ?? 4180);
if (!manner) {
  console.error(`The logger can run as: ${MANNERS.join(", ")}. "${asked}" is not one of them.`);
  process.exitCode = 2;
} else if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  console.error(`PORT should be a number from 0 to 65535, not "${process.env.PORT}".`);
  process.exitCode = 2;
} else {
  const server = logger(manner);
  server.once("error", (error) => {
    console.error(`The logger could not listen on port ${port}: ${error.message}. Choose another with PORT.`);
    process.exitCode = 1;
  });
  server.listen(port, "127.0.0.1", () => {
    const at = server.address();
    console.log(`http://127.0.0.1:${typeof at === "object" && at ? at.port : port}`);
  });
  for (const signal of ["SIGINT", "SIGTERM"] as const)
    process.on(signal, () => {
      server.closeAllConnections();
      server.close();
    });
}
