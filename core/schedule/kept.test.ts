import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import { examplePlan } from "../rules/example.ts";
import { judgementOf, scheduleOf, scheduleOfAll } from "./kept.ts";
import { schedule } from "./schedule.ts";

const plan = (id: string) => ({
  ...examplePlan({
    shows: id,
    ground: "raw timber",
    species: "oak",
    steps: [
      ["brush", "chalk-slate", { coats: 2 }],
      ["wax", "wax-clear"],
    ],
  }),
  id,
});

describe("what is kept with a plan", () => {
  it("is what would be worked out again", () => {
    const one = plan("one");
    expect(judgementOf(one).counts).toEqual(judge(one).counts);
    expect(scheduleOf(one)).toEqual(schedule([{ plan: one, judgement: judge(one) }]));
  });

  it("is the same object for the same plan, and another for a changed one", () => {
    const one = plan("one");
    expect(judgementOf(one)).toBe(judgementOf(one));
    expect(scheduleOf(one)).toBe(scheduleOf(one));
    const later = { ...one, start: "2026-12-07T09:00" };
    expect(scheduleOf(later).start).toBeGreaterThan(scheduleOf(one).start);
    // the judgement of one plan with the set times of another is a schedule of neither
    const pinned = { ...one, pins: [{ zoneId: "z1", phaseId: "s1/1", starts: "2026-12-01T10:00" }] };
    expect(scheduleOf(pinned, judgementOf(one)).bookings[0]!.pinned).toBe(true);
    expect(scheduleOf(one).bookings[0]!.pinned).toBe(false);
  });

  it("of a whole shop follows every one of its jobs", () => {
    const works = [plan("one"), plan("two")];
    const made = scheduleOfAll(works);
    expect(scheduleOfAll([...works])).toBe(made);
    expect(new Set(made.bookings.map(({ planId }) => planId)).size).toBe(2);
    const moved = scheduleOfAll([works[0]!, { ...works[1]!, start: "2027-01-04T09:00" }]);
    expect(moved.finish!).toBeGreaterThan(made.finish!);
    expect(scheduleOfAll([works[0]!])).toBe(scheduleOf(works[0]!));
  });
});
