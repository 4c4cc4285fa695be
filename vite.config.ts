import { fileURLToPath } from "node:url";
import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

const here = (folder: string) => fileURLToPath(new URL(folder, import.meta.url));

export default defineConfig({
  // one file is read in a tenth of the time of hundreds; what has a native part stays a package
  ssr: process.env.CRUST_BUILD ? { noExternal: true, external: ["sharp", "@libsql/client", "libsql"] } : {},
  plugins: [tailwindcss(), process.env.VITEST ? null : reactRouter()],
  resolve: { alias: { "~": here("./app"), "#core": here("./core"), "#db": here("./db"), "#demo": here("./demo") } },
});
