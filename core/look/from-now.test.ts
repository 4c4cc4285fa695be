import { describe, expect, it } from "vitest";
import { labOf } from "../colour/difference.ts";
import { applyCommands } from "../edit/apply.ts";
import { judge } from "../judge/judge.ts";
import { coloursSeen } from "../judge/look.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { DoneWork, Plan } from "../plan/plan.ts";
import { CARVED_RELIEF } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { standsNow, waysFromNow } from "./from-now.ts";

/** A plan of which the first steps have been done, each an hour after the one before, and the time after that. */
function halfDone(steps: ExampleStep[], done: number, more: ExampleStep[] = []): { plan: Plan; now: number } {
  const plan = examplePlan({
    shows: "half done",
    ground: "raw timber",
    species: "pine",
    zone: { relief: CARVED_RELIEF },
    steps: [...steps, ...more],
  });
  const start = readWallTime(plan.start)!;
  const judged = judge(plan).zones[0]!;
  const phases = judged.phases.filter(({ phase }) => Number(phase.step.id.slice(1)) <= done);
  const list = phases.map(
    ({ phase, starts, ends }): DoneWork => ({
      zoneId: "z1",
      phaseId: phase.id,
      starts: sayWallTime(start + starts),
      ends: sayWallTime(start + Math.max(ends, starts + 1)),
    }),
  );
  return { plan: { ...plan, done: list }, now: start + Math.max(...phases.map(({ ends }) => ends)) + 60 };
}

const GREEN = halfDone(
  [
    ["brush", "tint-base-walnut", { coats: 2 }],
    ["brush", "chalk-sea-green", { coats: 2 }],
  ],
  2,
  [["wax", "wax-clear"], ["buff"]],
);

describe("from where it stands", () => {
  it("what is seen is what has been done, not what is planned", () => {
    const seen = standsNow(GREEN.plan, "z1", GREEN.now)!;
    expect(seen.field).not.toBe(coloursSeen(judge(GREEN.plan).zones[0]!.after).field);
    expect(standsNow(GREEN.plan, "nowhere", GREEN.now)).toBeNull();
  });

  it("every way goes on after what was done, and none has a stop", () => {
    const ways = waysFromNow(GREEN.plan, { zoneId: "z1", now: GREEN.now, catalogue: CATALOGUE });
    expect(ways.map(({ id }) => id)).toEqual(expect.arrayContaining(["tone-umber", "opposite", "dry-lighter", "over"]));
    for (const way of ways) {
      const done = applyCommands(GREEN.plan, way.commands);
      expect(done.ok, way.id).toBe(true);
      if (!done.ok) continue;
      const judged = judge(done.plan, { now: GREEN.now }).zones[0]!;
      expect(
        judged.findings.filter(({ severity }) => severity === "stop"),
        way.id,
      ).toEqual([]);
      expect(
        judged.crust.steps.slice(0, 2).map(({ id }) => id),
        way.id,
      ).toEqual(["s1", "s2"]);
      expect(done.plan.done).toEqual(GREEN.plan.done);
    }
  });

  it("too green for a brown: umber comes nearer than white; a wash of the opposite tone takes the green away", () => {
    const off = (field: string) => {
      const ways = waysFromNow(GREEN.plan, { zoneId: "z1", now: GREEN.now, wishes: { field }, catalogue: CATALOGUE });
      for (let at = 1; at < ways.length; at++) expect(ways[at]!.apart).toBeGreaterThanOrEqual(ways[at - 1]!.apart);
      return (id: string) => ways.find((way) => way.id === id)!.apart;
    };
    const brown = off("#4f5540");
    expect(brown("tone-umber")).toBeLessThan(brown("veil"));
    const now = standsNow(GREEN.plan, "z1", GREEN.now)!.field;
    const washed = waysFromNow(GREEN.plan, { zoneId: "z1", now: GREEN.now, catalogue: CATALOGUE }).find(
      ({ id }) => id === "opposite",
    )!;
    expect(labOf(washed.colours.field).a).toBeGreaterThan(labOf(now).a + 3);
  });

  it("each says what it costs in days and in work", () => {
    const ways = waysFromNow(GREEN.plan, { zoneId: "z1", now: GREEN.now, catalogue: CATALOGUE });
    const over = ways.find(({ id }) => id === "over")!;
    const lighter = ways.find(({ id }) => id === "dry-lighter")!;
    expect(over.handsOn).toBeGreaterThan(lighter.handsOn);
    expect(over.days).toBeGreaterThan(0);
    expect(over.says).toMatch(/barrier/);
  });

  it("waxed: nothing water-borne goes on before the wax is off", () => {
    const waxed = halfDone([["brush", "chalk-sea-green", { coats: 2 }], ["wax", "wax-clear"], ["buff"]], 3);
    const ways = waysFromNow(waxed.plan, { zoneId: "z1", now: waxed.now, catalogue: CATALOGUE });
    for (const way of ways) {
      const done = applyCommands(waxed.plan, way.commands);
      const added = done.ok ? done.plan.crusts.at(-1)!.steps.slice(3) : [];
      const [first] = added;
      if (first?.what?.startsWith("glaze") || first?.what?.startsWith("chalk"))
        expect(
          added.map(({ how }) => how),
          way.id,
        ).toContain("dewax");
    }
    expect(ways.map(({ id }) => id)).toContain("mend-wax");
  });

  it("a zone that is not there has no way on", () => {
    expect(waysFromNow(GREEN.plan, { zoneId: "nowhere", now: GREEN.now })).toEqual([]);
  });
});
