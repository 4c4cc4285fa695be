import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq, sql } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { Command } from "#core/edit/command";
import type { Plan } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { getInputs } from "./inputs";
import { makePlan, planningEnded } from "./make-plan";
import { openStore, placeFrom, type Store } from "./open";
import {
  beginPlanning,
  callOffPlanning,
  endPlanning,
  getKept,
  getStanding,
  goBack,
  goOnPlanning,
  putDown,
  SILENT_MILLISECONDS,
  takeOn,
} from "./plan-of-work";
import { addPlan, editPlan, getJob, setRemoved, stepThroughEdits } from "./plans";
import { jobPlans, planning, plansOfWork } from "./schema";
import { getShop, setShop, undoShop } from "./shop";

let folder: string;
let store: Store;
const opened: Store[] = [];
let runs = 0;
const owner = () => `run-${++runs}`;

async function open(): Promise<Store> {
  const another = await openStore(placeFrom({ JOLLY_CRUST_DATA: folder }));
  opened.push(another);
  return another;
}

const job = (id: string, more: Partial<Plan> = {}): Plan => ({
  ...examplePlan({
    shows: id,
    ground: "raw timber",
    species: "oak",
    steps: [
      ["brush", "chalk-bone-white", { coats: 2 }],
      ["wax", "wax-clear"],
    ],
  }),
  id,
  title: `Job ${id}`,
  hoursFrom: "shop",
  ...more,
});

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-plans-"));
  store = await open();
  await addPlan(store, job("one"));
  await addPlan(store, job("two"));
});
afterEach(() => {
  for (const store of opened.splice(0)) store.client.close();
  rmSync(folder, { recursive: true, force: true });
});

const thirdCoat: Command = {
  do: "patch step",
  crustId: "c1",
  stepId: "s1",
  patch: { coats: 3, what: undefined, wait: undefined },
};
let edits = 0;
async function edit(id: string, label: string, ...commands: Command[]) {
  const { version } = (await getJob(store, id))!;
  const written = await editPlan(store, id, { id: `edit-${++edits}`, base: version, label, commands });
  expect(written.is).toBe("written");
}
const keptOf = async (id: string) => (await getKept(store)).planned.find(({ planId }) => planId === id);
const leavesOf = async (id: string) => (await keptOf(id))?.dates?.leaves;

