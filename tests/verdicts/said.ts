import { createHash } from "node:crypto";
import { namedFixes } from "#core/judge/fixes";
import { judge } from "#core/judge/judge";
import { coloursSeen } from "#core/judge/look";
import { stripOf } from "#core/judge/strip";
import type { Plan } from "#core/plan/plan";
import type { Severity } from "#core/rules/rule";
import { cautionsFor } from "#core/safety/safety";
import { needsOf } from "#core/shelf/needs";
import { covers, shows } from "#core/surface/shares";
import { type Entry, groupOf } from "./corpus";

/** What is said of a plan by one rule, or found in it besides: as text that is the same for the same meaning. */
export interface Said {
  /** the rule, or what else it is about */
  of: string;
  severity?: Severity;
  text: string;
}

const fine = (value: number) => value.toFixed(3);
const listed = (shares: ReadonlyMap<string, number>) =>
  [...shares]
    .map(([layer, share]) => `${layer} ${fine(share)}`)
    .sort()
    .join(", ");

/** Everything that rules, line, surface, amounts and cautions make of a plan. */
export function saidOf(plan: Plan): Said[] {
  const all: Said[] = [];
  for (const { findings, phases, after, zone, ...dates } of judge(plan).zones) {
    for (const finding of findings) {
      const { rule, severity, stepId, lower, part, surface, title, because } = finding;
      const fixes = namedFixes(plan, finding).map(({ label, commands, look }) => [label, commands, look]);
      all.push({
        of: rule,
        severity,
        text: JSON.stringify([zone.id, stepId, lower, part, surface, severity, title, because, fixes]),
      });
    }
    all.push({
      of: "waits and dates",
      text: JSON.stringify([
        phases.map(({ phase, starts, ends, sectionEnds, demands }) => [
          ...[phase.id, starts, ends, sectionEnds, phase.hands, phase.go],
          demands.map(({ rule, from, to, lower, gates, reason }) => [rule, from, to, lower, gates, reason]),
        ]),
        [dates.done, dates.handled, dates.fullUse],
      ]),
    });
    all.push({ of: "layers", text: `${listed(covers(after, zone.relief))}; ${listed(shows(after, zone.relief))}` });
    all.push({ of: "colours", text: JSON.stringify([coloursSeen(after), stripOf({ phases, after, zone } as never)]) });
    all.push({ of: "cautions", text: JSON.stringify(phases.map(({ phase }) => cautionsFor(phase, zone))) });
  }
  all.push({
    of: "amounts",
    text: JSON.stringify(
      needsOf([plan]).map(({ material, amount, uses }) => [
        ...[material.id, fine(amount)],
        uses.map(({ area, coats, zoneId }) => [fine(area), coats, zoneId]),
      ]),
    ),
  });
  return all;
}

/** By rule: how many stops, cautions and notes over some plans, and a digest of all that is said in them. */
export function talliesOf(plans: Iterable<Plan>): Record<string, string> {
  const all = new Map<string, { stop: number; caution: number; note: number; hash: ReturnType<typeof createHash> }>();
  for (const plan of plans)
    for (const { of, severity, text } of saidOf(plan)) {
      const tally = all.get(of) ?? { stop: 0, caution: 0, note: 0, hash: createHash("sha256") };
      all.set(of, tally);
      if (severity) tally[severity]++;
      tally.hash.update(text);
    }
  return Object.fromEntries(
    [...all]
      .sort(([one], [two]) => (one < two ? -1 : 1))
      .map(([of, { stop, caution, note, hash }]) => [
        of,
        `${stop} ${caution} ${note} ${hash.digest("hex").slice(0, 8)}`,
      ]),
  );
}

/** The same for each group of plans. */
export function talliesByGroup(entries: readonly Entry[]): Record<string, Record<string, string>> {
  const groups = [...new Set(entries.map(groupOf))].sort();
  return Object.fromEntries(
    groups.map((group) => [
      group,
      talliesOf(entries.filter((entry) => groupOf(entry) === group).map(({ plan }) => plan())),
    ]),
  );
}
