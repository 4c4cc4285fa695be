import { type DoneWork, LIMITS, type Plan, type SignSeen } from "../plan/plan.ts";
import { namesOf } from "../plan/rounds.ts";
import { DAY, type Minutes } from "../units/units.ts";
import { sayWallTime } from "../units/wall-time.ts";
import { placeKey, type WorkRef } from "./event.ts";
import type { LedgerState, SignOf, Worked } from "./replay.ts";

/** How long a coat takes where only its end was written down. */
export type HandsOf = (zoneId: string, phaseId: string) => Minutes | null;

const MOST_SIGNS = 24;

const wallAt = (at: number, offset: number) => Math.floor(at / 60_000 + offset);

function signOf({ stage, seen, at, more }: SignOf, offset: number): SignSeen {
  return { stage, seen, at: sayWallTime(wallAt(at, offset)), ...(more === null ? {} : { more }) };
}

/** When it was begun, as far as that can be true: not after its end, and not a day before it. */
function beganAt({ begun, ended, offset }: Worked, hands: Minutes): number {
  const ends = wallAt(ended!, offset);
  const starts = begun === null ? null : wallAt(begun, offset);
  return starts === null || starts > ends || ends - starts > DAY ? ends - hands : starts;
}

/** What the plan calls a coat that was logged when its step had fewer coats, or more; null where it has it no longer. */
function nameNow({ zoneId, phaseId }: WorkRef, handsOf: HandsOf, work: LedgerState["work"]): string | null {
  if (handsOf(zoneId, phaseId) !== null) return phaseId;
  if (handsOf(zoneId, phaseId) !== null) return phaseId;
  const isFree = (name: string) => handsOf(zoneId, name) !== null && !work.has(placeKey({ zoneId, phaseId: name }));
  return namesOf(phaseId).find(isFree) ?? null;
}

/**
 * A plan's list of work that has been done, as its ledger has it: in minutes of the shop's wall clock. What is marked as done
 * and was never in the ledger stays; what the plan no longer has is left out.
 */
export function doneWork(
  plan: Pick<Plan, "done">,
  { work }: LedgerState,
  handsOf: HandsOf,
  told: ReadonlySet<string>,
): DoneWork[] {
  const isTold = ({ zoneId, phaseId }: WorkRef) =>
    namesOf(phaseId).some((name) => told.has(placeKey({ zoneId, phaseId: name })));
  const kept = (plan.done ?? []).filter((one) => !isTold(one));
  const done = [...work.values()].flatMap((worked): DoneWork[] => {
    const phaseId = nameNow(worked, handsOf, work);
    const hands = phaseId === null ? null : handsOf(worked.zoneId, phaseId);
    if (worked.ended === null || phaseId === null || hands === null) return [];
    const signs = worked.signs.slice(-MOST_SIGNS).map((sign) => signOf(sign, worked.offset));
    return [
      {
        zoneId: worked.zoneId,
        phaseId,
        starts: sayWallTime(beganAt(worked, Math.min(DAY, Math.ceil(hands)))),
        ends: sayWallTime(wallAt(worked.ended, worked.offset)),
        ...(signs.length > 0 ? { signs } : {}),
      },
    ];
  });
  return [...kept, ...done].sort((a, b) => (placeKey(a) < placeKey(b) ? -1 : 1)).slice(0, LIMITS.done);
}
