import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as anyPlan } from "../../tests/random-crusts.ts";
import { applyCommands } from "../edit/apply.ts";
import type { Effort } from "../plan/effort.ts";
import type { Plan } from "../plan/plan.ts";
import { planFaults } from "../plan/sense.ts";
import { type ExampleStack, type ExampleStep, examplePlan } from "../rules/example.ts";
import { schedule } from "../schedule/schedule.ts";
import { needsOf } from "../shelf/needs.ts";
import { covers } from "../surface/shares.ts";
import { workingFixes } from "./fixes.ts";
import { judge } from "./judge.ts";

// How much, how hard, how often: what is worked until it shows, what is repeated until it is right, what is laid unevenly.

const DAY = 1440;
const stood = { wait: { kind: "at least" as const, minutes: 2 * DAY } };
const planOf = (steps: ExampleStep[], more: Partial<ExampleStack> = {}) =>
  examplePlan({ shows: "repeats", ground: "raw timber", species: "pine", ...more, steps });
const phasesOf = (plan: Plan) => judge(plan).zones[0]!.phases.map(({ phase }) => phase);
const shown = (plan: Plan, layer: string) => {
  const [zone] = judge(plan).zones;
  return covers(zone!.after, zone!.zone.relief).get(layer) ?? 0;
};

describe("worked until what is meant to show does", () => {
  const rubbed = (effort: Partial<Effort>, coats = 2) =>
    planOf([
      ["brush", "tint-base-walnut", { coats: 2 }],
      ["brush", "chalk-bone-white", { coats }],
      ["sand-320", null, { reveals: "s1", ...stood, effort: { passes: 1, pressure: "usual", ...effort } }],
    ]);

  it("takes as many passes as that needs, and no more", () => {
    const plan = rubbed({ until: 0.05 });
    const { passes } = phasesOf(plan).at(-1)!;
    expect(passes).toBeGreaterThan(1);
    expect(shown(plan, "s1")).toBeGreaterThanOrEqual(0.05);
    expect(shown(rubbed({ passes: passes - 1 }), "s1")).toBeLessThan(0.05);
    expect(shown(rubbed({ passes }), "s1")).toBeCloseTo(shown(plan, "s1"), 6);
  });

  it("needs more for more, through more coats, and with a lighter hand; each pass takes its time", () => {
    const of = (plan: Plan) => phasesOf(plan).at(-1)!;
    const usual = of(rubbed({ until: 0.05 }));
    expect(of(rubbed({ until: 0.08 })).passes).toBeGreaterThanOrEqual(usual.passes);
    expect(of(rubbed({ until: 0.05 }, 3)).passes).toBeGreaterThan(usual.passes);
    expect(of(rubbed({ until: 0.05, pressure: "light" })).passes).toBeGreaterThan(usual.passes);
    expect(of(rubbed({ until: 0.05, pressure: "hard" })).passes).toBeLessThan(usual.passes);
    expect(of(rubbed({ until: 0.05, pressure: "light" })).hands).toBeGreaterThan(usual.hands);
  });

  it("that never comes to it says how far it comes, and what would reach it", () => {
    const plan = rubbed({ until: 0.6 });
    const finding = judge(plan).zones[0]!.findings.find(({ rule }) => rule === "B10")!;
    expect(finding).toMatchObject({ severity: "caution", stepId: "s3" });
    const [, says] = /brings out (\d+) % of it here, not 60 %/.exec(finding.because)!;
    expect(Number(says)).toBeGreaterThan(1);
    const fix = workingFixes(plan, finding).find(({ label }) => label === `Leave it at ${says} %`)!;
    const after = applyCommands(plan, fix.commands);
    if (!after.ok) throw new Error(after.because);
    expect(judge(after.plan).zones[0]!.findings.some(({ rule }) => rule === "B10")).toBe(false);
  });

  it("says nothing of what it reaches, and nothing where no layer is named", () => {
    const rules = (plan: Plan) => judge(plan).zones[0]!.findings.map(({ rule }) => rule);
    expect(rules(rubbed({ until: 0.05 }))).not.toContain("B10");
    const open = rubbed({ until: 0.05 });
    delete open.crusts[0]!.steps[2]!.reveals;
    expect(phasesOf(open).at(-1)!.passes).toBe(1);
  });
});

