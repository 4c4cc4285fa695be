import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { hobnailShop, hobnailYard } from "../../demo/hobnail-yard.ts";
import { faultsOfPlanOfWork } from "../../tests/check-work.ts";
import { plan as anyPlan } from "../../tests/random-crusts.ts";
import { applyCommands } from "../edit/apply.ts";
import type { Command } from "../edit/command.ts";
import { readShopFile, writeShopFile } from "../exchange/shop-file.ts";
import type { Plan } from "../plan/plan.ts";
import { painterAt, type Shop } from "../plan/shop.ts";
import { DAY, HOUR } from "../units/units.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { changesOf, countingChanges, LEAVES } from "./changes.ts";
import { judgementOf } from "./kept.ts";
import { markOf } from "./mark.ts";
import {
  aroundOf,
  fittedIn,
  type JobPlan,
  lateBy,
  planOfWork,
  planOfWorkNow,
  standingAlone,
  workOf,
} from "./plan-of-work.ts";

const shop = hobnailShop();
const jobs = hobnailYard();
const promised = jobs.map((plan): Plan => ({ ...plan, state: "promised" }));
const made = planOfWorkNow(promised, shop);
const jobIn = (of: { jobs: readonly JobPlan[] }, id: string) => of.jobs.find(({ planId }) => planId === id)!;
const judged = (plans: readonly Plan[]) => plans.map((plan) => ({ plan, judgement: judgementOf(plan) }));
const edited = (plan: Plan, ...commands: Command[]): Plan => {
  const done = applyCommands(plan, commands);
  if (!done.ok) throw new Error(done.because);
  return done.plan;
};
const settle = promised.find(({ id }) => id === "carved-settle")!;

const anyShop: fc.Arbitrary<Shop> = fc
  .record({
    many: fc.integer({ min: 1, max: 3 }),
    places: fc.option(fc.integer({ min: 2, max: 8 }), { nil: undefined }),
    short: fc.boolean(),
    cannot: fc.boolean(),
    off: fc.boolean(),
  })
  .map(({ many, places, short, cannot, off }) => ({
    hours: { ...shop.hours, dryingPlaces: places },
    painters: Array.from({ length: many }, (_, index) => ({
      ...painterAt(index),
      ...(short && index > 0 ? { weekdays: shop.hours.weekdays.map((day, on) => (on % 2 === 0 ? day : [])) } : {}),
      cannot: cannot && index > 0 ? (["spray", "gilding"] as const).slice() : [],
      exceptions: off && index === 0 ? [{ on: "2026-12-01", stretches: [] }] : [],
    })),
  }));

