import { HOUSE_RULE_KEYS, type HouseRule, HouseRules, SCHOOLS } from "../plan/house-rules.ts";
import { type Plan, zonesOf } from "../plan/plan.ts";
import { type Finding, SEVERITY_ORDER, type Severity } from "../rules/rule.ts";
import { findRule } from "../rules/rules.ts";
import { type JudgeOptions, judgeZones } from "./judge.ts";

/** A school that would judge a finding otherwise than the house does. */
export interface Otherwise {
  rule: HouseRule;
  title: string;
  choice: string;
  /** what it would say instead; null when it would say nothing */
  severity: Severity | null;
}

/**
 * The schools under which a finding would be more serious, milder or absent: every other answer to its rule's
 * questions, each judged again on the same zone.
 */
export function otherwise(plan: Plan, finding: Finding, options: JudgeOptions = {}): Otherwise[] {
  const asks = findRule(finding.rule)?.meta.schools ?? [];
  if (asks.length === 0) return [];
  // no other zone matters for it
  const zones = zonesOf(plan).filter((zone) => zone.id === finding.zoneId);
  const alone: Plan = { ...plan, pieces: [{ id: "asked", name: "Asked", zones }] };
  return HOUSE_RULE_KEYS.filter((key) => asks.includes(key)).flatMap((key) =>
    Object.keys(SCHOOLS[key].choices)
      .filter((choice) => choice !== plan.pinned.houseRules[key])
      .flatMap((choice): Otherwise[] => {
        const houseRules = HouseRules.parse({ ...plan.pinned.houseRules, [key]: choice });
        const other = { ...alone, pinned: { ...plan.pinned, houseRules } };
        const there = judgeZones(other, { ...options, previous: undefined })[0]
          ?.findings.filter((one) => one.rule === finding.rule && one.stepId === finding.stepId)
          .sort((a, b) => SEVERITY_ORDER[a.severity] - SEVERITY_ORDER[b.severity])[0];
        const severity = there?.severity ?? null;
        return severity === finding.severity ? [] : [{ rule: key, title: SCHOOLS[key].title, choice, severity }];
      }),
  );
}
