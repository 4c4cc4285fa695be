import { describe, expect, it } from "vitest";
import type { Plan, Step, Zone } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { applyCommands } from "./apply.ts";
import type { Command } from "./command.ts";

// The panel is primed, has its first coat of slate, and the second is still to come. Its twin has the same crust, untouched.

const STEPS = { prime: "s1", slate: "s2", white: "s3", wax: "s4" } as const;

const begun = (): Plan => {
  const plan = examplePlan({
    shows: "x",
    ground: "raw timber",
    steps: [
      ["brush", "stain-block-shellac"],
      ["brush", "chalk-slate", { coats: 2 }],
      ["brush", "chalk-bone-white"],
      ["wax", "wax-clear"],
    ],
  });
  const [piece] = plan.pieces;
  const [zone] = piece!.zones;
  const twin: Zone = { ...zone!, id: "z2", name: "Twin" };
  const done = (phaseId: string, hour: number) => ({
    zoneId: "z1",
    phaseId,
    starts: `2026-11-30T0${hour}:00`,
    ends: `2026-11-30T0${hour}:30`,
  });
  return {
    ...plan,
    state: "under way",
    pieces: [{ ...piece!, zones: [zone!, twin] }],
    done: [done("s1", 8), done("s2/1", 9)] as NonNullable<Plan["done"]>,
  };
};

const patch = (stepId: string, of: Partial<Step>): Command =>
  ({ do: "patch step", crustId: "c1", stepId, patch: of }) as Command;

const refusal = (commands: Command[], plan = begun()): string | null => {
  const done = applyCommands(plan, commands);
  return done.ok ? null : done.because;
};

describe("work that has been done", () => {
  it.each<[string, Command]>([
    ["is not taken out", { do: "remove step", crustId: "c1", stepId: STEPS.prime }],
    ["does not become another material", patch(STEPS.prime, { what: "chalk-slate" })],
    ["does not become another hand", patch(STEPS.slate, { how: "roller" })],
    ["does not go somewhere else", patch(STEPS.slate, { where: { on: "recess", over: 1 } })],
    [
      "is not moved above what came after it",
      { do: "move step", crustId: "c1", stepId: STEPS.prime, to: 2 } as Command,
    ],
  ])("%s", (_what, command) => {
    expect(refusal([command])).not.toBeNull();
    // where nothing had been done, nothing is in its way
    const { done: _, ...fresh } = begun();
    expect(refusal([command], { ...fresh, state: "promised" })).toBeNull();
  });

  it("is never fewer coats than are on", () => {
    const plan = begun();
    const second = { ...plan.done![1]!, phaseId: "s2/2", starts: "2026-11-30T13:00", ends: "2026-11-30T13:30" };
    const both: Plan = { ...plan, done: [...plan.done!, second] };
    expect(refusal([patch(STEPS.slate, { coats: 1 })], both)).toMatch(/2 coats of ".+" are on already/);
    expect(refusal([patch(STEPS.slate, { coats: 2 })], both)).toBeNull();
  });

  it("names the zone, the step and the two ways out", () => {
    const because = refusal([{ do: "remove step", crustId: "c1", stepId: STEPS.prime }]);
    expect(because).toMatch(/^On Panel, ".+" has been done, so it stays\./);
    expect(because).toMatch(/ledger/);
    expect(because).toMatch(/crust of its own/);
  });

  it.each<[string, Command]>([
    ["takes a note", patch(STEPS.slate, { note: "thin" })],
    ["is meant otherwise", patch(STEPS.slate, { intents: ["chips"] })],
    ["is waited for longer", patch(STEPS.prime, { wait: { kind: "at least", minutes: 600 } })],
    ["gets another coat", patch(STEPS.slate, { coats: 3 })],
    ["gets no second coat after all", patch(STEPS.slate, { coats: 1 })],
  ])("%s: that can still be said", (_what, command) => {
    expect(refusal([command])).toBeNull();
  });

  it("is the same coat when another is added to it, and when there is to be only one: it stays done, and undoing undoes that", () => {
    const plan = begun();
    const [primed, painted] = plan.done!;
    const more = applyCommands(plan, [patch(STEPS.prime, { coats: 2 })]);
    if (!more.ok) throw new Error(more.because);
    expect(more.plan.done).toContainEqual({ ...primed!, phaseId: "s1/1" });
    const back = applyCommands(more.plan, more.inverse);
    expect(back.ok && back.plan.done).toEqual(plan.done);
    const fewer = applyCommands(plan, [patch(STEPS.slate, { coats: 1 })]);
    if (!fewer.ok) throw new Error(fewer.because);
    expect(fewer.plan.done).toContainEqual({ ...painted!, phaseId: "s2" });
  });

  it("keeps a time that was set for a first coat, whatever comes after it", () => {
    const { done: _, ...fresh } = begun();
    const plan: Plan = {
      ...fresh,
      state: "promised",
      pins: [{ zoneId: "z1", phaseId: "s1", starts: "2026-12-01T10:00" }],
    };
    const more = applyCommands(plan, [patch(STEPS.prime, { coats: 3 })]);
    expect(more.ok && more.plan.pins).toEqual([{ zoneId: "z1", phaseId: "s1/1", starts: "2026-12-01T10:00" }]);
  });

  it.each<[string, Command]>([
    ["changed", patch(STEPS.white, { what: "chalk-slate" })],
    ["left out", { do: "remove step", crustId: "c1", stepId: STEPS.wax }],
    ["put in another order", { do: "move step", crustId: "c1", stepId: STEPS.wax, to: 2 } as Command],
  ])("what lies ahead of it is %s freely", (_what, command) => {
    expect(refusal([command])).toBeNull();
  });

  const scuff = { ...begun().crusts[0]!.steps[0]!, id: "new", kind: "prepare", how: "scuff", what: undefined } as Step;
  const adding = (at: number): Command => ({ do: "insert step", crustId: "c1", at, step: scuff }) as Command;

  it("nothing is slipped under it, and anything may come on top", () => {
    expect(refusal([adding(0)])).toMatch(/would go under work that has been done/);
    expect(refusal([adding(1)])).toMatch(/would go under work that has been done/);
    expect(refusal([adding(2)])).toBeNull();
    expect(refusal([adding(4)])).toBeNull();
  });

  it("a zone leaves out no step that is done on it, and one that is still to come if it likes", () => {
    const skip = (zoneId: string, stepId: string): Command =>
      ({ do: "patch zone", zoneId, patch: { overrides: [{ stepId, skip: true }] } }) as Command;
    expect(refusal([skip("z1", STEPS.slate)])).toMatch(/has been done, so it cannot be left out/);
    expect(refusal([skip("z1", STEPS.white)])).toBeNull();
    expect(refusal([skip("z2", STEPS.slate)])).toBeNull();
  });

  it("is undone only by the ledger: the edit that takes back what was marked may change it in the same breath", () => {
    const plan = begun();
    const unmark: Command[] = plan.done!.map(
      ({ zoneId, phaseId }) => ({ do: "set done", zoneId, phaseId, when: null }) as Command,
    );
    expect(refusal([...unmark, { do: "remove step", crustId: "c1", stepId: STEPS.prime }])).toBeNull();
  });
});