describe("repeated until it is right", () => {
  const looped = (rounds: number, more: ExampleStep[] = []) =>
    planOf([
      ["brush", "mineral-storm", { coats: 2 }],
      ["wax", "wax-clear"],
      ["buff"],
      ["look", null, rounds > 1 ? { again: { from: "s2", rounds } } : {}],
      ...more,
    ]);

  it("is done as often as is expected, in its order, with ids of its own", () => {
    expect(phasesOf(looped(3)).map(({ id }) => id)).toEqual([
      "s1/1",
      "s1/2",
      "s2",
      "s3",
      "s4",
      "s2~2",
      "s3~2",
      "s4~2",
      "s2~3",
      "s3~3",
      "s4~3",
    ]);
  });

  it("is bought, dated and seen as the same steps written out", () => {
    const written = planOf([
      ["brush", "mineral-storm", { coats: 2 }],
      ["wax", "wax-clear"],
      ["buff"],
      ["look"],
      ["wax", "wax-clear"],
      ["buff"],
      ["look"],
    ]);
    const plan = looped(2);
    const wax = (of: Plan) => needsOf([of]).find(({ material }) => material.id === "wax-clear")!;
    expect(wax(plan).onPiece).toBeCloseTo(wax(written).onPiece, 6);
    expect(wax(plan).uses).toMatchObject([{ coats: 2 }]);
    const finish = (of: Plan) => schedule([{ plan: of, judgement: judge(of) }]).finish;
    expect(finish(plan)).toBe(finish(written));
    expect(judge(plan).zones[0]!.fullUse).toBe(judge(written).zones[0]!.fullUse);
  });

  it("goes on with what comes after it, and judged again gives the same", () => {
    const plan = looped(2, [["wax", "wax-dark", { where: { on: "recess", over: 1 } }]]);
    const before = judge(plan);
    expect(before.zones[0]!.phases.at(-1)!.phase.id).toBe("s5");
    const more = applyCommands(plan, [
      { do: "patch step", crustId: "c1", stepId: "s5", patch: { where: { on: "arris", over: 1 }, what: "wax-dark" } },
    ] as never);
    if (!more.ok) throw new Error(more.because);
    const again = judge(more.plan, { previous: before });
    expect(again.zones[0]!.phases).toEqual(judge(more.plan).zones[0]!.phases);
    expect(again.zones[0]!.findings.map(({ id }) => id)).toEqual(
      judge(more.plan).zones[0]!.findings.map(({ id }) => id),
    );
  });

  it("keeps a time that is set for a round, and lets go of it with the round", () => {
    const plan = looped(2);
    plan.pins = [{ zoneId: "z1", phaseId: "s2~2", starts: "2026-12-09T10:00" }];
    expect(planFaults(plan)).toEqual([]);
    const once = applyCommands(plan, [
      { do: "patch step", crustId: "c1", stepId: "s4", patch: { again: null, what: undefined, wait: undefined } },
    ] as never);
    expect(once.ok && once.plan.pins).toEqual([]);
    const gone = applyCommands(plan, [{ do: "remove step", crustId: "c1", stepId: "s2" }]);
    expect(gone.ok && gone.plan.crusts[0]!.steps.at(-1)!.again).toBe(undefined);
  });

  it.each<[string, (steps: Plan["crusts"][number]["steps"]) => void, RegExp]>([
    [
      "anywhere but where it is looked at",
      (steps) => {
        steps[1]!.again = { from: "s1", rounds: 2 };
        delete steps[3]!.again;
      },
      /only where it is looked at/,
    ],
    [
      "from a step above",
      (steps) => {
        steps[3]!.again = { from: "s4", rounds: 2 };
      },
      /no such step comes before it/,
    ],
    [
      "across another loop",
      (steps) => {
        steps.push({ ...steps[3]!, id: "s5", again: { from: "s3", rounds: 2 } });
      },
      /two loops lie across each other/,
    ],
  ])("cannot be decided %s", (_name, change, says) => {
    const plan = looped(2);
    change(plan.crusts[0]!.steps);
    expect(planFaults(plan).map((fault) => fault.says)).toEqual([expect.stringMatching(says)]);
  });

  it("on any plan leaves one of everything in the order it is written, and none of the rounds out", () => {
    fc.assert(
      fc.property(anyPlan, fc.nat(), fc.integer({ min: 2, max: 3 }), (made, pick, rounds) => {
        const plan = structuredClone(made);
        const [crust] = plan.crusts;
        const from = crust!.steps[pick % crust!.steps.length]!;
        crust!.steps.push({
          ...{ id: "again", kind: "inspect", how: "look", coats: 1, intents: [] },
          where: { on: "everywhere", over: 1 },
          again: { from: from.id, rounds },
        });
        expect(planFaults(plan)).toEqual([]);
        const zones = judge(plan).zones.filter((zone) => zone.crust.id === crust!.id);
        for (const { phases, zone, after } of zones) {
          expect(new Set(phases.map(({ phase }) => phase.id)).size).toBe(phases.length);
          expect(phases.filter(({ phase }) => phase.step.id === "again")).toHaveLength(rounds);
          const whole = [...covers(after, zone.relief).values()].reduce((sum, share) => sum + share, 0);
          expect(whole).toBeCloseTo(1, 6);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe("laid unevenly", () => {
  const painted = (uneven: boolean) =>
    planOf([
      ["brush", "mineral-oyster", { coats: 2 }],
      ["brush", "chalk-slate", { coats: 2, ...(uneven ? { uneven } : {}) }],
      ["sand-220", null, stood],
    ]);

  it("is as much of it as evenly, and paper is through where it is thin", () => {
    const tin = (uneven: boolean) => needsOf([painted(uneven)]).find(({ material }) => material.id === "chalk-slate")!;
    expect(tin(true).onPiece).toBe(tin(false).onPiece);
    const evenly = judge(painted(false)).zones[0]!;
    const unevenly = judge(painted(true)).zones[0]!;
    const thick = ({ after }: typeof evenly) => after.patches.field.map(({ stack }) => stack?.film.micrometres ?? 0);
    expect(new Set(thick(unevenly)).size).toBeGreaterThan(new Set(thick(evenly)).size);
    expect(shown(painted(false), "s1")).toBe(0);
    expect(shown(painted(true), "s1")).toBeGreaterThan(0.005);
  });
});
