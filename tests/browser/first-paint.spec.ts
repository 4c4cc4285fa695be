import { gzipSync } from "node:zlib";
import { expect, test } from "./shop";

/** What a page may load before it is shown, in bytes as they travel. */
const MOST_SCRIPTS = 170_000;

for (const path of [
  "/",
  "/jobs/chart-cabinet/crust",
  "/jobs/chart-cabinet/board",
  "/jobs/chart-cabinet/days",
  "/shelf",
])
  test(`${path} is shown before most of its scripts are there`, async ({ request }) => {
    const page = await (await request.get(path)).text();
    const files = new Set([...page.matchAll(/\/assets\/[\w.-]+\.js/g)].map(([file]) => file));
    expect(files.size).toBeGreaterThan(2);
    let bytes = 0;
    for (const file of files) bytes += gzipSync(await (await request.get(file)).body()).length;
    expect(bytes).toBeLessThan(MOST_SCRIPTS);
  });
