import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const here = (folder: string) => fileURLToPath(new URL(folder, import.meta.url));

export default defineConfig({
  resolve: { alias: { "~": here("./app"), "#core": here("./core"), "#db": here("./db"), "#demo": here("./demo") } },
  test: {
    include: ["{core,app,db,server,cli,demo,scripts}/**/*.test.ts", "tests/{published,words,verdicts}/**/*.test.ts"],
    allowOnly: false,
    passWithNoTests: false,
    retry: 0,
    testTimeout: 90_000,
    setupFiles: ["tests/steady-seed.ts"],
    // the core has no state that one test could leave to the next: it is loaded once a process, not once a file
    pool: "forks",
    isolate: false,
    maxWorkers: 2,
  },
});
