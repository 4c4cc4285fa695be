import { applyCommands } from "../edit/apply.ts";
import type { Material } from "../materials/material.ts";
import { findCrust, type Plan } from "../plan/plan.ts";
import { type Finding, type Fix, SEVERITY_ORDER } from "../rules/rule.ts";
import type { Minutes } from "../units/units.ts";
import { type Judgement, type JudgeOptions, judgeZones, shelfOf, type ZoneJudgement } from "./judge.ts";

export interface PricedFix extends Fix {
  /** change of the zone's nominal end; negative is sooner */
  price: Minutes;
}

/** The repairs a rule names for a finding, as they would be laid on the plan as it is now; not tried yet. */
export function namedFixes(plan: Plan, finding: Finding, catalogue?: readonly Material[]): Fix[] {
  const crust = findCrust(plan, finding.crustId);
  return crust ? (finding.fixes?.({ crust, shelf: shelfOf(plan, catalogue) }) ?? []) : [];
}

const doneIn = (zones: readonly ZoneJudgement[], zoneId: string) =>
  zones.find((one) => one.zone.id === zoneId)?.done ?? 0;

function stopsByRule(zones: readonly ZoneJudgement[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { findings } of zones)
    for (const { severity, rule } of findings) if (severity === "stop") counts.set(rule, (counts.get(rule) ?? 0) + 1);
  return counts;
}

/** Findings of this rule in this zone that are at least as bad. */
const asBad = (zones: readonly ZoneJudgement[], finding: Finding) =>
  zones
    .find((one) => one.zone.id === finding.zoneId)!
    .findings.filter(
      (other) =>
        other.rule === finding.rule &&
        other.part === finding.part &&
        SEVERITY_ORDER[other.severity] <= SEVERITY_ORDER[finding.severity],
    );

/** A repair that only moves the fault to another step, or mends another place than this, has not mended it. */
function mends(finding: Finding, before: readonly ZoneJudgement[], after: readonly ZoneJudgement[]): boolean {
  const left = asBad(after, finding);
  return left.length < asBad(before, finding).length && !left.some((other) => other.id === finding.id);
}

/**
 * The fixes of a finding that hold: each is tried on the plan first, and offered only where the finding is gone and no rule
 * says more stops than before, on any zone of the crust. With the price in time on the zone's nominal line.
 */
export function workingFixes(plan: Plan, finding: Finding, options: JudgeOptions = {}): PricedFix[] {
  const fixes = namedFixes(plan, finding, options.catalogue);
  if (fixes.length === 0) return [];
  const before = judgeZones(plan, options, finding.crustId);
  const previous: Judgement = { zones: before, counts: { stop: 0, caution: 0, note: 0 } };
  const stopsBefore = stopsByRule(before);
  return fixes.flatMap((fix) => {
    const done = applyCommands(plan, fix.commands);
    if (!done.ok) return [];
    const after = judgeZones(done.plan, { ...options, previous }, finding.crustId);
    if (!mends(finding, before, after)) return [];
    for (const [rule, count] of stopsByRule(after)) if (count > (stopsBefore.get(rule) ?? 0)) return [];
    return [{ ...fix, price: doneIn(after, finding.zoneId) - doneIn(before, finding.zoneId) }];
  });
}
