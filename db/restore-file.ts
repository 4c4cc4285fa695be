import { copyFileSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { restore } from "./backup";
import { openStore } from "./open";
import { placeFrom } from "./place";
import { StorageTrouble } from "./trouble";

// npm run restore -- FILE: reads a backup into a shop without jobs. The file itself is not touched.
const [path] = process.argv.slice(2);
if (path === undefined || !existsSync(path)) {
  console.error(path === undefined ? "Name the backup: npm run restore -- shop.db" : `There is no file ${path}.`);
  process.exit(2);
}
const folder = mkdtempSync(join(tmpdir(), "jolly-crust-"));
try {
  const copy = join(folder, "shop.db");
  copyFileSync(path, copy);
  const store = await openStore(placeFrom(process.env));
  const wrong = await restore(store, copy);
  store.client.close();
  if (wrong) {
    console.error(`${wrong} Nothing was changed.`);
    process.exitCode = 1;
  } else console.log("The shop is restored. Start it with npm run shop, or npm run demo.");
} catch (error) {
  if (!(error instanceof StorageTrouble)) throw error;
  console.error(error.message);
  process.exitCode = 1;
} finally {
  rmSync(folder, { recursive: true, force: true });
}