describe("the kept plan of work", () => {
  it("is the first that was made; with the same jobs it is not made again, also not by a program started later", async () => {
    expect(await makePlan(store, owner())).toBe("kept");
    expect((await getStanding(store)).hasBefore).toBe(false);
    const { head, planned } = await getKept(store);
    expect(planned.map(({ planId }) => planId)).toEqual(["one", "two"]);
    expect(await makePlan(store, owner())).toBe("current");
    expect(await makePlan(await open(), owner())).toBe("current");
    expect((await getKept(store)).head!.id).toBe(head!.id);
  });

  it("stands until the plan an edit leads to is taken on, which says what changes and why", async () => {
    await makePlan(store, owner());
    const before = await leavesOf("one");
    await edit("one", "Add a third coat", thirdCoat);
    expect(await makePlan(store, owner())).toBe("offered");
    expect(await leavesOf("one")).toBe(before);
    const { offered } = await getStanding(store);
    expect(offered!.changes.find(({ planId }) => planId === "one")!.says).toMatch(
      /^Job one leaves .*, was .*: add a third coat\.$/,
    );
    expect(await takeOn(store, offered!.id)).toEqual({ is: "taken" });
    expect(await leavesOf("one")).toBeGreaterThan(before!);
    expect((await getStanding(store)).offered).toBeNull();
    // sent twice, or from a page left open, it takes on nothing
    expect(await takeOn(store, offered!.id)).toEqual({ is: "gone" });
  });

  it("can be gone back from to the one before", async () => {
    await makePlan(store, owner());
    const before = await getKept(store);
    await edit("one", "Add a third coat", thirdCoat);
    await makePlan(store, owner());
    await takeOn(store, (await getStanding(store)).offered!.id);
    const after = await getKept(store);
    expect((await getStanding(store)).hasBefore).toBe(true);
    expect(await goBack(store, before.head!.id)).toEqual({ is: "gone" });
    expect(await goBack(store, after.head!.id)).toEqual({ is: "taken" });
    expect(await leavesOf("one")).toBe(before.planned[0]!.dates!.leaves);
    // what moved twice has counted twice
    const moved = after.planned[0]!.bookings.find(
      ({ id, starts }) => before.planned[0]!.bookings.find((booking) => booking.id === id)?.starts !== starts,
    )!;
    const counts = [before, after].map(({ planned }) => planned[0]!.changed![moved.id]?.sequence ?? -1);
    expect((await keptOf("one"))!.changed![moved.id]!.sequence).toBeGreaterThan(Math.max(...counts));
  });

  it("is of the jobs again when the edit is undone, and nothing is offered any more", async () => {
    await makePlan(store, owner());
    await edit("one", "Add a third coat", thirdCoat);
    await makePlan(store, owner());
    await stepThroughEdits(store, "one", 2, "undo");
    expect(await makePlan(store, owner())).toBe("current");
    const { offered, kept } = await getStanding(store);
    expect(offered).toBeNull();
    expect(kept!.key).toBe((await getInputs(store)).key);
  });

  it("takes an edit that moves nothing by itself", async () => {
    await makePlan(store, owner());
    const noted: Command = {
      do: "patch step",
      crustId: "c1",
      stepId: "s1",
      patch: { note: "the good brush", what: undefined, wait: undefined },
    };
    await edit("one", "Write a note", noted);
    expect(await makePlan(store, owner())).toBe("kept");
    expect((await keptOf("one"))!.mark).not.toBe(undefined);
    expect((await getStanding(store)).kept!.key).toBe((await getInputs(store)).key);
    await edit("one", "Rename", {
      do: "set job",
      patch: { title: "Other", client: undefined, due: undefined, state: undefined, hoursFrom: undefined },
    });
    expect(await makePlan(store, owner())).toBe("current");
  });

  it("keeps the dates of what is finished, and plans the others without it", async () => {
    await makePlan(store, owner());
    const before = await leavesOf("one");
    const finished: Command = {
      do: "set job",
      patch: { state: "finished", client: undefined, due: undefined, hoursFrom: undefined },
    };
    await edit("one", "Finish the job", finished);
    const came = await makePlan(store, owner());
    if (came === "offered") await takeOn(store, (await getStanding(store)).offered!.id);
    const [one] = (await getKept(store, ["one"])).planned;
    expect(one!.dates!.leaves).toBe(before);
    // no page reads what is over unless it shows it
    expect((await getKept(store)).planned.map(({ planId }) => planId)).toEqual(["two"]);
    expect((await getKept(store, "all")).planned.map(({ planId }) => planId)).toEqual(["one", "two"]);
    expect((await getInputs(store)).plans.map(({ id }) => id)).toEqual(["two"]);
  });

  it("says so where a job is removed", async () => {
    await makePlan(store, owner());
    await setRemoved(store, "one", true);
    expect(await makePlan(store, owner())).toBe("offered");
    expect((await getStanding(store)).offered!.changes.map(({ says }) => says)).toContain(
      "Job one is off the schedule.",
    );
  });

  it("made by another version is made again, and nothing else is lost", async () => {
    await makePlan(store, owner());
    await store.db.update(plansOfWork).set({ madeFrom: { of: "long ago" } });
    expect((await getKept(store)).head).toBeNull();
    expect(await makePlan(store, owner())).toBe("kept");
    await store.db
      .update(jobPlans)
      .set({ document: { half: true } })
      .where(eq(jobPlans.planId, "one"));
    expect((await getKept(store)).planned.map(({ planId }) => planId)).toEqual(["two"]);
    expect((await getJob(store, "one"))!.plan.title).toBe("Job one");
  });
});

describe("an idea", () => {
  beforeEach(async () => {
    await addPlan(store, job("idea", { state: "idea" }));
    await makePlan(store, owner());
  });

  it("is fitted in among the others and moves none of them, also when it changes", async () => {
    const { tried, planned } = await getKept(store);
    expect(tried.map(({ planId }) => planId)).toEqual(["idea"]);
    const before = tried[0]!.dates!.leaves;
    await edit("idea", "Add a third coat", thirdCoat);
    expect(await makePlan(store, owner())).toBe("current");
    const after = await getKept(store);
    expect(after.tried[0]!.dates!.leaves).toBeGreaterThan(before);
    expect(after.planned).toEqual(planned);
  });

  it("can be tried as if it were promised, which leaves the kept plan alone", async () => {
    const { planned } = await getKept(store);
    expect(await makePlan(store, owner(), { idea: "idea" })).toBe("tried");
    const { tried } = await getStanding(store);
    expect(tried!.madeFrom.idea).toBe("idea");
    expect(tried!.changes.find(({ planId }) => planId === "idea")!.kind).toBe("new");
    expect((await getKept(store)).planned).toEqual(planned);
    expect(await makePlan(store, owner(), { idea: "idea" })).toBe("current");
  });
});

