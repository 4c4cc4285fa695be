import { fileURLToPath } from "node:url";
import { reactRouter } from "@react-router/dev/vite";
import tailwindcss from "@tailwindcss/vite";
import { defineConfig } from "vite";

const here = (folder: string) => fileURLToPath(new URL(folder, import.meta.url));

export default defineConfig({
  plugins: [tailwindcss(), process.env.VITEST ? null : reactRouter()],
  resolve: { alias: { "~": here("./app"), "#core": here("./core"), "#db": here("./db"), "#demo": here("./demo") } },
});
