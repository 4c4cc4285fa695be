// The shop in earnest: as it stands, open to its own network, where every device is paired once.
import { build, ensurePackages } from "./ready.mjs";
import { ensurePlace, serve } from "./serve.mjs";

await ensurePlace();
ensurePackages();
build();
await serve({ JOLLY_CRUST_NETWORK: "yes" });