describe("the plan of work", () => {
  it("of the demo shop keeps every wait, window, hour, painter, skill and drying place", () => {
    expect(faultsOfPlanOfWork(judged(promised), shop, made.jobs)).toEqual([]);
    expect(made.jobs.map(({ planId }) => planId).sort()).toEqual(promised.map(({ id }) => id).sort());
  });

  it("of any shop keeps the same, but for what it says itself", () => {
    fc.assert(
      fc.property(fc.array(anyPlan, { minLength: 2, maxLength: 3 }), anyShop, (any, ofShop) => {
        const plans = any.map(
          (plan, index): Plan => ({ ...plan, id: `job-${index}`, hoursFrom: index % 2 ? "shop" : "job" }),
        );
        const found = planOfWorkNow(plans, ofShop, 8);
        expect(faultsOfPlanOfWork(judged(plans), ofShop, found.jobs)).toEqual([]);
      }),
      { numRuns: 10 },
    );
  });

  it("leaves leaf to who lays it, and nobody comes on her days off", () => {
    const mirror = promised.find(({ id }) => id === "overmantel-mirror")!;
    const leaves = new Set(
      mirror.crusts.flatMap(({ steps }) => steps.filter(({ how }) => how === "lay-leaf").map(({ id }) => id)),
    );
    const gilded = jobIn(made, mirror.id).bookings.filter(({ stepId }) => leaves.has(stepId));
    expect(gilded.length).toBeGreaterThan(0);
    for (const { painter } of gilded) expect(painter).toBe("painter-1");
    const onTuesdays = made.jobs
      .flatMap(({ bookings }) => bookings)
      .filter(
        ({ painter, starts, ends }) => painter === "painter-2" && ends > starts && Math.floor(starts / DAY) % 7 === 5,
      );
    for (const { ends } of onTuesdays) expect(ends % DAY).toBeLessThanOrEqual(13 * HOUR);
  });

  it("is better for a second painter, and never has more late jobs for looking longer", () => {
    const alone = planOfWorkNow(promised, { ...shop, painters: [shop.painters[0]!] });
    const sum = (of: { jobs: readonly JobPlan[] }) => of.jobs.reduce((all, { dates }) => all + dates!.leaves, 0);
    expect(sum(made)).toBeLessThan(sum(alone));
    const late = (of: { jobs: readonly JobPlan[] }) =>
      promised.filter((plan) => lateBy(plan, jobIn(of, plan.id).dates) > 0).length;
    expect(late(planOfWorkNow(promised, shop, 160))).toBeLessThanOrEqual(late(planOfWorkNow(promised, shop, 8)));
  });

  it("is the same from the same shop, in whatever order its jobs and fields are written", () => {
    const backwards = [...promised].reverse().map((plan) => Object.fromEntries(Object.entries(plan).reverse()) as Plan);
    expect(planOfWorkNow(backwards, shop)).toEqual(made);
    const read = readShopFile(writeShopFile({ shop, plans: promised, planned: made.jobs }));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.file).toMatchObject({ shop, plans: promised, planned: made.jobs });
    expect(planOfWorkNow(read.file.plans, read.file.shop)).toEqual(made);
  });

  it("says how far it is, and can be left at any pause", () => {
    const seen: number[] = [];
    const work = planOfWork(promised, shop, 30);
    for (let step = work.next(); !step.done && seen.length < 5; step = work.next()) {
      expect(step.value.of).toBe(30);
      seen.push(step.value.looks);
    }
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    expect(seen).toHaveLength(5);
  });

  it("plans nothing for ideas, for what is finished and for what is put away", () => {
    for (const state of ["idea", "finished", "put away"] as const)
      expect(planOfWorkNow([{ ...settle, state }], shop).jobs).toEqual([]);
    expect(planOfWorkNow([], shop)).toEqual({ jobs: [], looks: 0 });
  });

  it("never moves a set time, nor work that is done, and begins the rest no earlier than it may", () => {
    const [first, second] = jobIn(made, settle.id).bookings.filter(
      ({ section, does }) => !section && does.length === 1,
    );
    const at = readWallTime("2026-12-08T10:20")!;
    const moved = edited(
      { ...settle, state: "under way" },
      {
        do: "set done",
        zoneId: first!.zoneId,
        phaseId: first!.phaseId,
        when: { starts: "2026-11-30T16:00", ends: "2026-11-30T16:25" },
      },
      { do: "set time", zoneId: second!.zoneId, phaseId: second!.phaseId, starts: sayWallTime(at) },
    );
    const from = { ...shop, from: "2026-12-03T09:00" };
    const again = planOfWorkNow([...promised.filter(({ id }) => id !== settle.id), moved], from);
    const own = jobIn(again, settle.id).bookings;
    expect(own.find(({ id }) => id === first!.id)).toMatchObject({
      done: true,
      starts: readWallTime("2026-11-30T16:00"),
      ends: readWallTime("2026-11-30T16:25"),
    });
    expect(own.find(({ id }) => id === second!.id)).toMatchObject({ starts: at, pinned: true });
    for (const { starts, done } of again.jobs.flatMap(({ bookings }) => bookings))
      if (!done) expect(starts).toBeGreaterThanOrEqual(readWallTime("2026-12-03T00:00")!);
  });
});

