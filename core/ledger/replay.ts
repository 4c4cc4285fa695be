import type { SignSeen } from "../plan/plan.ts";
import { namesOf } from "../plan/rounds.ts";
import type { EventKind, LedgerEvent, WorkRef } from "./event.ts";
import { placeKey } from "./event.ts";

// What the ledger says now: a fold over its lines by when they happened, and among those of one instant by id. In whatever order
// they arrive, from whatever device, the result is the same.

/** A sign that was looked for, in milliseconds. */
export interface SignOf {
  stage: SignSeen["stage"];
  seen: boolean;
  at: number;
  more: number | null;
}

/** One coat on one zone as it was really done. */
export interface Worked extends WorkRef {
  /** when it was begun; null where only its end was written down */
  begun: number | null;
  /** null while it is in hand */
  ended: number | null;
  offset: number;
  by: string | null;
  /** sections of a go that are through, and how many there are */
  section: { through: number; of: number } | null;
  signs: readonly SignOf[];
}

/** A line as it counts, with what was put right in it. */
export interface Line {
  event: LedgerEvent;
  /** as it was first written, where that was put right */
  first: LedgerEvent | null;
  /** it did not happen */
  withdrawn: boolean;
  /** the lines that put it right, in their order */
  corrections: readonly Extract<LedgerEvent, { kind: "correction" }>[];
  /** what there is to say of it: it was written down twice, or left running */
  remark: string | null;
}

export interface LedgerState {
  /** by zone and coat */
  work: ReadonlyMap<string, Worked>;
  /** all lines but corrections, in the order in which they happened */
  lines: readonly Line[];
}

/** What was worked on a coat, whatever it was called when it was logged. */
export const workedOn = ({ work }: Pick<LedgerState, "work">, { zoneId, phaseId }: WorkRef): Worked | undefined =>
  namesOf(phaseId)
    .map((name) => work.get(placeKey({ zoneId, phaseId: name })))
    .find((worked) => worked !== undefined);

type Correction = Extract<LedgerEvent, { kind: "correction" }>;

/** By when it happened, then by id. */
export const byHappening = (a: Pick<LedgerEvent, "at" | "id">, b: Pick<LedgerEvent, "at" | "id">): number =>
  a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** A line with its corrections, in the order in which they were made; the last word counts. */
function corrected(first: LedgerEvent, corrections: readonly Correction[]): Line {
  let event = first;
  let withdrawn = false;
  for (const correction of corrections) {
    if (correction.withdrawn !== undefined) withdrawn = correction.withdrawn;
    if (correction.when !== undefined) event = { ...event, at: correction.when };
    if (correction.text !== undefined && "text" in event) event = { ...event, text: correction.text };
  }
  return { event, first: event === first ? null : first, withdrawn, corrections, remark: null };
}

const empty = (place: WorkRef, offset: number): Worked => ({
  ...place,
  begun: null,
  ended: null,
  offset,
  by: null,
  section: null,
  signs: [],
});

const clockOf = ({ at, offset }: Pick<LedgerEvent, "at" | "offset">) =>
  new Date(at + offset * 60_000).toISOString().slice(11, 16);

/** What a line makes of a coat, and what there is to say of that. */
function worked(was: Worked, event: LedgerEvent): { is: Worked; remark: string | null } {
  switch (event.kind) {
    case "start":
      if (was.begun !== null) return { is: was, remark: `begun already at ${clockOf({ ...event, at: was.begun })}` };
      return { is: { ...was, begun: event.at, by: was.by ?? event.by ?? null, offset: event.offset }, remark: null };
    case "section": {
      const through = Math.max(was.section?.through ?? 0, Math.min(event.section, event.of));
      return { is: { ...was, begun: was.begun ?? event.at, section: { through, of: event.of } }, remark: null };
    }
    case "end":
      if (was.ended !== null) return { is: was, remark: `done already at ${clockOf({ ...event, at: was.ended })}` };
      return { is: { ...was, ended: event.at, by: event.by ?? was.by, offset: event.offset }, remark: null };
    case "sign": {
      const { stage, seen, at, more = null } = event;
      return { is: { ...was, signs: [...was.signs, { stage, seen, at, more }] }, remark: null };
    }
    default:
      return { is: was, remark: null };
  }
}

/** Kinds that say something of a coat itself. */
const OF_THE_WORK: ReadonlySet<EventKind> = new Set(["start", "section", "end", "sign"]);

/** The state of a job's ledger. Each line counts once, however often it is given. */
export function replay(events: readonly LedgerEvent[]): LedgerState {
  const byId = new Map(events.map((event) => [event.id, event]));
  const corrections = new Map<string, Correction[]>();
  const said: LedgerEvent[] = [];
  for (const event of [...byId.values()].sort(byHappening))
    if (event.kind === "correction") {
      const known = corrections.get(event.corrects);
      if (known) known.push(event);
      else corrections.set(event.corrects, [event]);
    } else said.push(event);
  const lines = said.map((event) => corrected(event, corrections.get(event.id) ?? []));
  lines.sort((a, b) => byHappening(a.event, b.event));
  const work = new Map<string, Worked>();
  for (const line of lines) {
    const { event, withdrawn } = line;
    if (withdrawn || !OF_THE_WORK.has(event.kind)) continue;
    for (const place of event.on) {
      const key = placeKey(place);
      const { is, remark } = worked(work.get(key) ?? empty(place, event.offset), event);
      work.set(key, is);
      line.remark ??= remark;
    }
  }
  // a coat that is nothing but signs was never begun
  for (const [key, { begun, ended }] of work) if (begun === null && ended === null) work.delete(key);
  return { work, lines };
}
