import { applyCommands } from "../edit/apply.ts";
import type { Material } from "../materials/material.ts";
import { findCrust, type Plan } from "../plan/plan.ts";
import { type Finding, type Fix, SEVERITY_ORDER } from "../rules/rule.ts";
import { shows } from "../surface/shares.ts";
import type { Minutes, Share } from "../units/units.ts";
import { type Judgement, type JudgeOptions, judgeZones, shelfOf, type ZoneJudgement } from "./judge.ts";

export interface PricedFix extends Fix {
  /** how much longer the zones of the crust take on their nominal lines, the one it costs most; 0 where none does */
  price: Minutes;
}

/** The repairs a rule names for a finding, for the plan as it is now; not tried yet. */
export function namedFixes(plan: Plan, finding: Finding, catalogue?: readonly Material[]): Fix[] {
  const crust = findCrust(plan, finding.crustId);
  return crust ? (finding.fixes?.({ crust, shelf: shelfOf(plan, catalogue) }) ?? []) : [];
}

/** A repair is made to a crust, for all its zones: it has one price, wherever it is read. */
function priceOf(before: readonly ZoneJudgement[], after: readonly ZoneJudgement[]): Minutes {
  const was = new Map(before.map(({ zone, done }) => [zone.id, done]));
  return Math.max(0, ...after.map(({ zone, done }) => done - (was.get(zone.id) ?? done)));
}

function stopsByRule(zones: readonly ZoneJudgement[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { findings } of zones)
    for (const { severity, rule } of findings) if (severity === "stop") counts.set(rule, (counts.get(rule) ?? 0) + 1);
  return counts;
}

/** Findings of this rule in this zone that are at least as bad. */
const asBad = (zones: readonly ZoneJudgement[], finding: Finding) =>
  zones
    .find((zone) => zone.zone.id === finding.zoneId)!
    .findings.filter(
      (other) =>
        other.rule === finding.rule &&
        other.part === finding.part &&
        SEVERITY_ORDER[other.severity] <= SEVERITY_ORDER[finding.severity],
    );

/** A repair that only moves the fault to another step, or repairs another place than this, does not count. */
function mends(finding: Finding, before: readonly ZoneJudgement[], after: readonly ZoneJudgement[]): boolean {
  const left = asBad(after, finding);
  return left.length < asBad(before, finding).length && !left.some((other) => other.id === finding.id);
}

/** How much of the layers that distressing is meant to show is visible in the end, by zone and layer. */
function meantToShow(zones: readonly ZoneJudgement[]): Map<string, Share> {
  const seen = new Map<string, Share>();
  for (const { zone, crust, after } of zones) {
    const shown = shows(after, zone.relief);
    for (const { reveals } of crust.steps)
      if (reveals !== undefined) seen.set(`${zone.id}/${reveals}`, shown.get(reveals) ?? 0);
  }
  return seen;
}

/** A repair must leave at least this part of what was meant to show. */
const LEFT_TO_SHOW: Share = 0.5;
/** Less than this was never visible. */
const HARDLY_SEEN: Share = 0.01;

/** Removing a step is the last resort among repairs. */
const onlyTakesOut = (fix: Fix) => fix.commands.every((command) => command.do === "remove step");

/**
 * The fixes of a finding that work: each is tried on the plan first, and offered only if the finding is gone, no rule
 * says more stops than before on any zone of the crust, and what was meant to show still shows. With the price in
 * time on the zone's nominal line; repairs that only remove a step come last.
 */
export function workingFixes(plan: Plan, finding: Finding, options: JudgeOptions = {}): PricedFix[] {
  const kept = tried.get(finding);
  if (kept?.plan === plan && kept.catalogue === options.catalogue) return kept.fixes;
  const fixes = triedFixes(plan, finding, options);
  tried.set(finding, { plan, catalogue: options.catalogue, fixes });
  return fixes;
}

/** Fixes that were tried, with the plan they were tried on. */
const tried = new WeakMap<Finding, { plan: Plan; catalogue: JudgeOptions["catalogue"]; fixes: PricedFix[] }>();

function triedFixes(plan: Plan, finding: Finding, options: JudgeOptions): PricedFix[] {
  const fixes = namedFixes(plan, finding, options.catalogue);
  if (fixes.length === 0) return [];
  const before = judgeZones(plan, options, finding.crustId);
  const previous: Judgement = { zones: before, counts: { stop: 0, caution: 0, note: 0 } };
  const stopsBefore = stopsByRule(before);
  const shownBefore = meantToShow(before);
  const sorted = [...fixes].sort((a, b) => Number(onlyTakesOut(a)) - Number(onlyTakesOut(b)));
  return sorted.flatMap((fix) => {
    const done = applyCommands(plan, fix.commands);
    if (!done.ok) return [];
    const after = judgeZones(done.plan, { ...options, previous }, finding.crustId);
    if (!mends(finding, before, after)) return [];
    for (const [rule, count] of stopsByRule(after)) if (count > (stopsBefore.get(rule) ?? 0)) return [];
    for (const [layer, share] of meantToShow(after))
      if (share < LEFT_TO_SHOW * (shownBefore.get(layer) ?? 0) - HARDLY_SEEN) return [];
    return [{ ...fix, price: priceOf(before, after) }];
  });
}
