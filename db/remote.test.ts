import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { examplePlan } from "#core/rules/example";
import { type StandIn, startStandIn } from "../tests/libsql-stand-in";
import { openStore, placeFrom, type Store } from "./open";
import { addPlan, editPlan, getJob, listJobs } from "./plans";

// The store on a libSQL server: a stand-in that speaks its published protocol over an embedded file.

const TOKEN = "a-token";
let folder: string;
let server: StandIn;
const opened: Store[] = [];

async function open(token = TOKEN): Promise<Store> {
  const store = await openStore(placeFrom({ DATABASE_URL: server.url, DATABASE_AUTH_TOKEN: token }));
  opened.push(store);
  return store;
}

const plan = (id: string) => ({
  ...examplePlan({ shows: id, ground: "raw timber", species: "oak", steps: [["brush", "chalk-bone-white"]] }),
  id,
  title: `Job ${id}`,
});

const renamed = (store: Store, id: string, base: number, title: string) =>
  editPlan(store, id, {
    base,
    id: `edit-${title}`,
    label: title,
    commands: [{ do: "set job", patch: { title, client: null, due: null } }],
  });

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-remote-"));
  server = await startStandIn(join(folder, "served.db"), TOKEN);
});

afterEach(async () => {
  for (const store of opened.splice(0)) store.client.close();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

describe("a store on a libSQL server", () => {
  it("makes its tables, and two programs see each other's jobs", async () => {
    const store = await open();
    const two = await open();
    await addPlan(store, plan("first"));
    await addPlan(two, plan("second"));
    expect((await listJobs(store)).jobs.map(({ id }) => id).sort()).toEqual(["first", "second"]);
    expect((await getJob(two, "first"))!.plan.title).toBe("Job first");
  });

  it("takes one of two edits made on the same version, and tells the other", async () => {
    const store = await open();
    const two = await open();
    await addPlan(store, plan("job"));
    const { version } = (await getJob(store, "job"))!;
    const answers = await Promise.all([renamed(store, "job", version, "A"), renamed(two, "job", version, "B")]);
    expect(answers.filter(({ is }) => is === "written")).toHaveLength(1);
    const job = (await getJob(store, "job"))!;
    expect(job.version).toBe(version + 1);
    expect(job.plan.title).toBe(answers[0].is === "written" ? "A" : "B");
  });

  it("says in a sentence that the token is wrong or the server away, and changes nothing", async () => {
    await expect(open("another")).rejects.toThrow(/database server at DATABASE_URL/);
    const store = await open();
    await addPlan(store, plan("job"));
    await server.stop();
    await expect(addPlan(store, plan("more"))).rejects.toThrow(/Nothing was changed/);
    server = await startStandIn(join(folder, "served.db"), TOKEN);
    const again = await open();
    expect((await listJobs(again)).jobs.map(({ id }) => id)).toEqual(["job"]);
  });
});
