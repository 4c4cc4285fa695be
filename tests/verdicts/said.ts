import { createHash } from "node:crypto";
import { namedFixes } from "#core/judge/fixes";
import { judge } from "#core/judge/judge";
import { coloursSeen } from "#core/judge/look";
import { shop } from "#core/judge/shop";
import { stripOf } from "#core/judge/strip";
import type { Plan } from "#core/plan/plan";
import type { Severity } from "#core/rules/rule";
import { cautionsFor } from "#core/safety/safety";
import { covers, shows } from "#core/surface/shares";

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
      shop(plan).map(({ material, millilitres, uses }) => [
        ...[material.id, fine(millilitres)],
        uses.map(({ area, coats, zoneId }) => [fine(area), coats, zoneId]),
      ]),
    ),
  });
  return all;
}

export interface Tally {
  stop: number;
  caution: number;
  note: number;
  digest: string;
}

/** By rule, how often it speaks over some plans, and a digest of all that it says. */
export function talliesOf(plans: Iterable<Plan>): Map<string, Tally> {
  const hashes = new Map<string, ReturnType<typeof createHash>>();
  const tallies = new Map<string, Tally>();
  for (const plan of plans)
    for (const { of, severity, text } of saidOf(plan)) {
      const tally = tallies.get(of) ?? { stop: 0, caution: 0, note: 0, digest: "" };
      tallies.set(of, tally);
      if (severity) tally[severity]++;
      const hash = hashes.get(of) ?? createHash("sha256");
      hashes.set(of, hash.update(text));
    }
  for (const [of, tally] of tallies) tally.digest = hashes.get(of)!.digest("hex").slice(0, 12);
  return tallies;
}