describe("planning", () => {
  it("is done by one program at a time, and taken over from one that has died", async () => {
    const other = await open();
    expect(await beginPlanning(store, "first", 10)).toBe(true);
    expect(await beginPlanning(other, "second", 10)).toBe(false);
    expect(await makePlan(other, owner())).toBe("busy");
    await store.db.update(planning).set({ beat: new Date(Date.now() - SILENT_MILLISECONDS - 1) });
    expect(await beginPlanning(other, "second", 10)).toBe(true);
    // the one that was thought dead puts nothing down
    expect(await goOnPlanning(store, "first", 3)).toBe(false);
    const inputs = await getInputs(store);
    expect(await putDown(store, "first", inputs, { jobs: [], looks: 1 }, null)).toBe("gone");
    expect((await getKept(store)).head).toBeNull();
    await endPlanning(other, "second");
    expect(await makePlan(store, owner())).toBe("kept");
  });

  it("can be called off, and is then left until something changes or somebody asks", async () => {
    await makePlan(store, owner());
    await edit("one", "Add a third coat", thirdCoat);
    const inputs = await getInputs(store);
    expect(await beginPlanning(store, "mine", 10)).toBe(true);
    await callOffPlanning(store);
    expect(await goOnPlanning(store, "mine", 1)).toBe(false);
    await endPlanning(store, "mine", { left: inputs.key });
    expect(await makePlan(store, owner())).toBe("called off");
    expect((await getStanding(store)).left).toEqual({ key: inputs.key, trouble: null });
    expect(await makePlan(store, owner(), { again: true })).toBe("offered");
    expect((await getStanding(store)).left).toBeNull();
  });

  it("that broke says so, and is not tried over and over", async () => {
    await makePlan(store, owner());
    await edit("one", "Add a third coat", thirdCoat);
    await beginPlanning(store, "broken", 10);
    await planningEnded(store, "broken");
    expect((await getStanding(store)).left!.trouble).toMatch(
      /could not be worked out\. The current one is unchanged\./,
    );
    expect(await makePlan(store, owner())).toBe("called off");
    await edit("one", "Back to two", { ...thirdCoat, patch: { ...thirdCoat.patch, coats: 4 } } as Command);
    expect(await makePlan(store, owner())).toBe("offered");
    expect((await getStanding(store)).left).toBeNull();
  });

  it("of two programs at once makes one plan", async () => {
    const other = await open();
    const both = await Promise.all([makePlan(store, owner()), makePlan(other, owner())]);
    expect(both.filter((madePlan) => madePlan === "kept")).toHaveLength(1);
    expect(await store.db.$count(plansOfWork)).toBe(1);
  });

  it("leaves a job that cannot be read out, and says which", async () => {
    await store.db.run(sql`update plans set document = '{"half": 1}' where id = 'one'`);
    const { plans, leftOut } = await getInputs(store);
    expect(plans.map(({ id }) => id)).toEqual(["two"]);
    expect(leftOut).toEqual([{ id: "one", title: "Job one", because: "its document cannot be read" }]);
    expect(await makePlan(store, owner())).toBe("kept");
  });
});

describe("the shop's settings", () => {
  it("are those of the jobs until somebody sets them, and then every version can be undone", async () => {
    const first = await getShop(store);
    expect(first).toMatchObject({ version: 0, undo: null, shop: { painters: [{ id: "painter-1" }] } });
    const painters = [...first.shop.painters, { ...first.shop.painters[0]!, id: "painter-2", name: "Second painter" }];
    const written = await setShop(store, { base: 0, shop: { ...first.shop, painters }, label: "One more painter" });
    expect(written).toMatchObject({ is: "written", row: { undo: "One more painter" } });
    const { version } = written.row;
    expect(await setShop(store, { base: 0, shop: first.shop, label: "late" })).toMatchObject({ is: "overtaken" });
    expect(await undoShop(store, version - 1)).toMatchObject({ is: "overtaken" });
    expect((await undoShop(store, version)).row.shop).toEqual(first.shop);
    // and undoing that brings it back
    expect((await undoShop(store, version + 1)).row).toMatchObject({ shop: { painters }, undo: "One more painter" });
  });

  it("make a new plan of work, which says that they did", async () => {
    await makePlan(store, owner());
    const { shop, version } = await getShop(store);
    const late = shop.hours.weekdays.map((day) => day.map(([from, to]) => [from + 30, to + 30] as [number, number]));
    await setShop(store, {
      base: version,
      shop: { ...shop, hours: { ...shop.hours, weekdays: late } },
      label: "Change the shop's hours",
    });
    expect(await makePlan(store, owner())).toBe("offered");
    expect((await getStanding(store)).offered!.changes.map(({ says }) => says).join(" ")).toMatch(
      /: change the shop's hours/,
    );
  });
});
