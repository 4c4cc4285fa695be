import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan } from "../../tests/random-crusts.ts";
import { applyCommands } from "../edit/apply.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Plan, Step } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { SEVERITY_ORDER } from "../rules/rule.ts";
import { judge } from "./judge.ts";
import { next, type Option } from "./next.ts";

const on = (steps: ExampleStep[], more: Partial<Parameters<typeof examplePlan>[0]> = {}) => {
  const of = examplePlan({ shows: "next", ground: "raw timber", species: "pine", steps, ...more });
  return { of, options: next(of, judge(of).zones[0]!) };
};
const option = (options: readonly Option[], material: string | null, technique: string) =>
  options.find((option) => (option.material?.id ?? null) === material && option.technique.id === technique)!;

describe("what can go on now", () => {
  it("keeps water off wax and lets dark wax onto it", () => {
    const { options } = on([
      ["brush", "mineral-oyster", { coats: 2 }],
      ["wax", "wax-clear"],
    ]);
    expect(option(options, "chalk-slate", "brush").can).toBe("never");
    expect(option(options, "clear-coat-satin", "brush")).toMatchObject({ can: "never", rule: "A4" });
    expect(option(options, "wax-dark", "wax").can).toBe("now");
    expect(option(options, null, "buff").can).toBe("from");
  });

  it("asks for a barrier between oak and white, and names one", () => {
    const { options } = on([], { species: "oak" });
    expect(option(options, "chalk-bone-white", "brush")).toMatchObject({ can: "over", rule: "D4" });
    expect(option(options, "chalk-bone-white", "brush").over?.tannin).toBe("blocks");
    expect(option(options, "mineral-storm", "brush").can).toBe("now");
  });

  it("says from when: paint is recoated when dry, waxed the next day", () => {
    const { of, options } = on([["brush", "chalk-slate"]]);
    const ends = judge(of).zones[0]!.done;
    expect(option(options, "chalk-duck-egg", "brush")).toMatchObject({ can: "from", from: ends + 120 });
    expect(option(options, "wax-clear", "wax")).toMatchObject({ can: "from", from: ends + 24 * 60 });
  });

  it("offers only what the shelf has, if asked to", () => {
    const { of } = on([["brush", "chalk-slate"]]);
    const shelf = CATALOGUE.filter((material) => material.id === "wax-clear");
    const options = next(of, judge(of).zones[0]!, { materials: shelf });
    expect(options.filter((option) => option.material).map((option) => option.material!.id)).toEqual(["wax-clear"]);
  });

  it("can be asked of the surface part way", () => {
    const { of } = on([
      ["brush", "mineral-storm"],
      ["wax", "wax-clear"],
    ]);
    const judged = judge(of).zones[0]!;
    expect(option(next(of, judged), "mineral-oyster", "brush").can).toBe("never");
    expect(option(next(of, judged, { done: 1 }), "mineral-oyster", "brush").can).toBe("from");
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    "agrees with adding that step and judging its seam, on any crust: seed %i",
    (seed) => {
      let asked = 0;
      fc.assert(
        fc.property(plan, fc.nat(500), (any, pick) => {
          const judged = judge(any).zones[0]!;
          const options = next(any, judged);
          const option = options[pick % options.length]!;
          const added = withStep(any, judged.crust.id, option);
          const after = judge(added).zones.find((zone) => zone.zone.id === judged.zone.id)!;
          const seam = after.findings.filter((finding) => finding.stepId === "next" && !finding.surface);
          const worst = [...seam].sort((a, b) => SEVERITY_ORDER[a.severity] - SEVERITY_ORDER[b.severity])[0];
          if (option.can === "never" || option.can === "over") expect(worst?.severity).toBe("stop");
          else {
            expect(worst?.severity ?? null).toBe(option.severity);
            expect(after.phases.find((placed) => placed.phase.step.id === "next")?.starts).toBe(option.from);
          }
          asked++;
        }),
        { numRuns: 60, seed },
      );
      expect(asked).toBeGreaterThanOrEqual(60);
    },
  );

  it("means the barrier it names: with it between there is no stop", () => {
    fc.assert(
      fc.property(plan, fc.nat(500), (any, pick) => {
        const judged = judge(any).zones[0]!;
        const over = next(any, judged).filter((option) => option.can === "over");
        if (over.length === 0) return;
        const one = over[pick % over.length]!;
        const barrier: Option = { ...one, material: one.over, technique: BRUSH };
        const both = withStep(withStep(any, judged.crust.id, barrier, "barrier"), judged.crust.id, one);
        const after = judge(both).zones.find((zone) => zone.zone.id === judged.zone.id)!;
        for (const stepId of ["barrier", "next"])
          expect(
            after.findings.filter(
              (finding) => finding.stepId === stepId && !finding.surface && finding.severity === "stop",
            ),
          ).toEqual([]);
      }),
      { numRuns: 100 },
    );
  });
});

const BRUSH = option(on([]).options, "mineral-storm", "brush").technique;

function withStep(to: Plan, crustId: string, { material, technique }: Option, id = "next"): Plan {
  const step: Step = {
    id,
    kind: technique.kind,
    how: technique.id,
    ...(material ? { what: material.id } : {}),
    where: { on: "everywhere", over: 1 },
    coats: 1,
    intents: [],
  };
  const at = to.crusts.find((crust) => crust.id === crustId)!.steps.length;
  const done = applyCommands(to, [
    ...(material ? [{ do: "pin material" as const, material }] : []),
    { do: "insert step", crustId, at, step },
  ]);
  if (!done.ok) throw new Error(done.because);
  return done.plan;
}
