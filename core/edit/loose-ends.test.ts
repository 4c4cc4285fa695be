import { describe, expect, it } from "vitest";
import { planFaults } from "../plan/sense.ts";
import { examplePlan } from "../rules/example.ts";
import { applyCommands } from "./apply.ts";
import { type Command, Commands } from "./command.ts";

const plan = () => ({
  ...examplePlan({
    shows: "loose ends",
    ground: "raw timber",
    steps: [
      ["brush", "chalk-slate"],
      ["wet-distress", null, { reveals: "s1" }],
    ],
  }),
  pins: [{ zoneId: "z1", phaseId: "s1", starts: "2026-12-01T09:00" }],
});

describe("what is set for a step", () => {
  it("goes with it, and comes back with it", () => {
    const before = plan();
    before.pieces[0]!.zones[0]!.overrides = [{ stepId: "s1", skip: false }];
    const done = applyCommands(before, [{ do: "remove step", crustId: "c1", stepId: "s1" }]);
    if (!done.ok) throw new Error(done.because);
    expect(done.plan.pins).toEqual([]);
    expect(done.plan.pieces[0]!.zones[0]!.overrides).toEqual([]);
    expect(done.plan.crusts[0]!.steps[0]!.reveals).toBeUndefined();
    const back = applyCommands(done.plan, done.inverse);
    expect(back.ok && back.plan).toEqual(before);
  });
});

describe("what stays fitted to a zone", () => {
  it("is worked by itself when that zone goes, and along with it again when it is back", () => {
    const before = plan();
    const [first] = before.pieces[0]!.zones;
    before.pieces[0]!.zones.push({ ...first!, id: "knobs", name: "Knobs", along: "z1" });
    const done = applyCommands({ ...before, pins: [] }, [{ do: "remove zone", zoneId: "z1" }]);
    if (!done.ok) throw new Error(done.because);
    expect(done.plan.pieces[0]!.zones.map(({ along }) => along)).toEqual([undefined]);
    const back = applyCommands(done.plan, Commands.parse(JSON.parse(JSON.stringify(done.inverse))));
    expect(back.ok && back.plan.pieces).toEqual(before.pieces);
  });

  it("cannot be fitted to a zone that the piece does not have", () => {
    const done = applyCommands(plan(), [{ do: "patch zone", zoneId: "z1", patch: { along: "z9" } }]);
    expect(done.ok && done.plan.pieces[0]!.zones[0]!.along).toBe(undefined);
    const wrong = plan();
    wrong.pieces[0]!.zones[0]!.along = "z9";
    expect(planFaults(wrong).map(({ says }) => says)).toEqual([expect.stringMatching(/no other zone of that name/)]);
  });
});

describe("an edit after which the plan could not be meant", () => {
  it.each<[string, Command, RegExp]>([
    [
      "a start after a time that is set",
      { do: "set job", patch: { start: "2026-12-05T09:00", client: undefined, due: undefined } },
      /a time is set for Tue 1 Dec, 09:00, before the job begins on Sat 5 Dec, 09:00/,
    ],
    [
      "a due date before the start",
      { do: "set job", patch: { due: "2026-11-30T08:00", client: undefined } },
      /the due date is before the start/,
    ],
    [
      "a material that is in use",
      { do: "unpin material", materialId: "chalk-slate" },
      /"chalk-slate" is not in this plan/,
    ],
  ])("%s is refused with the sentence of a file", (_what, command, says) => {
    const done = applyCommands(plan(), [command]);
    expect(done.ok ? "" : done.because).toMatch(says);
  });
});
