import { applyCommands } from "../edit/apply.ts";
import { type Plan, zonesWithCrust } from "../plan/plan.ts";
import { type Finding, type Fix, SEVERITY_ORDER } from "../rules/rule.ts";
import type { Minutes } from "../units/units.ts";
import { type JudgeOptions, judgeZone, shelfOf, type ZoneJudgement } from "./judge.ts";

export interface PricedFix extends Fix {
  /** change of the zone's nominal end; negative is sooner */
  price: Minutes;
}

/** Every zone that the crust lies on, for a fix changes all of them. */
function judgeCrust(plan: Plan, crustId: string, options: JudgeOptions): ZoneJudgement[] {
  const shelf = shelfOf(plan, options.catalogue);
  const crust = plan.crusts.find((one) => one.id === crustId)!;
  return zonesWithCrust(plan, crustId).map((zone) =>
    judgeZone(zone, crust, plan.pinned.houseRules, shelf, options.rules),
  );
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
  if (finding.fixes.length === 0) return [];
  const before = judgeCrust(plan, finding.crustId, options);
  const stopsBefore = stopsByRule(before);
  return finding.fixes.flatMap((fix) => {
    const done = applyCommands(plan, fix.commands);
    if (!done.ok) return [];
    const after = judgeCrust(done.plan, finding.crustId, options);
    if (!mends(finding, before, after)) return [];
    for (const [rule, count] of stopsByRule(after)) if (count > (stopsBefore.get(rule) ?? 0)) return [];
    return [{ ...fix, price: doneIn(after, finding.zoneId) - doneIn(before, finding.zoneId) }];
  });
}
