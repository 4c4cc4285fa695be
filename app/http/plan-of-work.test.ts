import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Plan } from "#core/plan/plan";
import { hoursOfShop } from "#core/plan/shop";
import { markOf } from "#core/schedule/mark";
import { fittedIn, visitsOf, workOf } from "#core/schedule/plan-of-work";
import { sayWallTime } from "#core/units/wall-time";
import { makePlan } from "#db/make-plan";
import { openStore, type Store } from "#db/open";
import { addPlan, editPlan, getJob } from "#db/plans";
import { getShop } from "#db/shop";
import { harbourStool, hobnailYard, lampShelf } from "#demo/hobnail-yard";
import { largePlan } from "../../tests/large-plan";
import {
  calendarJobsIn,
  datesIn,
  fittedStandingFor,
  jobPlanFor,
  jobStandingFor,
  readShopState,
  standingIn,
} from "./plan-of-work.server";

let folder: string;
let store: Store;

const named = (id: string): Plan => hobnailYard().find((plan) => plan.id === id)!;
/** Nobody has begun it. */
const promised = (plan: Plan): Plan => {
  const { done: _, due: __, ...rest } = plan;
  return { ...rest, state: "promised" };
};

const another = async (planId: string, edit: string) => {
  const job = (await getJob(store, planId))!;
  const crust = job.plan.crusts[0]!;
  await editPlan(store, planId, {
    id: `${edit}-${planId}`,
    base: job.version,
    label: "Another coat",
    commands: [
      { do: "patch step", crustId: crust.id, stepId: crust.steps.find(({ what }) => what)!.id, patch: { coats: 3 } },
    ],
  });
};

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "crust-plan-of-work-"));
  store = await openStore({ url: `file:${join(folder, "shop.db")}`, file: join(folder, "shop.db") });
  await addPlan(store, promised(harbourStool()));
  await addPlan(store, { ...promised(named("dough-bin")), id: "bin" });
  await addPlan(store, { ...promised(lampShelf()), id: "idea", state: "idea" });
  await makePlan(store, "test", {});
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** As the page of a job gets it. */
const standingFor = async (id: string) => fittedStandingFor(store, (await getJob(store, id))!.plan);

describe("how the schedule stands for a job", () => {
  it("promised and planned: its own dates, and nothing to fit in", async () => {
    const { own, fit, kind, standing } = await standingFor("bin");
    expect(kind).toBe("planned");
    expect(own).toMatchObject({ planId: "bin", clashes: [] });
    expect(own!.bookings.length).toBeGreaterThan(0);
    expect(fit).toBeNull();
    expect(standing).toMatchObject({ stale: false, offered: null, planning: null, left: false });
  });

  it("an idea: as it was tried among the promised ones, which it does not push aside", async () => {
    const { own, fit, kind, around } = await standingFor("idea");
    expect(kind).toBe("tried");
    expect(own).toMatchObject({ planId: "idea" });
    expect(fit).toBeNull();
    const { inputs, kept } = await readShopState(store);
    const taken = kept.planned.flatMap(({ bookings }) => bookings.filter(({ starts, ends }) => ends > starts));
    expect(around.taken).toHaveLength(taken.filter(({ painter }) => painter !== "").length);
    expect(inputs.plans.map(({ id }) => id).sort()).toEqual(["bin", harbourStool().id].sort());
  });

  it("not planned yet: as it would fit in, the same as a page would work out", async () => {
    await addPlan(store, { ...promised(lampShelf()), id: "new", title: "Just in", state: "idea" });
    const { own, fit, shop, around } = await standingFor("new");
    expect(own).toBeNull();
    const job = (await getJob(store, "new"))!;
    expect(fit).toEqual(fittedIn(workOf(job.plan, shop), around));
    expect(fit!.mark).toBe(markOf(job.plan));
    // worked out once, however often it is looked at
    expect((await standingFor("new")).fit).toBe(fit);
  });

  it("changed since it was planned: the dates stand as promised, and beside them what the change makes of them", async () => {
    const before = (await jobStandingFor(store, "bin")).own!;
    await another("bin", "more");
    const { own, fit, standing } = await standingFor("bin");
    expect(own).toEqual(before);
    expect(standing.stale).toBe(true);
    expect(fit!.mark).not.toBe(own!.mark);
    expect(fit!.bookings.length).toBeGreaterThan(own!.bookings.length);
    const dates = datesIn(await readShopState(store));
    expect(dates.bin).toMatchObject({ isKept: true, edited: true });
    expect(dates[harbourStool().id]).toMatchObject({ isKept: true, edited: false });
  });

  it("too much work to date while a page waits: that is left to the shop's planning", async () => {
    await addPlan(store, { ...largePlan(80, 14), id: "huge", title: "Panelled room" });
    expect(await standingFor("huge")).toMatchObject({ own: null, fit: null });
  });

  it("a job that is not there has no dates, and stops nothing", async () => {
    expect(await jobStandingFor(store, "nobody")).toMatchObject({ own: null, kind: "tried" });
  });
});

