import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan } from "../../tests/random-crusts.ts";
import { applyCommands } from "../edit/apply.ts";
import { Plan, RELIEF_CLASSES, zonesOf } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import type { Finding } from "../rules/rule.ts";
import { RULES } from "../rules/rules.ts";
import { inOneGo } from "../surface/one-go.ts";
import { shows } from "../surface/shares.ts";
import { PATCH_LIMIT } from "../surface/stack.ts";
import { namedFixes, workingFixes } from "./fixes.ts";
import { judge, surfaceAfter } from "./judge.ts";

const allFindings = (of: Plan) => judge(of).zones.flatMap((zone) => zone.findings);
const said = (findings: readonly Finding[]) => JSON.stringify(findings, null, 1);
const stops = (findings: readonly Finding[]) => findings.filter((finding) => finding.severity === "stop").length;

describe("the judge, on any crust", () => {
  it("never throws, and every finding has a reason and a step that is there", () => {
    fc.assert(
      fc.property(plan, (any) => {
        for (const finding of allFindings(any)) {
          expect(finding.because).not.toMatch(/undefined|NaN|Infinity/);
          expect(finding.title).not.toMatch(/undefined|NaN|Infinity/);
          const crust = any.crusts.find((crust) => crust.id === finding.crustId)!;
          expect(crust.steps.some((step) => step.id === finding.stepId)).toBe(true);
        }
      }),
      { numRuns: 300 },
    );
  });

  it("says the same of equal plans", () => {
    fc.assert(
      fc.property(plan, (any) => {
        expect(said(allFindings(any))).toBe(said(allFindings(structuredClone(any))));
      }),
      { numRuns: 60 },
    );
  });

  it("judges a zone the same whatever other zones there are", () => {
    fc.assert(
      fc.property(plan, (any) => {
        const alone: Plan = { ...any, pieces: [{ ...any.pieces[0]!, zones: any.pieces[0]!.zones.slice(0, 1) }] };
        const id = zonesOf(any)[0]!.id;
        expect(said(allFindings(alone))).toBe(said(allFindings(any).filter((finding) => finding.zoneId === id)));
      }),
      { numRuns: 60 },
    );
  });

  it("keeps patches few and whole: in every relief class they add up to one", () => {
    fc.assert(
      fc.property(plan, (any) => {
        for (const judged of judge(any).zones) {
          const { phases, zone } = judged;
          for (const index of phases.keys()) {
            const after = surfaceAfter(judged, index);
            for (const relief of RELIEF_CLASSES) {
              expect(after.patches[relief].length).toBeLessThanOrEqual(PATCH_LIMIT.all);
              expect(after.patches[relief].reduce((sum, patch) => sum + patch.share, 0)).toBeCloseTo(1, 9);
            }
            expect([...shows(after, zone.relief).values()].reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 4);
          }
          expect(surfaceAfter(judged, phases.length - 1)).toEqual(judged.after);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("runs no step before the one under it is done, and no wait is negative", () => {
    fc.assert(
      fc.property(plan, (any) => {
        for (const { phases } of judge(any).zones)
          for (const [index, placed] of phases.entries()) {
            const before = phases[index - 1];
            const together = before && inOneGo(placed.phase, before.phase.id);
            expect(placed.starts).toBeGreaterThanOrEqual((together ? before.sectionEnds : before?.ends) ?? 0);
          }
      }),
      { numRuns: 100 },
    );
  });
});

describe("fixes, on any crust", () => {
  it("every fix offered removes its finding, adds no stop, and leaves a plan that can be read", () => {
    const mended = new Set<string>();
    fc.assert(
      fc.property(plan, (any) => {
        const before = allFindings(any);
        for (const finding of before) {
          for (const fix of workingFixes(any, finding)) {
            const done = applyCommands(any, fix.commands);
            if (!done.ok) throw new Error(`${finding.rule}: "${fix.label}" cannot be applied: ${done.because}`);
            expect(Plan.safeParse(done.plan).success).toBe(true);
            const after = allFindings(done.plan);
            expect(
              after.some(
                (other) =>
                  other.id === finding.id && other.title === finding.title && other.because === finding.because,
              ),
            ).toBe(false);
            expect(stops(after)).toBeLessThanOrEqual(stops(before));
            // what the painter intended stays: intents are removed only where the repair says so, and targets stay
            // visible
            for (const crust of any.crusts)
              for (const step of crust.steps) {
                const now = done.plan.crusts
                  .find((one) => one.id === crust.id)!
                  .steps.find((one) => one.id === step.id);
                if (now && now.id !== finding.stepId) expect(now.intents).toEqual(expect.arrayContaining(step.intents));
                const target = done.plan.crusts.flatMap(({ steps }) => steps).some(({ id }) => id === step.reveals);
                if (now && now.how === step.how && (target || step.reveals === "ground"))
                  expect(now.reveals).toBe(step.reveals);
              }
            mended.add(finding.rule);
          }
        }
      }),
      { numRuns: 80 },
    );
    expect(mended.size).toBeGreaterThan(RULES.length / 2);
  });

  it.each(
    RULES.flatMap((rule) => rule.examples.faulty.map((example) => [rule.meta.id, example.shows, example] as const)),
  )("%s, %s: of the repairs named there is one that holds", (id, _shows, example) => {
    const any = examplePlan(example);
    for (const finding of allFindings(any).filter((finding) => finding.rule === id && finding.severity !== "note")) {
      const named = namedFixes(any, finding);
      if (named.length > 0)
        expect(workingFixes(any, finding).length, named.map((fix) => fix.label).join("; ")).toBeGreaterThan(0);
    }
  });
});

describe("what a painter would recognise", () => {
  it("lets a base that stood a day hold while the fresh coat above it wipes away", () => {
    const sameDay = examplePlan({
      shows: "same day",
      ground: "raw timber",
      species: "pine",
      steps: [
        ["brush", "chalk-slate"],
        ["brush", "chalk-bone-white"],
        ["wet-distress", null, { reveals: "s1" }],
      ],
    });
    expect(judge(sameDay).counts.stop).toBe(1 + 1); // goes through the slate, and is left unsealed
    const stood = examplePlan({
      shows: "stood a day",
      ground: "raw timber",
      species: "pine",
      steps: [
        ["brush", "chalk-slate"],
        ["brush", "chalk-bone-white", { wait: { kind: "at least", minutes: 1440 } }],
        ["wet-distress", null, { reveals: "s1" }],
        ["wax", "wax-clear"],
      ],
    });
    expect(judge(stood).counts.stop).toBe(0);
    const after = surfaceAfter(judge(stood).zones[0]!, 2);
    expect(shows(after, { arris: 1, field: 0, high: 0, recess: 0 }).get("s1")!).toBeGreaterThan(0.65);
    expect(shows(after, { arris: 0, field: 1, high: 0, recess: 0 }).get("s2")!).toBeGreaterThan(0.85);
  });

  it("puts the dark wax in the grooves and keeps the flats paler", () => {
    const waxed = examplePlan({
      shows: "dark in the grooves",
      ground: "raw timber",
      species: "pine",
      steps: [
        ["brush", "mineral-oyster", { coats: 2 }],
        ["wax", "wax-clear"],
        ["wax", "wax-dark"],
      ],
    });
    const { after } = judge(waxed).zones[0]!;
    const dark = (relief: "field" | "recess") =>
      shows(after, { arris: 0, field: 0, high: 0, recess: 0, [relief]: 1 }).get("s3") ?? 0;
    expect(dark("recess")).toBeGreaterThan(1.8 * dark("field"));
  });

  it("counts a finish in dry days: paint, a day's stand, wax, and a month to full use", () => {
    const { done, fullUse } = judge(
      examplePlan({
        shows: "waxed",
        ground: "raw timber",
        species: "pine",
        steps: [
          ["brush", "chalk-slate"],
          ["wax", "wax-clear"],
        ],
      }),
    ).zones[0]!;
    expect(done).toBeGreaterThan(24 * 60);
    expect(done).toBeLessThan(26 * 60);
    expect(fullUse - done).toBe(30 * 24 * 60);
  });

  it("prices a fix by what it adds to the nominal line", () => {
    const bare = examplePlan({
      shows: "white on oak",
      ground: "raw timber",
      species: "oak",
      steps: [
        ["brush", "chalk-bone-white"],
        ["wax", "wax-clear"],
      ],
    });
    const finding = judge(bare).zones[0]!.findings.find((finding) => finding.rule === "D4")!;
    const [block] = workingFixes(bare, finding);
    // two coats of shellac, an hour each to dry, and the brushing
    expect(block!.price).toBeGreaterThanOrEqual(120);
    expect(block!.price).toBeLessThan(240);
  });

  it("keeps a step it cannot read, says so, and judges the rest", () => {
    const odd = examplePlan({
      shows: "odd",
      ground: "raw timber",
      species: "pine",
      steps: [["brush", "moon-paint"], ["moonwalk"], ["brush", "mineral-oyster", { coats: 2 }]],
    });
    const findings = judge(odd).zones[0]!.findings;
    expect(findings.filter((finding) => finding.rule === "unread")).toHaveLength(2);
    expect(judge(odd).zones[0]!.phases).toHaveLength(2);
  });
});
