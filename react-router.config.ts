import type { Config } from "@react-router/dev/config";

export default {
  ssr: true,
  // every build has a folder of its own, so that one never takes the files away from under a running shop
  buildDirectory: process.env.CRUST_BUILD ?? "build/dev",
  // all addresses are known to the page at once: a view that was not opened yet opens without asking
  routeDiscovery: { mode: "initial" },
  future: { v8_middleware: true },
} satisfies Config;
