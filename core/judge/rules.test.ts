import { describe, expect, it } from "vitest";
import { examplePlan } from "../rules/example.ts";
import { RULES } from "../rules/rules.ts";
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
      expect([id, ...silencers].some((one) => spoke.has(one))).toBe(true);
      // and it is this rule that finds it: without the rules that silence it, it speaks; without it, nothing does
      const without = RULES.filter((other) => !silencers.includes(other.meta.id));
      expect(rulesFiring(plan, without)).toContain(id);
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
