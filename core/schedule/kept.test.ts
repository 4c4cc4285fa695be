import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import { examplePlan } from "../rules/example.ts";
import { isHeavy, judgementOf, phasesIn } from "./kept.ts";

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
  it("is what would be worked out again, and the same object for the same plan", () => {
    const one = plan("one");
    expect(judgementOf(one).counts).toEqual(judge(one).counts);
    expect(judgementOf(one)).toBe(judgementOf(one));
    expect(judgementOf({ ...one, start: "2026-12-07T09:00" })).not.toBe(judgementOf(one));
  });

  it("says how much work there is, and when that is too much for a page to wait for", () => {
    const judged = judgementOf(plan("one"));
    expect(phasesIn([judged])).toBe(3);
    expect(isHeavy([judged])).toBe(false);
    expect(isHeavy(Array.from({ length: 400 }, () => judged))).toBe(true);
  });
});
