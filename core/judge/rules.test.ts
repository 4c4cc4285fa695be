import { describe, expect, it } from "vitest";
import { examplePlan } from "../rules/example.ts";
import { RULES } from "../rules/rules.ts";
import { workingFixes } from "./fixes.ts";
import { judge } from "./judge.ts";

const rulesFiring = (plan: ReturnType<typeof examplePlan>, rules = RULES) =>
  new Set(judge(plan, { rules }).zones.flatMap((zone) => zone.findings.map((finding) => finding.rule)));

describe.each(RULES.map((rule) => [rule.meta.id, rule] as const))("rule %s", (id, rule) => {
  it.each(rule.examples.faulty.map((example) => [example.shows, example] as const))(
    "speaks on: %s",
    (_shows, example) => {
      const plan = examplePlan(example);
      const spoke = rulesFiring(plan);
      const silencers = RULES.filter((other) => other.meta.subsumes.includes(id)).map((other) => other.meta.id);
      expect([id, ...silencers].some((text) => spoke.has(text))).toBe(true);
      // and it is this rule that finds it: how bad, at which seam, in which words, with which repairs
      const rules = RULES.filter((other) => !silencers.includes(other.meta.id));
      const findings = judge(plan, { rules }).zones.flatMap((zone) => zone.findings);
      const finds = findings
        .filter(({ rule: by }) => by === id)
        .map((finding) => ({
          severity: finding.severity,
          at: finding.stepId,
          ...(finding.lower === undefined ? {} : { over: finding.lower }),
          says: `${finding.title}. ${finding.because}`,
          repairs: workingFixes(plan, finding, { rules }).map(({ label }) => label),
        }));
      expect(finds).toEqual(example.finds);
    },
  );

  it.each(rule.examples.clean.map((example) => [example.shows, example] as const))(
    "keeps quiet on: %s",
    (_shows, example) => {
      expect(rulesFiring(examplePlan(example))).not.toContain(id);
    },
  );

  it("says why and where it comes from", () => {
    expect(rule.meta.reason.length).toBeGreaterThan(40);
    expect(rule.meta.origin).not.toBe("");
    expect(rule.examples.faulty.length).toBeGreaterThan(0);
  });
});

describe("what rules say of each other", () => {
  const ids = new Set(RULES.map(({ meta }) => meta.id));

  it("names rules that there are, and no rule silences itself", () => {
    for (const { meta } of RULES)
      for (const other of meta.subsumes) {
        expect(ids, meta.id).toContain(other);
        expect(other).not.toBe(meta.id);
      }
  });

  it("signs each wait with its own name, between phases that there are", () => {
    for (const rule of RULES)
      for (const example of [...rule.examples.clean, ...rule.examples.faulty]) {
        const [zone] = judge(examplePlan(example), { rules: [rule] }).zones;
        const phases = new Set(zone!.phases.map(({ phase }) => phase.id));
        const steps = new Set(["ground", ...zone!.crust.steps.map(({ id }) => id)]);
        for (const { phase, demands } of zone!.phases)
          for (const demand of demands) {
            expect(demand.rule).toBe(rule.meta.id);
            expect(demand.to).toBe(phase.id);
            expect(phases).toContain(demand.from);
            expect(steps).toContain(demand.lower);
          }
        for (const { lower } of zone!.findings) if (lower !== undefined) expect(steps, rule.meta.id).toContain(lower);
      }
  });
});
