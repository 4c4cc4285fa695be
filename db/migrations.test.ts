import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, expect, it } from "vitest";
import { hobnailYard } from "#demo/hobnail-yard";
import { getInputs } from "./inputs";
import { openStore, placeFrom } from "./open";
import { getDocument, listJobs } from "./plans";

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "crust-migrations-"));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** The migrations as they were when there were only so many. */
function migrationsUpTo(count: number): string {
  const early = join(folder, "early");
  cpSync("db/migrations", early, { recursive: true });
  const journal = join(early, "meta/_journal.json");
  const { entries, ...rest } = JSON.parse(readFileSync(journal, "utf8"));
  writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.slice(0, count) }));
  return early;
}

it("a shop from before jobs were listed by their own dates keeps every job, and knows its dates", async () => {
  const place = placeFrom({ JOLLY_CRUST_DATA: join(folder, "shop") });
  const before = await openStore(place, migrationsUpTo(9));
  const jobs = hobnailYard();
  const insert = (id: string, document: string) =>
    before.client.execute({
      sql: "insert into plans (id, title, version, document, summary, created_at, updated_at, state) values (?, ?, 3, ?, '{}', 1, 2, 'promised')",
      args: [id, `Job ${id}`, document],
    });
  for (const job of jobs) await insert(job.id, JSON.stringify(job));
  await insert("damaged", "not any more");
  before.client.close();

  const store = await openStore(place);
  const { rows } = await store.client.execute(
    "select id, start, due, document from plans where id <> 'damaged' order by id",
  );
  const sorted = [...jobs].sort((a, b) => (a.id < b.id ? -1 : 1));
  expect(rows.map(({ id, start, due }) => ({ id, start, due }))).toEqual(
    sorted.map(({ id, start, due }) => ({ id, start, due: due ?? null })),
  );
  expect(rows.map(({ document }) => JSON.parse(String(document)))).toEqual(JSON.parse(JSON.stringify(sorted)));
  expect((await getDocument(store, "damaged"))!.text).toBe("not any more");
  expect((await listJobs(store)).jobs).toHaveLength(jobs.length + 1);
  const due = (await getInputs(store)).plans.map((plan) => plan.due ?? "9999");
  expect(due).toEqual([...due].sort());
  store.client.close();
});
