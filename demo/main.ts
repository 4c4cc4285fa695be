import { openStore, placeFrom } from "#db/open";
import { StorageTrouble } from "#db/trouble";
import { loadDemo } from "./load";

// Migrates the store and loads the demo shop, each job only if it does not exist yet.
try {
  const store = await openStore(placeFrom(process.env));
  const added = await loadDemo(store);
  store.client.close();
  console.log(
    added > 0
      ? `Demo shop loaded: ${added} ${added === 1 ? "job" : "jobs"}.`
      : "The demo shop is already loaded; its jobs are unchanged.",
  );
} catch (error) {
  if (!(error instanceof StorageTrouble)) throw error;
  console.error(error.message);
  process.exitCode = 1;
}