describe("an idea among the kept jobs", () => {
  it("fits in without moving anything, and takes nobody's time twice", () => {
    const others = made.jobs.filter(({ planId }) => planId !== "dough-bin");
    const bin = promised.find(({ id }) => id === "dough-bin")!;
    const idea = fittedIn(workOf(bin, shop), aroundOf(shop, others));
    expect(faultsOfPlanOfWork(judged(promised), shop, [...others, idea])).toEqual([]);
  });

  it("by itself leaves no later than among others", () => {
    for (const plan of promised) {
      const alone = fittedIn(workOf(plan, shop), { painters: shop.painters });
      expect(alone.dates!.leaves, plan.id).toBeLessThanOrEqual(jobIn(made, plan.id).dates!.leaves);
    }
  });

  it("that nobody can do is dated all the same, and says so", () => {
    const mirror = promised.find(({ id }) => id === "overmantel-mirror")!;
    const nobody = {
      ...shop,
      painters: shop.painters.map((painter) => ({ ...painter, cannot: ["gilding" as const] })),
    };
    const { clashes, dates } = fittedIn(workOf(mirror, nobody), { painters: nobody.painters });
    expect(dates).not.toBeNull();
    expect(clashes[0]!.says).toMatch(/^Nobody in the shop can do ".*leaf.*"\./i);
  });
});

describe("whose hours a job keeps", () => {
  const saturday = {
    ...settle.pinned.hours,
    weekdays: [[], [], [], [], [], [[540, 1080]], []] as [number, number][][],
  };
  const own: Plan = { ...settle, hoursFrom: "job", pinned: { ...settle.pinned, hours: saturday } };

  it("its own, where it has any; the painters' days off count there too", () => {
    const days = (plan: Plan, ofShop: Shop) =>
      new Set(
        jobIn(planOfWorkNow([plan], ofShop, 4), plan.id)
          .bookings.filter(({ ends, starts }) => ends > starts)
          .map(({ starts }) => sayWallTime(starts).slice(0, 10)),
      );
    for (const day of days(own, shop)) expect(new Date(day).getUTCDay()).toBe(6);
    const off = [{ on: "2026-12-05", stretches: [] }];
    const away = { ...shop, painters: shop.painters.map((painter) => ({ ...painter, exceptions: off })) };
    expect(days(own, shop)).toContain("2026-12-05");
    expect(days(own, away)).not.toContain("2026-12-05");
    for (const day of days(settle, shop)) expect([1, 2, 3, 4, 5]).toContain(new Date(day).getUTCDay());
  });

  it("the shop's, written into it where it leaves as a file of its own", () => {
    expect(standingAlone(settle, shop).pinned.hours.painters).toBe(2);
    expect(standingAlone(own, shop)).toBe(own);
  });
});

describe("the mark of a job", () => {
  it("is the same after an edit was undone, and for another name; another coat changes it", () => {
    const renamed = { ...settle, title: "Other settle" };
    expect(markOf(renamed)).toBe(markOf(settle));
    const crust = settle.crusts[0]!;
    const command: Command = {
      do: "patch step",
      crustId: crust.id,
      stepId: crust.steps[1]!.id,
      patch: { coats: 3, what: undefined, wait: undefined },
    };
    const there = applyCommands(settle, [command]);
    if (!there.ok) throw new Error(there.because);
    expect(markOf(there.plan)).not.toBe(markOf(settle));
    const back = applyCommands(there.plan, there.inverse);
    if (!back.ok) throw new Error(back.because);
    expect(back.plan).not.toBe(settle);
    expect(markOf(back.plan)).toBe(markOf(settle));
  });

  it("is of what a job holds: a copy has the same, in whatever order its fields were written", () => {
    const turned = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(turned);
      if (typeof value !== "object" || value === null) return value;
      return Object.fromEntries(
        Object.entries(value)
          .reverse()
          .map(([key, of]) => [key, turned(of)]),
      );
    };
    for (const plan of promised) expect(markOf(turned(plan) as typeof plan)).toBe(markOf(plan));
    expect(new Set(promised.map(markOf)).size).toBe(promised.length);
  });

  it("sees a change wherever it is, deep in one part or in the order of two", () => {
    const [first, second, ...others] = settle.pieces[0]!.zones;
    const turned = { ...settle, pieces: [{ ...settle.pieces[0]!, zones: [second!, first!, ...others] }] };
    const drier = {
      ...settle,
      pinned: {
        ...settle.pinned,
        room: { ...settle.pinned.room, relativeHumidity: settle.pinned.room.relativeHumidity + 1 },
      },
    };
    const marks = [settle, turned, drier].map(markOf);
    expect(new Set(marks).size).toBe(3);
  });
});

