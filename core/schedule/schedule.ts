import type { Judgement } from "../judge/judge.ts";
import type { Plan } from "../plan/plan.ts";
import { sayDuration } from "../units/duration.ts";
import type { Minutes, WallMinutes } from "../units/units.ts";
import { readWallTime } from "../units/wall-time.ts";
import { longestWindow, type Window, workingWindows } from "./calendar.ts";
import { type Activity, type Chain, type Lag, networkOf } from "./network.ts";

export interface Booking {
  id: string;
  zoneId: string;
  stepId: string;
  phaseId: string;
  starts: WallMinutes;
  ends: WallMinutes;
}

/** Something that cannot be kept inside the working hours, in words. */
export interface Clash {
  zoneId: string;
  stepId: string;
  says: string;
}

export interface Schedule {
  /** when work may begin: instant 0 of the judgement */
  start: WallMinutes;
  bookings: Booking[];
  clashes: Clash[];
  /** the last of the hands-on work; null when nothing could be placed */
  finish: WallMinutes | null;
}

const HORIZON_DAYS = 120;
/** Windows longer than this are met by working on, not by placing both ends in one go. */
const TIGHT: Minutes = 48 * 60;
const TRIES = 400;

/** The painter's booked time and working windows; finds the first stretch that is free. */
class Hands {
  private readonly busy: { starts: number; ends: number }[] = [];

  constructor(private readonly windows: readonly Window[]) {}

  /** The earliest start from which the work fits whole into one window and no booking; null past the horizon. */
  firstFit(duration: Minutes, from: WallMinutes, held: readonly Booking[]): WallMinutes | null {
    let at = this.windowFrom(from);
    for (; at < this.windows.length; at++) {
      const window = this.windows[at]!;
      let start = Math.max(window.opens, from);
      for (let moved = true; moved; ) {
        moved = false;
        const clear = Math.max(this.clearOf(start, duration), clearOfHeld(start, duration, held));
        if (clear > start) {
          start = clear;
          moved = true;
        }
        if (start + duration > window.shuts) break;
      }
      if (start + duration <= window.shuts) return start;
    }
    return null;
  }

  book(starts: WallMinutes, ends: WallMinutes) {
    const at = this.after(starts);
    this.busy.splice(at, 0, { starts, ends });
  }

  private windowFrom(from: WallMinutes): number {
    let low = 0;
    let high = this.windows.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.windows[middle]!.shuts <= from) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  private after(starts: WallMinutes): number {
    let low = 0;
    let high = this.busy.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.busy[middle]!.ends <= starts) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  private clearOf(start: WallMinutes, duration: Minutes): WallMinutes {
    let clear = start;
    for (let at = this.after(start); at < this.busy.length && this.busy[at]!.starts < clear + duration; at++)
      clear = this.busy[at]!.ends;
    return clear;
  }
}

function clearOfHeld(start: WallMinutes, duration: Minutes, held: readonly Booking[]): WallMinutes {
  let clear = start;
  for (const booking of held) if (booking.starts < clear + duration && booking.ends > clear) clear = booking.ends;
  return clear;
}

/** Cuts a chain into blocks: activities bound by a window that shuts soon are placed together. */
function blocksOf(chain: Chain): Activity[][] {
  const place = new Map(chain.activities.map((activity, index) => [activity.id, index]));
  const bound = new Set<number>();
  for (const [index, activity] of chain.activities.entries())
    for (const lag of chain.lagsTo.get(activity.id)!)
      if (lag.most !== null && lag.most <= TIGHT)
        for (let at = place.get(lag.from)! + 1; at <= index; at++) bound.add(at);
  const blocks: Activity[][] = [];
  for (const [index, activity] of chain.activities.entries()) {
    if (bound.has(index)) blocks.at(-1)!.push(activity);
    else blocks.push([activity]);
  }
  return blocks;
}

interface Attempt {
  bookings: Booking[];
  clashes: Clash[];
}

const booked = (activity: Activity, starts: WallMinutes): Booking => ({
  id: activity.id,
  zoneId: activity.zoneId,
  stepId: activity.stepId,
  phaseId: activity.phase.phase.id,
  starts,
  ends: starts + activity.duration,
});

const nameOf = (activity: Activity) => {
  const { technique, material } = activity.phase.phase;
  return material ? material.name : technique.name;
};

const sayWindow = (lag: Lag) =>
  lag.least > 0
    ? `between ${sayDuration(lag.least)} and ${sayDuration(lag.most!)}`
    : `within ${sayDuration(lag.most!)}`;

const sayClash = (activity: Activity, lag: Lag, from: Activity | undefined, because: string): Clash => ({
  zoneId: activity.zoneId,
  stepId: activity.stepId,
  says: `"${nameOf(activity)}" has to start ${sayWindow(lag)} after "${from ? nameOf(from) : "the step before"}" (${lag.reason}), and ${because}`,
});

