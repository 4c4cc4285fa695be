import { describe, expect, it } from "vitest";
import { faultsOfPlanOfWork } from "../../tests/check-work.ts";
import { checkPlan, sayFault } from "../exchange/plan-file.ts";
import type { Plan } from "../plan/plan.ts";
import { DEFAULT_SHOP, type Shop } from "../plan/shop.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { DAY, HOUR } from "../units/units.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { judgementOf } from "./kept.ts";
import { planOfWorkNow } from "./plan-of-work.ts";

// Days that calendars are tripped up by.

const STEPS: ExampleStep[] = [
  ["brush", "chalk-slate", { coats: 2 }],
  ["wax", "wax-clear"],
];
const job = (id: string, start: string, more: Partial<Plan> = {}): Plan => ({
  ...examplePlan({ shows: id, ground: "raw timber", species: "pine", steps: STEPS }),
  id,
  title: id,
  start,
  hoursFrom: "shop",
  ...more,
});
const inShop = (plans: Plan[], shop: Shop = DEFAULT_SHOP) => {
  const { jobs } = planOfWorkNow(plans, shop, 6);
  const judged = plans.map((plan) => ({ plan, judgement: judgementOf(plan) }));
  expect(faultsOfPlanOfWork(judged, shop, jobs)).toEqual([]);
  return jobs;
};
const days = (plans: Plan[], shop?: Shop) => [
  ...new Set(
    inShop(plans, shop).flatMap(({ bookings }) => bookings.map(({ starts }) => sayWallTime(starts).slice(0, 10))),
  ),
];
const withHours = (hours: Partial<Shop["hours"]>): Shop => ({
  ...DEFAULT_SHOP,
  hours: { ...DEFAULT_SHOP.hours, ...hours },
});

describe("odd times", () => {
  it("29 February is a day to work on", () => {
    expect(days([job("leap", "2028-02-29T09:00")])).toEqual(["2028-02-29", "2028-03-01"]);
  });

  it("work goes on over the end of a year, but not on its days off", () => {
    const off = ["2026-12-31", "2027-01-01"].map((on) => ({ on, stretches: [] }));
    expect(days([job("eve", "2026-12-30T15:00")])).toEqual(["2026-12-30", "2026-12-31", "2027-01-01"].slice(0, 2));
    const away = days([job("eve", "2026-12-30T15:00")], withHours({ exceptions: off }));
    for (const day of away) expect(off.map(({ on }) => on)).not.toContain(day);
    expect(away.at(-1)!.slice(0, 4)).toBe("2027");
  });

  it.each([
    ["spring", "2027-03-26T15:00", "2027-03-28T01:00"],
    ["autumn", "2026-10-23T15:00", "2026-10-25T01:00"],
  ])("a wait over the change of clocks in %s counts the hours that really pass", (_, start, change) => {
    const long = job("clock", start);
    const { steps } = long.crusts[0]!;
    steps[1] = { ...steps[1]!, wait: { kind: "at least", minutes: 4 * DAY } };
    const wait = (timeZone?: string) => {
      const [one] = inShop([long], timeZone ? withHours({ timeZone }) : DEFAULT_SHOP);
      const [, before, after] = one!.bookings;
      expect(before!.ends).toBeLessThan(readWallTime(change)!);
      expect(after!.starts).toBeGreaterThan(readWallTime(change)!);
      return after!.starts - before!.ends;
    };
    // four days to the minute or more on the wall, an hour less or more of them where the clocks change
    expect(wait()).toBeGreaterThanOrEqual(4 * DAY);
    expect(wait("Europe/London")).toBeGreaterThanOrEqual(4 * DAY - HOUR);
  });

  it("a job long past, and one far off, are planned beside each other", () => {
    const jobs = inShop([job("past", "2021-05-03T09:00"), job("far", "2031-05-05T09:00")]);
    expect(jobs.map(({ bookings }) => sayWallTime(bookings[0]!.starts))).toEqual([
      "2031-05-05T09:00",
      "2021-05-03T09:00",
    ]);
  });

  it("a shop that is closed for a month begins after it", () => {
    const closed = Array.from({ length: 31 }, (_, index) => ({
      on: `2026-12-${String(index + 1).padStart(2, "0")}`,
      stretches: [],
    }));
    expect(days([job("late", "2026-12-01T09:00")], withHours({ exceptions: closed }))[0]).toBe("2027-01-01");
  });

  it("what is not done yet is planned from the day that is set on, and no set time is lost for it", () => {
    const [one] = inShop([job("begun", "2026-11-02T09:00")], { ...DEFAULT_SHOP, from: "2026-11-30T09:00" });
    expect(sayWallTime(one!.bookings[0]!.starts)).toBe("2026-11-30T09:00");
  });

  it("due before it begins, and done before it was begun, are refused with the reason", () => {
    const says = (plan: Plan) => {
      const checked = checkPlan(plan);
      return checked.ok ? "" : sayFault(checked.faults[0]!);
    };
    expect(says(job("late", "2026-12-01T09:00", { due: "2026-11-30T09:00" }))).toMatch(/due date is before the start/);
    const done = { zoneId: "z1", phaseId: "s1/1", starts: "2026-12-01T10:00", ends: "2026-12-01T09:00" };
    expect(says(job("back", "2026-12-01T09:00", { done: [done] }))).toMatch(/cannot have ended/);
    expect(says(job("long", "2026-12-01T09:00", { done: [{ ...done, ends: "2026-12-05T09:00" }] }))).toMatch(
      /a day at most/,
    );
    expect(
      says(job("none", "2026-12-01T09:00", { done: [{ ...done, phaseId: "s9", ends: "2026-12-01T10:30" }] })),
    ).toMatch(/marked as done, but the plan has no such coat/);
  });

  it("no working day at all is refused where it is set, and said where a file has it", () => {
    const none = [[], [], [], [], [], [], []] as [number, number][][];
    const checked = checkPlan({
      ...job("idle", "2026-12-01T09:00"),
      pinned: { ...job("idle", "2026-12-01T09:00").pinned, hours: { weekdays: none, exceptions: [], painters: 1 } },
    });
    expect(checked.ok ? "" : sayFault(checked.faults[0]!)).toMatch(/at least one day of the week some working hours/);
  });
});
