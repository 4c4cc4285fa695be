import { findZone, type Plan } from "../plan/plan.ts";
import { judgementOf } from "../schedule/kept.ts";
import { sayDuration } from "../units/duration.ts";
import { readWallTime } from "../units/wall-time.ts";
import { sayClock, sayDate } from "../units/when.ts";
import { workTitle } from "./card.ts";
import { type LedgerEvent, wallOf } from "./event.ts";
import { signQuestion } from "./sign-words.ts";

// What a line of the ledger changed in what lies ahead, told in a sentence.

/** A shift that is worth telling. */
const WORTH_TELLING = 10;

/** Why it moved, from the line that moved it. */
function because(event: LedgerEvent, plan: Plan): string {
  const [place] = event.on;
  const judged = place && judgementOf(plan).zones.find(({ zone }) => zone.id === place.zoneId);
  const placed = judged?.phases.find(({ phase }) => phase.id === place!.phaseId);
  const name = placed ? lower(workTitle(placed.phase)) : "the coat before";
  if (event.kind === "sign" && placed) {
    const words = signQuestion(event.stage, placed.phase.material);
    const after = wallOf(event) - readWallTime(plan.start)! - placed.ends;
    if (words && !event.seen) return `${name} was ${words.was} after ${sayDuration(Math.max(0, after))}`;
    if (words) return `${name} was ${words.seen} after ${sayDuration(Math.max(0, after))}`;
  }
  if (event.kind === "correction") return "the ledger was put right";
  return event.kind === "end"
    ? `${name} was done at ${sayClock(Math.floor(wallOf(event)))}`
    : "of what was written down";
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/**
 * What a line changed of what lies ahead on its zones: how far the next step and the end of it moved, and why. Null where that is
 * not worth a word.
 */
export function changeWords(before: Plan, after: Plan, event: LedgerEvent): string | null {
  if (before === after) return null;
  const told: { by: number; says: string }[] = [];
  for (const zoneId of new Set(event.on.map((place) => place.zoneId))) {
    const zone = findZone(after, zoneId);
    const was = judgementOf(before).zones.find((zone) => zone.zone.id === zoneId);
    const is = judgementOf(after).zones.find((zone) => zone.zone.id === zoneId);
    if (!zone || !was || !is) continue;
    const doneNow = new Set((after.done ?? []).filter((one) => one.zoneId === zoneId).map(({ phaseId }) => phaseId));
    const next = is.phases.find(({ phase }) => !doneNow.has(phase.id));
    const before_ = next && was.phases.find(({ phase }) => phase.id === next.phase.id);
    if (!next || !before_) continue;
    const start = readWallTime(after.start)!;
    const by = next.starts - before_.starts;
    if (Math.abs(by) < WORTH_TELLING) continue;
    const at = start + next.starts;
    const day = sayDate(at) === sayDate(Math.floor(wallOf(event))) ? "" : ` on ${sayDate(at)}`;
    told.push({
      by,
      says: `${workTitle(next.phase)} on ${lower(zone.name)} can go on from ${sayClock(at)}${day}, ${sayDuration(Math.abs(by))} ${by > 0 ? "later" : "earlier"}, because ${because(event, after)}.`,
    });
  }
  told.sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
  return told[0]?.says ?? null;
}
