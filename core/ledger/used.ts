import { materialsOf } from "../judge/judge.ts";
import type { Plan } from "../plan/plan.ts";
import { coatsOf } from "../shelf/needs.ts";
import type { Movement, PotOnShelf } from "../shelf/stock.ts";
import { sheetsFor, tinsOf, type Unit } from "../shelf/usage.ts";
import { sayWallTime } from "../units/wall-time.ts";
import { type LedgerEvent, placeKey, wallOf } from "./event.ts";
import type { LedgerState } from "./replay.ts";

/** What a material took of itself at the bench, in its unit. */
interface Taken {
  goodId: string;
  amount: number;
  unit: Unit;
}

/** What finishing some coats took, by the plan: on the piece and lost. What was weighed or measured at them counts instead. */
function takenBy(plan: Plan, end: LedgerEvent, { lines }: LedgerState): Taken[] {
  const done = new Set(end.on.map(placeKey));
  const taken = new Map<string, Taken>();
  for (const coat of coatsOf(plan)) {
    if (!done.has(placeKey({ zoneId: coat.zone.id, phaseId: coat.phase.id }))) continue;
    for (const { material, unit, perMillilitre } of tinsOf(coat.phase, materialsOf(plan))) {
      const lost = 1 + coat.phase.technique.loss;
      const amount = unit === "sheets" ? sheetsFor(coat, material) : coat.net * lost * perMillilitre;
      const known = taken.get(material.id) ?? { goodId: material.id, amount: 0, unit };
      taken.set(material.id, { ...known, amount: known.amount + amount });
    }
  }
  for (const { event, withdrawn } of lines) {
    if (event.kind !== "amount" || withdrawn || !event.on.some((place) => done.has(placeKey(place)))) continue;
    if (event.at > end.at) continue;
    taken.set(event.materialId, { goodId: event.materialId, amount: event.amount, unit: event.unit });
  }
  return [...taken.values()];
}

const MOST_ID = 60;

/**
 * The movements of the shelf that belong to a coat that is done: taken from the tin that is open, then from the others. What the
 * shelf does not have is not booked. The same line always makes movements with the same ids.
 */
export function usedFor(plan: Plan, end: LedgerEvent, state: LedgerState, pots: readonly PotOnShelf[]): Movement[] {
  const movements: Movement[] = [];
  for (const { goodId, amount } of takenBy(plan, end, state)) {
    let left = amount;
    const own = pots
      .filter((pot) => pot.goodId === goodId && pot.amount > 0)
      .sort((a, b) => Number(a.opened === null) - Number(b.opened === null) || (a.id < b.id ? -1 : 1));
    for (const pot of own) {
      if (left <= 0.01) break;
      const part = Math.round(Math.min(left, pot.amount) * 100) / 100;
      if (part <= 0) continue;
      movements.push({
        does: "used",
        id: `${end.id.slice(0, MOST_ID - 4)}-${movements.length + 1}`,
        goodId,
        potId: pot.id,
        at: sayWallTime(Math.floor(wallOf(end))),
        amount: part,
        planId: plan.id,
      });
      left -= part;
    }
  }
  return movements;
}