describe("what the pages go by", () => {
  it("a job's part of the schedule is its own where it has one, and as it would fit in otherwise", async () => {
    const bin = (await getJob(store, "bin"))!.plan;
    expect((await jobPlanFor(store, bin)).job).toEqual((await jobStandingFor(store, "bin")).own);
    const fresh = (await getJob(store, "new"))!.plan;
    const { job } = await jobPlanFor(store, fresh);
    expect(job.planId).toBe("new");
    expect(visitsOf(job)).toBeGreaterThan(0);
  });

  it("no two jobs hold one painter at once", async () => {
    const { kept } = await readShopState(store);
    const work = kept.planned
      .flatMap(({ bookings }) => bookings)
      .filter(({ starts, ends, painter }) => ends > starts && painter !== "")
      .sort((a, b) => a.starts - b.starts);
    const until = new Map<string, number>();
    for (const { starts, ends, painter } of work) {
      expect(starts).toBeGreaterThanOrEqual(until.get(painter) ?? Number.NEGATIVE_INFINITY);
      until.set(painter, ends);
    }
  });

  it("every promised job and every tried idea is in the calendar, each as what it is", async () => {
    const jobs = calendarJobsIn(await readShopState(store));
    expect(jobs.find(({ plan }) => plan.id === "bin")).toMatchObject({ isKept: true });
    expect(jobs.find(({ plan }) => plan.id === "idea")).toMatchObject({ isKept: false });
    expect(jobs.some(({ plan }) => plan.id === "new")).toBe(false);
  });

  it("planned again, what has changed is offered and nothing is moved unasked", async () => {
    const before = (await jobStandingFor(store, "bin")).own;
    await makePlan(store, "test", {});
    const standing = standingIn(await readShopState(store));
    const { own } = await jobStandingFor(store, "bin");
    if (standing.offered) {
      expect(own).toEqual(before);
      expect(standing.offered.changes.map(({ planId }) => planId)).toContain("bin");
    } else expect(own!.mark).toBe(markOf((await getJob(store, "bin"))!.plan));
  });

  it("work is begun in the shop's hours, on days on which it is open", async () => {
    const hours = hoursOfShop((await getShop(store)).shop);
    const { kept } = await readShopState(store);
    for (const { starts, ends, pinned, done, name } of kept.planned.flatMap(({ bookings }) => bookings)) {
      if (ends <= starts || pinned || done) continue;
      const wall = sayWallTime(starts);
      const day = hours.weekdays[(new Date(`${wall}:00Z`).getUTCDay() + 6) % 7]!;
      const minute = 60 * Number(wall.slice(11, 13)) + Number(wall.slice(14));
      const isOpen = day.some(([from, to]) => from <= minute && minute < to);
      expect(isOpen, `${name} at ${wall}`).toBe(true);
    }
  });
});
