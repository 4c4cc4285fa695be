import { fileURLToPath } from "node:url";
import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

const here = (folder: string) => fileURLToPath(new URL(folder, import.meta.url));

const packages = (...names: string[]) => new RegExp(`node_modules[\\\\/](${names.join("|")})[\\\\/]`);
const folders = (...names: string[]) => new RegExp(`[\\\\/](${names.join("|")})[\\\\/]`);

/** What belongs together comes as one file: a few files are there sooner than a hundred small ones. */
const CHUNKS = [
  // with what loads all the others
  {
    name: "first",
    test: new RegExp(`${packages("react", "react-dom", "react-router", "scheduler").source}|vite[\\\\/]preload-helper`),
  },
  { name: "schemas", test: packages("zod") },
  {
    name: "interface",
    test: packages(
      "radix-ui",
      "@radix-ui",
      "@floating-ui",
      "lucide-react",
      "sonner",
      "react-hotkeys-hook",
      "nanoid",
      "lru-cache",
      "react-remove-scroll.*",
      "aria-hidden",
      "use-sidecar",
      "use-callback-ref",
      "comlink",
    ),
  },
  {
    name: "core-plan",
    test: new RegExp(
      `${folders("core/(units|materials|drying|quantity|plan|edit)").source}|${packages("culori").source}`,
    ),
  },
  { name: "core-judge", test: folders("core/(colour|mixing|surface|rules|safety|judge)") },
  { name: "core-schedule", test: folders("core/schedule") },
  { name: "parts", test: folders("app/(words|keys|plan-of-work|editor|forms|drawing|films|parts)") },
];

export default defineConfig({
  // one file is read in a tenth of the time of hundreds; what has a native part stays a package
  ssr: process.env.CRUST_BUILD ? { noExternal: true, external: ["sharp", "@libsql/client", "libsql"] } : {},
  plugins: [tailwindcss(), process.env.VITEST ? null : reactRouter()],
  environments: {
    client: { build: { rolldownOptions: { output: { codeSplitting: { groups: CHUNKS } } } } },
  },
  resolve: { alias: { "~": here("./app"), "#core": here("./core"), "#db": here("./db"), "#demo": here("./demo") } },
});
