// Bundles the server and the command line beside the built pages, so that neither is read from hundreds of source files at its
// start; and compresses the files that pages load. The folder is the first word.
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { build } from "vite";
import { root } from "./ready.mjs";

export const here = (name) => join(root, name);
const alias = { "~": here("app"), "#core": here("core"), "#db": here("db"), "#demo": here("demo") };

export async function bundle(input, outDir, noExternal) {
  await build({
    root,
    configFile: false,
    logLevel: "error",
    resolve: { alias },
    ssr: { noExternal, external: ["sharp", "@libsql/client", "libsql"] },
    build: {
      ssr: true,
      outDir,
      emptyOutDir: true,
      minify: false,
      target: "node20",
      rollupOptions: { input, output: { entryFileNames: "[name].js" } },
    },
  });
}

/** The command line as one file, and the thread that helps it to solve as another: neither may load what the other does at once. */
export async function bundleCommandLine(outDir) {
  const plain = ["zod", "culori", "lru-cache"];
  await bundle({ crust: here("cli/crust.ts") }, outDir, plain);
  await bundle({ helper: here("cli/helper.ts") }, join(outDir, "helper"), plain);
}

async function bundleAll(folder) {
  await bundle({ main: here("server/main.ts"), desk: here("server/desk.ts") }, join(folder, "front"), true);
  await bundleCommandLine(join(folder, "cli"));

  for (const entry of readdirSync(join(folder, "client"), { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || !/\.(js|css|svg|json|map)$/.test(entry.name)) continue;
    const file = join(entry.parentPath, entry.name);
    writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }));
  }
}

if (process.argv[1]?.endsWith("bundle.mjs")) await bundleAll(process.argv[2]);
