import { benchOf } from "#core/ledger/bench";
import type { LedgerEvent } from "#core/ledger/event";
import { replay } from "#core/ledger/replay";
import { withLedger } from "#core/ledger/with-ledger";
import type { Plan } from "#core/plan/plan";
import { judgementOf } from "#core/schedule/kept";
import { fittedIn, workOf } from "#core/schedule/plan-of-work";
import { readWallTime } from "#core/units/wall-time";
import { hobnailShop, hobnailYard } from "#demo/hobnail-yard";

const LINES = 2000;

/** A ledger as full as it may be: every kind of line in turn, a tenth of them corrections. */
function fullLedger(plan: Plan): LedgerEvent[] {
  const places = judgementOf(plan).zones.flatMap(({ zone, phases }) =>
    phases.map(({ phase }) => ({ zoneId: zone.id, phaseId: phase.id })),
  );
  const start = readWallTime(plan.start)! * 60_000;
  return Array.from({ length: LINES }, (_, index): LedgerEvent => {
    const line = {
      id: `l${index}`,
      at: start + index * 60_000,
      offset: 0,
      on: [places[(index >> 2) % places.length]!],
    };
    switch (index % 10) {
      case 0:
      case 4:
        return { kind: "start", ...line };
      case 1:
      case 5:
        return { kind: "end", ...line };
      case 9:
        return { kind: "correction", ...line, corrects: `l${index - 9}`, when: line.at - 1_800_000 };
      case 2:
        return { kind: "sign", ...line, stage: "recoat", seen: index % 4 === 0 };
      default:
        return { kind: "note", ...line, text: "matt against the light" };
    }
  });
}

type Measured = (work: () => unknown, runs?: number) => number;

/** Replaying a full ledger, carrying it over to the plan, and the bench of the demo shop. */
export function benchLedger(measured: Measured, tell: (what: string, value: string, target?: string) => void) {
  const [settle] = hobnailYard();
  const events = fullLedger(settle!);
  const replaying = measured(() => replay(events), 21);
  tell(`replay of ${LINES} ledger lines`, `${replaying.toFixed(1)} ms`, "≤ 50 ms");
  const state = replay(events);
  const carried = measured(() => withLedger(settle!, state), 21);
  tell("the same carried over to its plan", `${carried.toFixed(1)} ms`);
  const jobs = hobnailYard().map((plan) => ({
    plan,
    state: replay([]),
    bookings: fittedIn(workOf(plan, hobnailShop()), {}).bookings,
  }));
  const now = readWallTime(settle!.start)!;
  tell("the bench of six jobs, worked out again", `${measured(() => benchOf(jobs, now), 21).toFixed(1)} ms`);
}
