import type { Finding, Severity } from "../rules/rule.ts";

/** One thing that is said, and all the zones that it is said of. */
export interface Cause {
  /** what is said, of the first of them */
  finding: Finding;
  zoneIds: readonly string[];
}

/** A repair is made to a step, so a fault belongs to that step; what is normal is normal wherever it comes up. */
const keyOf = ({ crustId, stepId, rule, part, severity, title }: Finding): string =>
  severity === "note" ? `${rule} ${title}` : `${crustId} ${stepId} ${rule} ${part ?? ""} ${severity} ${title}`;

/** What is found on the zones of a plan, each cause once with its places, in the order in which they come. */
export function causesOf(zones: readonly { findings: readonly Finding[] }[]): Cause[] {
  const causes = new Map<string, { finding: Finding; zoneIds: string[] }>();
  for (const { findings } of zones)
    for (const finding of findings) {
      const key = keyOf(finding);
      const known = causes.get(key);
      if (!known) causes.set(key, { finding, zoneIds: [finding.zoneId] });
      else if (!known.zoneIds.includes(finding.zoneId)) known.zoneIds.push(finding.zoneId);
    }
  return [...causes.values()];
}

/** The zones that the same is said of. */
export const placesOf = (zones: readonly { findings: readonly Finding[] }[], finding: Finding): readonly string[] =>
  causesOf(zones).find((cause) => keyOf(cause.finding) === keyOf(finding))?.zoneIds ?? [finding.zoneId];

/** How many causes there are of each severity. */
export function countCauses(zones: readonly { findings: readonly Finding[] }[]): Record<Severity, number> {
  const counts = { stop: 0, caution: 0, note: 0 };
  for (const { finding } of causesOf(zones)) counts[finding.severity]++;
  return counts;
}
