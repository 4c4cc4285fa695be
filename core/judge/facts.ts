import type { Gate, Stage } from "../drying/gate.ts";
import type { Plan, SignSeen } from "../plan/plan.ts";
import type { Phase } from "../surface/phase.ts";
import type { Instant, Minutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";

// What has really been done takes the place of what was planned: on a zone's line, such phases stand where they were, and what was
// seen or felt on a film counts for more than the clock.

/** A sign as it was looked for on a film, on the line's own clock. */
export interface Sign {
  stage: Stage;
  seen: boolean;
  at: Instant;
  /** how long it was given when it had not come yet */
  more: Minutes;
}

/** When a phase was really done. */
export interface Fact {
  starts: Instant;
  ends: Instant;
  signs: readonly Sign[];
}

export type Facts = ReadonlyMap<string, Fact>;
export const NO_FACTS: Facts = new Map();

/** What a film is given where it was not ready and nobody said how long. */
export const USUAL_MORE: Minutes = 10;

const kept = new WeakMap<object, { start: string; zones: ReadonlyMap<string, Facts> }>();

const signAt = ({ stage, seen, at, more = USUAL_MORE }: SignSeen, zero: Instant): Sign => ({
  stage,
  seen,
  at: readWallTime(at)! - zero,
  more,
});

/** What has been done on each zone of a plan, by phase, in minutes after the plan's start. */
export function factsOf({ done, start }: Pick<Plan, "done" | "start">): ReadonlyMap<string, Facts> {
  if (!done) return new Map();
  const known = kept.get(done);
  if (known?.start === start) return known.zones;
  const zero = readWallTime(start)!;
  const zones = new Map<string, Map<string, Fact>>();
  for (const { zoneId, phaseId, starts, ends, signs = [] } of done) {
    const facts = zones.get(zoneId) ?? new Map<string, Fact>();
    zones.set(zoneId, facts);
    facts.set(phaseId, {
      starts: readWallTime(starts)! - zero,
      ends: readWallTime(ends)! - zero,
      signs: signs.map((sign) => signAt(sign, zero)),
    });
  }
  kept.set(done, { start, zones });
  return zones;
}

/** Phases in the order in which they really lie: what has been done in the order it was done, then the rest as planned. */
export function asReallyDone(phases: readonly Phase[], facts: Facts): readonly Phase[] {
  if (facts.size === 0) return phases;
  const done = phases.filter(({ id }) => facts.has(id));
  done.sort((a, b) => facts.get(a.id)!.starts - facts.get(b.id)!.starts);
  return [...done, ...phases.filter(({ id }) => !facts.has(id))];
}

/** Stages of a film's drying in the order they are reached: whoever has seen one has seen those before it. */
const ONE_AFTER_ANOTHER: readonly Stage[] = ["touch", "recoat", "before clear", "through", "cure"];

function reaches(seen: Stage, asked: Stage): boolean {
  if (seen === asked) return true;
  const place = ONE_AFTER_ANOTHER.indexOf(seen);
  const wanted = ONE_AFTER_ANOTHER.indexOf(asked);
  return wanted >= 0 && place > wanted;
}

const both = (minutes: Minutes) => ({ typical: minutes, safe: minutes });

/** The windows in which a film is wet enough: seeing their sign gone shuts them. */
const WET: ReadonlySet<Stage> = new Set(["open", "wet"]);

function corrected(gate: Gate, { signs, ends }: Fact): Gate {
  let { opens, shuts } = gate;
  for (const sign of signs) {
    const age = sign.at - ends;
    if (WET.has(gate.stage)) {
      // of what has to be wet, its sign is that it still is
      if (sign.stage !== gate.stage || shuts === null) continue;
      const until = sign.seen ? Math.max(shuts.safe, age + sign.more) : Math.min(shuts.safe, age);
      shuts = both(Math.max(0, until));
      continue;
    }
    if (sign.seen && reaches(sign.stage, gate.stage)) {
      const from = Math.max(0, age);
      opens = { typical: Math.min(opens.typical, from), safe: Math.min(opens.safe, from) };
    } else if (!sign.seen && reaches(gate.stage, sign.stage)) {
      const from = Math.max(0, age + sign.more);
      // what comes later than the clock said stays open as much longer
      const late = Math.max(0, from - opens.typical);
      opens = { typical: Math.max(opens.typical, from), safe: Math.max(opens.safe, from) };
      if (shuts !== null) shuts = { typical: shuts.typical + late, safe: shuts.safe + late };
    }
  }
  return opens === gate.opens && shuts === gate.shuts ? gate : { stage: gate.stage, opens, shuts };
}

/**
 * The gates of a wait, in minutes of the room since the film was laid, as the signs seen on it correct them; the same ones where
 * none was looked for. The wall clock keeps what they come to.
 */
export function asSeen(gates: readonly Gate[], fact: Fact | undefined): readonly Gate[] {
  if (!fact || fact.signs.length === 0) return gates;
  const own = gates.map((gate) => corrected(gate, fact));
  return own.every((gate, index) => gate === gates[index]) ? gates : own;
}

/** Gates that no air stretches any more: what was seen is a time on the wall. */
export const byTheWall = (gates: readonly Gate[]): readonly Gate[] =>
  gates.map((gate) => ({ ...gate, stage: "habit" as const }));
