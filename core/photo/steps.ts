import type { ZoneJudgement } from "../judge/judge.ts";
import type { Instant } from "../units/units.ts";
import type { Counts } from "./on-photo.ts";

/** One place on the way from the bare piece to the finished one: what was done last, and how far every zone is. */
export interface PhotoStep {
  /** null for the piece as it came in */
  last: { stepId: string; coat: number; coats: number; round: number; zones: readonly string[] } | null;
  counts: Counts;
}

/**
 * The work on a whole piece as one line of steps, for scrubbing: phases of every zone in the order in which an unhurried painter
 * would come to them. Zones that share a crust go together.
 */
export function photoSteps(judged: readonly ZoneJudgement[]): PhotoStep[] {
  const marks = new Map<
    string,
    { starts: Instant; order: number; each: { zoneId: string; count: number }[]; zone: ZoneJudgement }
  >();
  judged.forEach((zone, order) => {
    zone.phases.forEach(({ phase, starts }, index) => {
      const key = `${zone.crust.id} ${phase.id}`;
      const known = marks.get(key);
      const one = { zoneId: zone.zone.id, count: index + 1 };
      if (known) known.each.push(one);
      else marks.set(key, { starts, order: order + index / 1000, each: [one], zone });
    });
  });
  let counts: Record<string, number> = Object.fromEntries(judged.map(({ zone }) => [zone.id, 0]));
  const steps: PhotoStep[] = [{ last: null, counts }];
  const inTime = [...marks.values()].sort((a, b) => a.starts - b.starts || a.order - b.order);
  for (const { each, zone } of inTime) {
    const { phase } = zone.phases[each[0]!.count - 1]!;
    counts = { ...counts };
    for (const { zoneId, count } of each) counts[zoneId] = Math.max(counts[zoneId]!, count);
    steps.push({
      last: {
        stepId: phase.step.id,
        coat: phase.coat,
        coats: phase.coats,
        round: phase.round,
        zones: each.map(({ zoneId }) => zoneId),
      },
      counts,
    });
  }
  return steps;
}
