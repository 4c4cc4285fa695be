import type { Gate } from "../drying/gate.ts";
import type { JudgedPhase, Judgement } from "../judge/judge.ts";
import type { Minutes } from "../units/units.ts";

/** Work for a pair of hands, whole within one working window. */
export interface Activity {
  id: string;
  zoneId: string;
  stepId: string;
  phase: JudgedPhase;
  duration: Minutes;
}

/** start(to) − finish(from) lies between least and most. */
export interface Lag {
  from: string;
  to: string;
  least: Minutes;
  most: Minutes | null;
  reason: string;
}

export interface Chain {
  zoneId: string;
  activities: Activity[];
  /** lags by the activity they lead to */
  lagsTo: Map<string, Lag[]>;
}

export const activityId = (zoneId: string, phaseId: string) => `${zoneId}:${phaseId}`;

/** Where a demand may be met in two windows, the one that the nominal line used; else the first. */
function gateUsed(gates: readonly Gate[], waited: Minutes): Gate {
  return (
    gates.find((gate) => waited >= gate.opens.safe && (gate.shuts === null || waited <= gate.shuts.safe)) ?? gates[0]!
  );
}

/** Each zone's phases as a chain of activities with the least and greatest waits between them. */
export function networkOf(judgement: Judgement): Chain[] {
  return judgement.zones.map(({ zone, phases }) => {
    const lagsTo = new Map<string, Lag[]>();
    const ends = new Map(phases.map((placed) => [placed.phase.id, placed.ends]));
    const activities = phases.map((placed, index): Activity => {
      const id = activityId(zone.id, placed.phase.id);
      const lags: Lag[] = [];
      const before = phases[index - 1];
      if (before) {
        const wait = placed.phase.coat === 1 ? placed.phase.step.wait : undefined;
        const least = wait?.minutes ?? 0;
        lags.push({
          from: activityId(zone.id, before.phase.id),
          to: id,
          least,
          most: wait?.kind === "exactly" ? least : null,
          reason: "the step before",
        });
      }
      for (const demand of placed.demands) {
        const gate = gateUsed(demand.gates, placed.starts - ends.get(demand.from)!);
        lags.push({
          from: activityId(zone.id, demand.from),
          to: id,
          least: gate.opens.safe,
          most: gate.shuts?.safe ?? null,
          reason: demand.reason,
        });
      }
      lagsTo.set(id, lags);
      return { id, zoneId: zone.id, stepId: placed.phase.step.id, phase: placed, duration: placed.phase.hands };
    });
    return { zoneId: zone.id, activities, lagsTo };
  });
}
