import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { WAIT_KINDS, type Wait } from "#core/plan/wait";
import { type ExampleStep, examplePlan } from "#core/rules/example";
import { readWait, stepsBefore, WAIT_WORDS, waitText } from "./wait-form";

const STEPS: ExampleStep[] = [
  ["brush", "chalk-slate"],
  ["brush", "chalk-bone-white"],
  ["wax", "wax-clear"],
];
const crust = examplePlan({ shows: "waits", ground: "raw timber", species: "pine", steps: STEPS }).crusts[0]!;
const step = crust.steps[2]!;
const read = (fields: Record<string, string>) => readWait(fields, step, crust);
const fault = (fields: Record<string, string>) => {
  const done = read(fields);
  return "fault" in done ? done.fault : null;
};

const minutes = fc.integer({ min: 0, max: 129_600 });
const anyWait: fc.Arbitrary<Wait> = fc.oneof(
  fc.record({ kind: fc.constantFrom("at least" as const, "exactly" as const, "about" as const), minutes }),
  fc
    .tuple(minutes, minutes)
    .map(([a, b]): Wait => ({ kind: "between", minutes: Math.min(a, b), most: Math.max(a, b) })),
  fc.constant<Wait>({ kind: "next working day" }),
  fc.constantFrom<Wait>({ kind: "by sign" }, { kind: "by sign", sign: "no longer cool to the back of a hand" }),
);

describe("a wait in the form of a step", () => {
  it("is the same wait again when it is saved as it is shown", () => {
    fc.assert(
      fc.property(anyWait, (wait) => {
        expect(read({ waitKind: wait.kind, wait: waitText({ wait }) })).toEqual({ wait });
      }),
    );
  });

  it("has words for every kind that there is", () => {
    expect(Object.keys(WAIT_WORDS).sort()).toEqual([...WAIT_KINDS].sort());
  });

  it("is as long as needed where none is chosen, and left alone by a form without it", () => {
    expect(read({ waitKind: "" })).toEqual({ wait: null });
    const wait: Wait = { kind: "at least", minutes: 90 };
    expect(readWait({}, { ...step, wait }, crust)).toEqual({ wait });
  });

  it.each([
    ["45 min", 45],
    ["2 h", 120],
    ["1 h 30", 90],
    ["1 day", 1440],
  ])("reads %s", (text, minutes) => {
    expect(read({ waitKind: "at least", wait: text })).toEqual({ wait: { kind: "at least", minutes } });
  });

  it.each(["2 h to 3 h", "2 h and 3 h", "2 h–3 h"])("reads both ends of %s", (text) => {
    expect(read({ waitKind: "between", wait: text })).toEqual({ wait: { kind: "between", minutes: 120, most: 180 } });
  });

  it.each([
    ["no length", { waitKind: "at least", wait: "" }, /like 45 min, 2 h or 1 day/],
    ["words for a length", { waitKind: "exactly", wait: "a while" }, /like 45 min/],
    ["two ends where one is asked for", { waitKind: "about", wait: "2 h to 3 h" }, /like 45 min/],
    ["one end where two are", { waitKind: "between", wait: "2 h" }, /both ends/],
    ["three ends", { waitKind: "between", wait: "1 h to 2 h to 3 h" }, /both ends/],
    ["ends the wrong way round", { waitKind: "between", wait: "3 h to 2 h" }, /longest wait is shorter/],
    ["a quarter of a year", { waitKind: "at least", wait: "91 days" }, /90 days at most/],
  ])("refuses %s", (_, fields, says) => {
    expect(fault(fields)).toMatch(says);
  });

  it("counts from a step before it, and from no other", () => {
    const [first] = crust.steps;
    expect(stepsBefore(crust, step).map(({ id }) => id)).toEqual(crust.steps.slice(0, 2).map(({ id }) => id));
    expect(read({ waitKind: "at least", wait: "2 h", waitAfter: first!.id })).toEqual({
      wait: { kind: "at least", minutes: 120, after: first!.id },
    });
    expect(fault({ waitKind: "at least", wait: "2 h", waitAfter: step.id })).toMatch(/a step that comes before/);
    // and from the step before it again when that is taken back
    const counted = { ...step, wait: { kind: "at least" as const, minutes: 5, after: first!.id } };
    expect(readWait({ waitKind: "at least", wait: "5 min", waitAfter: "" }, counted, crust)).toEqual({
      wait: { kind: "at least", minutes: 5 },
    });
  });
});
