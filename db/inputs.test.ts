import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { Command } from "#core/edit/command";
import { type JobState, type Plan, stateOf } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { everyPlan, getInputs, MOST_IDEAS, MOST_OVER, MOST_PLANNED } from "./inputs";
import { openStore, placeFrom, type Store } from "./open";
import { addPlan, editPlan, setRemoved } from "./plans";
import { plans } from "./schema";

let folder: string;
let store: Store;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-inputs-"));
  store = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
});
afterEach(() => {
  store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const plain = examplePlan({ shows: "one coat", ground: "raw timber", steps: [["brush", "chalk-slate"]] });
const job = (id: string, state: JobState, more: Partial<Plan> = {}): Plan => ({
  ...plain,
  id,
  title: `Job ${id}`,
  state,
  ...more,
});
const added = async (list: readonly Plan[]) => {
  // the last changed first: each is a minute younger than the one before
  for (const [index, plan] of list.entries()) await addPlan(store, plan, new Date(2026, 0, 1, 8, index));
};
const many = (count: number, state: JobState, more: (index: number) => Partial<Plan> = () => ({})) =>
  Array.from({ length: count }, (_, index) => job(`${state.replace(" ", "-")}-${index}`, state, more(index)));
const idsOf = (list: readonly { id: string }[]) => list.map(({ id }) => id);

describe("what the shop's work is planned from", () => {
  it("promised and under way are planned, ideas are tried, what is over only stays; removed is nothing", async () => {
    await added([
      job("a", "promised"),
      job("b", "under way"),
      job("c", "idea"),
      job("d", "finished"),
      job("e", "put away"),
      job("f", "promised"),
    ]);
    await setRemoved(store, "f", true);
    const inputs = await getInputs(store);
    expect(idsOf(inputs.plans)).toEqual(["a", "b"]);
    expect(inputs.versions).toEqual({ a: 1, b: 1 });
    expect(idsOf(inputs.ideas)).toEqual(["c"]);
    expect([...inputs.over].sort()).toEqual(["d", "e"]);
    expect(inputs.leftOut).toEqual([]);
    expect(idsOf(await everyPlan(store))).toEqual(["a", "b", "c", "d", "e"]);
  });

  it("an idea that is tried is planned as if it were promised, and stays an idea", async () => {
    await added([job("a", "promised"), job("c", "idea")]);
    const tried = await getInputs(store, "c");
    expect(tried.plans.map((plan) => [plan.id, stateOf(plan)])).toEqual([
      ["a", "promised"],
      ["c", "promised"],
    ]);
    expect(tried.ideas).toEqual([]);
    const usual = await getInputs(store);
    expect(usual.ideas.map(stateOf)).toEqual(["idea"]);
    expect(usual.key).not.toBe(tried.key);
  });

  it("what is due first comes first, and without a date last", async () => {
    await added([
      job("open", "promised", { due: undefined }),
      job("june", "promised", { due: "2027-06-01T17:00" }),
      job("may", "promised", { due: "2027-05-01T17:00" }),
    ]);
    expect(idsOf((await getInputs(store)).plans)).toEqual(["may", "june", "open"]);
  });

  it("of more jobs than can be planned together, those due last are left out, and named", async () => {
    const due = (index: number) => ({ due: `2027-${String(12 - (index % 12)).padStart(2, "0")}-01T17:00` });
    await added(many(MOST_PLANNED + 5, "promised", due));
    const { plans: planned, leftOut } = await getInputs(store);
    expect(planned).toHaveLength(MOST_PLANNED);
    expect(leftOut).toHaveLength(5);
    const last = planned
      .map((plan) => plan.due!)
      .sort()
      .at(-1)!;
    const left = (await everyPlan(store)).filter(({ id }) => idsOf(leftOut).includes(id));
    for (const plan of left) expect(plan.due! >= last).toBe(true);
    for (const { because } of leftOut) expect(because).toContain("due last");
  });

  it("of more ideas than are fitted in, those touched last are", async () => {
    await added(many(MOST_IDEAS + 3, "idea"));
    const { ideas } = await getInputs(store);
    expect(ideas).toHaveLength(MOST_IDEAS);
    expect(idsOf(ideas)[0]).toBe(`idea-${MOST_IDEAS + 2}`);
    expect(idsOf(ideas)).not.toContain("idea-2");
  });

  it("of what is over only so many keep their dates, those touched last", async () => {
    const [first] = many(1, "put away");
    await added([first!]);
    // a shop of many years: the same row under other ids
    const [row] = await store.db.select().from(plans).where(eq(plans.id, first!.id));
    const old = Array.from({ length: MOST_OVER }, (_, index) => ({
      ...row!,
      id: `old-${index}`,
      updatedAt: new Date(2026, 1, 1, 8, index),
    }));
    for (let from = 0; from < old.length; from += 50) await store.db.insert(plans).values(old.slice(from, from + 50));
    const { over } = await getInputs(store);
    expect(over).toHaveLength(MOST_OVER);
    expect(over).not.toContain(first!.id);
  });

  it("no document is read twice, and every one that was written is read", async () => {
    await added([job("a", "promised"), job("b", "promised")]);
    const before = await getInputs(store);
    const again = await getInputs(store);
    expect(again.plans[0]).toBe(before.plans[0]);
    expect(again.key).toBe(before.key);
    const twoCoats: Command = {
      do: "patch step",
      crustId: "c1",
      stepId: "s1",
      patch: { coats: 2, what: undefined, wait: undefined },
    };
    const written = await editPlan(store, "a", { id: "edit-1", base: 1, label: "Two coats", commands: [twoCoats] });
    expect(written.is).toBe("written");
    const after = await getInputs(store);
    expect(after.plans[0]!.crusts[0]!.steps[0]!.coats).toBe(2);
    expect(after.versions).toEqual({ a: 2, b: 1 });
    expect(after.plans[1]).toBe(before.plans[1]);
    expect(after.key).not.toBe(before.key);
  });

  it("a document that cannot be read is named, and read as soon as it is mended in the file itself", async () => {
    await added([job("a", "promised"), job("b", "promised")]);
    await store.client.execute("update plans set document = '{}' where id = 'a'");
    const damaged = await getInputs(store);
    expect(idsOf(damaged.plans)).toEqual(["b"]);
    expect(damaged.leftOut).toEqual([{ id: "a", title: "Job a", because: "its document cannot be read" }]);
    await store.client.execute({
      sql: "update plans set document = ? where id = 'a'",
      args: [JSON.stringify(job("a", "promised"))],
    });
    expect(idsOf((await getInputs(store)).plans)).toEqual(["a", "b"]);
  });

  it("asks of every job only what lies in the index, however large its document is", async () => {
    const { rows } = await store.client.execute(
      "explain query plan select id, title, state, version, updated_at, start, due from plans where removed_at is null and state in ('idea', 'promised', 'under way')",
    );
    expect(String(rows[0]!.detail)).toContain("USING COVERING INDEX plans_on_lists");
  });

  it("a job whose figures for the list are damaged is planned all the same", async () => {
    await added([job("a", "promised", { due: "2027-05-01T17:00" }), job("b", "promised", { due: "2027-06-01T17:00" })]);
    await store.client.execute("update plans set summary = 'not any more' where id = 'a'");
    expect(idsOf((await getInputs(store)).plans)).toEqual(["a", "b"]);
  });
});