describe("what a new plan changes, in words", () => {
  const about = {
    titleOf: (id: string) => promised.find((plan) => plan.id === id)?.title ?? id,
    editsOf: (id: string) => (id === settle.id ? ["Add a third coat to the seat"] : []),
    shop: [],
  };
  const shifted = (job: JobPlan, by: number): JobPlan => ({
    ...job,
    mark: `${job.mark}*`,
    dates: { ...job.dates!, leaves: job.dates!.leaves + by },
    bookings: job.bookings.map((booking, index) =>
      index === job.bookings.length - 1 ? { ...booking, starts: booking.starts + by } : booking,
    ),
  });
  const own = jobIn(made, settle.id);

  it("is the day, the day before it, and the edits that did it", () => {
    const after = [shifted(own, DAY)];
    expect(changesOf([own], after, about)).toEqual([
      {
        planId: settle.id,
        kind: "later",
        says: expect.stringMatching(
          /^Carved settle leaves \w+ \d+ \w+, was \w+ \d+ \w+: add a third coat to the seat\.$/,
        ),
      },
    ]);
  });

  it("is nothing where nothing moves", () => {
    expect(changesOf(made.jobs, made.jobs, about)).toEqual([]);
  });

  it("names who makes room for whom, what is new and what is gone, the worst first", () => {
    const bin = jobIn(made, "dough-bin");
    const later: JobPlan = { ...shifted(bin, DAY), mark: bin.mark };
    const mirror = jobIn(made, "overmantel-mirror");
    const box = jobIn(made, "iron-strongbox");
    const says = changesOf([own, bin, box], [shifted(own, -DAY), later, mirror], about).map((change) => change.says);
    expect(says[0]).toMatch(/^Dough bin leaves .*, was .*, to make room for Carved settle and /);
    expect(says[1]).toMatch(/^Overmantel mirror is now on the schedule and leaves /);
    expect(says[2]).toMatch(/^Carved settle leaves .*: add a third coat/);
    expect(says[3]).toBe("Iron strongbox is off the schedule.");
  });
});

describe("a calendar's count of changes", () => {
  it("goes up for what changes and stays for the rest", () => {
    const own = jobIn(made, settle.id);
    const first = countingChanges(undefined, own, 1000);
    expect(new Set(Object.values(first.changed!).map(({ sequence }) => sequence))).toEqual(new Set([0]));
    const [moved, ...others] = own.bookings;
    const next = countingChanges(
      first,
      { ...own, bookings: [{ ...moved!, starts: moved!.starts + 30 }, ...others.slice(1)] },
      2000,
    );
    expect(next.changed![moved!.id]).toEqual({ sequence: 1, at: 2000 });
    expect(next.changed![others[1]!.id]).toEqual({ sequence: 0, at: 1000 });
    expect(next.changed![LEAVES]).toEqual({ sequence: 0, at: 1000 });
    // what is gone and comes back goes on counting
    const back = countingChanges(next, own, 3000);
    expect(back.changed![others[0]!.id]).toEqual({ sequence: 1, at: 3000 });
  });
});