/** The least time from the end of one activity to the start of a later one of its chain, by the waits between them alone. */
function leastBetween(chain: Chain, from: number, to: number): Minutes {
  const ends = new Map<string, Minutes>([[chain.activities[from]!.id, 0]]);
  let start = 0;
  for (let at = from + 1; at <= to; at++) {
    const { id, duration } = chain.activities[at]!;
    start = Math.max(
      0,
      ...chain.lagsTo.get(id)!.map((lag) => (ends.get(lag.from) ?? Number.NEGATIVE_INFINITY) + lag.least),
    );
    ends.set(id, start + duration);
  }
  return start;
}

/** Takes out the windows that the plan's own waits make impossible, whatever the hours, and says so of each. */
function withoutContradictions(chain: Chain): { chain: Chain; clashes: Clash[] } {
  const place = new Map(chain.activities.map((activity, index) => [activity.id, index]));
  const clashes: Clash[] = [];
  const lagsTo = new Map<string, Lag[]>();
  for (const [index, activity] of chain.activities.entries()) {
    const lags = chain.lagsTo.get(activity.id)!.map((lag) => {
      if (lag.most === null) return lag;
      const least = leastBetween(chain, place.get(lag.from)!, index);
      if (least <= lag.most) return lag;
      clashes.push(
        sayClash(
          activity,
          lag,
          chain.activities[place.get(lag.from)!],
          `the plan itself makes it wait ${sayDuration(least)}. Shorten the waits between, or do it sooner.`,
        ),
      );
      return { ...lag, most: null };
    });
    lagsTo.set(activity.id, lags);
  }
  return { chain: { ...chain, lagsTo }, clashes };
}

class Forward {
  private readonly at = new Map<string, Booking>();
  private readonly activityById: Map<string, Activity>;

  constructor(
    private readonly hands: Hands,
    private readonly start: WallMinutes,
    chains: readonly Chain[],
    private readonly longest: Minutes,
  ) {
    this.activityById = new Map(chains.flatMap((chain) => chain.activities.map((activity) => [activity.id, activity])));
  }

  /** Places a block as early as its waits, the hours and the other work allow; what cannot be kept is said. */
  try(chain: Chain, block: readonly Activity[]): Attempt {
    const notBefore = new Map<string, WallMinutes>();
    let last: { activity: Activity; lag: Lag } | null = null;
    for (let attempt = 0; attempt < TRIES; attempt++) {
      const held: Booking[] = [];
      let missed: { activity: Activity; lag: Lag } | null = null;
      for (const activity of block) {
        const place = this.place(chain, activity, held, notBefore.get(activity.id) ?? this.start);
        if (place === null) return this.anyway(chain, block, last ? [this.sayMissed(last)] : this.tooLong(activity));
        held.push(place);
        missed = this.missed(chain, activity, place, held);
        if (missed) break;
      }
      if (!missed) return { bookings: held, clashes: [] };
      last = missed;
      // a window was missed: what opens it has to start later
      const from = held.find((booking) => booking.id === missed.lag.from);
      const to = held.at(-1)!;
      if (!from) return this.anyway(chain, block, [this.sayMissed(missed)]);
      notBefore.set(from.id, Math.max(from.starts + 1, to.starts - missed.lag.most! - (from.ends - from.starts)));
      if (attempt === TRIES - 1 || to.starts > this.start + HORIZON_DAYS * 1440)
        return this.anyway(chain, block, [this.sayMissed(missed)]);
    }
    throw new Error("the last try always answers");
  }

  keep(bookings: readonly Booking[]) {
    for (const booking of bookings) {
      this.hands.book(booking.starts, booking.ends);
      this.at.set(booking.id, booking);
    }
  }

  private find(id: string, held: readonly Booking[]): Booking | undefined {
    return this.at.get(id) ?? held.find((booking) => booking.id === id);
  }

  private place(chain: Chain, activity: Activity, held: readonly Booking[], notBefore: WallMinutes): Booking | null {
    let from = Math.max(this.start, notBefore);
    for (const lag of chain.lagsTo.get(activity.id)!)
      from = Math.max(from, this.find(lag.from, held)!.ends + lag.least);
    const starts = this.hands.firstFit(activity.duration, from, held);
    return starts === null ? null : booked(activity, starts);
  }

  private missed(chain: Chain, activity: Activity, place: Booking, held: readonly Booking[]) {
    const lag = chain.lagsTo
      .get(activity.id)!
      .find(
        (one) => one.most !== null && one.most <= TIGHT && place.starts - this.find(one.from, held)!.ends > one.most,
      );
    return lag ? { activity, lag } : null;
  }

  private tooLong(activity: Activity): Clash[] {
    const { zoneId, stepId, duration } = activity;
    const says =
      this.longest === 0
        ? "There are no working hours in the week. Give at least one day some hours."
        : `"${nameOf(activity)}" takes ${sayDuration(duration)} in one go and the longest working window is ${sayDuration(this.longest)}. Split the zone at a natural break, or lengthen the day.`;
    return [{ zoneId, stepId, says }];
  }

  /**
   * The block in its order with the least waits, as near to the hours as it comes, so that the rest can still be dated. Every
   * window that is missed on the way is said.
   */
  private anyway(chain: Chain, block: readonly Activity[], clashes: Clash[]): Attempt {
    const held: Booking[] = [];
    const said = [...clashes];
    for (const activity of block) {
      let place = this.place(chain, activity, held, this.start);
      if (place === null) {
        const from = Math.max(
          this.start,
          ...chain.lagsTo.get(activity.id)!.map((lag) => this.find(lag.from, held)!.ends + lag.least),
        );
        place = booked(activity, this.hands.firstFit(1, from, held) ?? from);
        if (!said.some((clash) => clash.stepId === activity.stepId)) said.push(...this.tooLong(activity));
      }
      held.push(place);
      const missed = this.missed(chain, activity, place, held);
      if (missed && !said.some((clash) => clash.stepId === activity.stepId)) said.push(this.sayMissed(missed));
    }
    return { bookings: held, clashes: said };
  }

  private sayMissed({ activity, lag }: { activity: Activity; lag: Lag }): Clash {
    const because = `no working window of the next ${HORIZON_DAYS} days allows it. Lengthen a working day, or loosen the wait.`;
    return sayClash(activity, lag, this.activityById.get(lag.from), because);
  }
}

const overlaps = (one: readonly Booking[], two: readonly Booking[]) =>
  one.some((a) => two.some((b) => a.starts < b.ends && b.starts < a.ends));

/**
 * A plain forward schedule for one painter inside the working hours: always the block of work that can begin soonest,
 * as early as its waits allow, tight windows in one go. Least and greatest waits are kept or said to be impossible.
 */
export function schedule(plan: Plan, judgement: Judgement): Schedule {
  const start = readWallTime(plan.start)!;
  const { hours } = plan.pinned;
  const sorted = networkOf(judgement).map(withoutContradictions);
  const chains = sorted.map((one) => one.chain);
  const longest = longestWindow(hours);
  const forward = new Forward(new Hands(workingWindows(hours, start, HORIZON_DAYS)), start, chains, longest);
  const waiting = chains.map((chain) => ({ chain, blocks: blocksOf(chain), next: 0, attempt: null as Attempt | null }));
  const bookings: Booking[] = [];
  const clashes: Clash[] = sorted.flatMap((one) => one.clashes);
  for (;;) {
    let soonest: (typeof waiting)[number] | null = null;
    for (const line of waiting) {
      if (line.next >= line.blocks.length) continue;
      line.attempt ??= forward.try(line.chain, line.blocks[line.next]!);
      if (soonest === null || line.attempt.bookings[0]!.starts < soonest.attempt!.bookings[0]!.starts) soonest = line;
    }
    if (soonest === null) break;
    const done = soonest.attempt!;
    forward.keep(done.bookings);
    bookings.push(...done.bookings);
    clashes.push(...done.clashes);
    soonest.next++;
    soonest.attempt = null;
    for (const line of waiting) if (line.attempt && overlaps(line.attempt.bookings, done.bookings)) line.attempt = null;
  }
  clashes.push(...missedLater(chains, bookings));
  bookings.sort((one, two) => one.starts - two.starts || (one.id < two.id ? -1 : 1));
  return {
    start,
    bookings,
    clashes,
    finish: bookings.length === 0 ? null : Math.max(...bookings.map((booking) => booking.ends)),
  };
}

/** Long windows that shut before the work came round. */
function missedLater(chains: readonly Chain[], bookings: readonly Booking[]): Clash[] {
  const at = new Map(bookings.map((booking) => [booking.id, booking]));
  return chains.flatMap((chain) =>
    chain.activities.flatMap((activity) =>
      chain.lagsTo.get(activity.id)!.flatMap((lag): Clash[] => {
        if (lag.most === null || lag.most <= TIGHT) return [];
        const waited = at.get(activity.id)!.starts - at.get(lag.from)!.ends;
        if (waited <= lag.most) return [];
        return [
          {
            zoneId: activity.zoneId,
            stepId: activity.stepId,
            says: `"${nameOf(activity)}" comes ${sayDuration(waited)} after the layer below and its window (${lag.reason}) shuts after ${sayDuration(lag.most)}. Scuff before it, or work nearer together.`,
          },
        ];
      }),
    ),
  );
}
