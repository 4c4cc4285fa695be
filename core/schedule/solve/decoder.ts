import type { Block } from "./blocks.ts";
import type { Chains } from "./chains.ts";
import { Gaps } from "./gaps.ts";
import { FAR, isByHand, latestOf, type Minute, type Network, PAINTER, type Stretch } from "./network.ts";

/** Times that the beginning of a block moves on, for a window that would be missed. */
const TRIES = 60;

/** The windows of a network that needs painters of the same hours and nothing else; null for any other. */
export function onlyHands({ activities, calendars, capacity, lags }: Network): readonly Stretch[] | null {
  if ((capacity[PAINTER] ?? 0) < 1 || activities.length === 0) return null;
  const kept = new Set<number>();
  for (const activity of activities) {
    const entries = Object.entries(activity.uses).filter(([, use]) => use > 0);
    if (activity.ways || activity.anyHour || activity.aside || entries.length > 1) return null;
    if (entries.some(([name, use]) => name !== PAINTER || use > 1) || isByHand(activity) !== entries.length > 0)
      return null;
    if (activity.earliest !== undefined && activity.earliest === activity.latest) return null;
    if (entries.length > 0) kept.add(activity.calendar ?? 0);
  }
  if (kept.size !== 1 || lags.some(({ varies }) => varies)) return null;
  return calendars[[...kept][0]!]!;
}

/** The same network with time running backwards from a minute: what begins as late as it may there ends as early here. */
export function mirrored(network: Network, from: Minute): Network {
  return {
    ...network,
    calendars: network.calendars.map((windows) =>
      windows.map(([begins, ends]): Stretch => [from - ends, from - begins]).reverse(),
    ),
    activities: network.activities.map(({ due: _, earliest, latest, ...one }) => ({
      ...one,
      ...(latest === undefined ? {} : { earliest: from - latest - one.duration }),
      ...(earliest ? { latest: from - earliest - one.duration } : {}),
    })),
    lags: network.lags.map(({ from: first, to, ...lag }) => ({ ...lag, from: to, to: first })),
  };
}

/**
 * Places the blocks of a network that needs hands and nothing else, one after another in the order of their keys, each
 * as early as it will go, gaps before other work included. Built to be run thousands of times.
 */
export class Decoder {
  readonly blocks: number;
  private readonly duration: Int32Array;
  private readonly byHand: Uint8Array;
  private readonly earliest: Int32Array;
  private readonly latest: Int32Array;
  /** members of the blocks, and waits of the activities, one list after another */
  private readonly membersFrom: Int32Array;
  private readonly members: Int32Array;
  private readonly linksFrom: Int32Array;
  private readonly linkOther: Int32Array;
  private readonly linkMin: Int32Array;
  /** FAR for no upper bound */
  private readonly linkMax: Int32Array;
  private readonly waits: Int32Array;
  private readonly nextFrom: Int32Array;
  private readonly next: Int32Array;
  private readonly gaps: Gaps;
  private readonly waiting: Int32Array;
  private readonly heap: Int32Array;
  private ready = 0;
  private keys: Float64Array;
  private readonly notBefore: Int32Array;
  private starts: Int32Array;
  private begin: Minute = 0;
  private makespan: Minute = 0;

  constructor(network: Network, windows: readonly Stretch[], { into }: Chains, blocks: readonly Block[]) {
    const { activities } = network;
    const count = activities.length;
    this.blocks = blocks.length;
    this.duration = Int32Array.from(activities, ({ duration }) => duration);
    this.byHand = Uint8Array.from(activities, (activity) => (isByHand(activity) ? 1 : 0));
    this.earliest = Int32Array.from(activities, ({ earliest = 0 }) => earliest);
    this.latest = Int32Array.from(activities, latestOf);
    const offsets = (lists: readonly { length: number }[]) => {
      const from = new Int32Array(lists.length + 1);
      lists.forEach(({ length }, index) => {
        from[index + 1] = from[index]! + length;
      });
      return from;
    };
    this.membersFrom = offsets(blocks.map(({ members }) => members));
    this.members = Int32Array.from(blocks.flatMap(({ members }) => members));
    this.linksFrom = offsets(into);
    const links = into.flat();
    this.linkOther = Int32Array.from(links, ({ other }) => other);
    this.linkMin = Int32Array.from(links, ({ min }) => min);
    this.linkMax = Int32Array.from(links, ({ max }) => max ?? FAR);
    this.waits = Int32Array.from(blocks, ({ after }) => after.size);
    this.nextFrom = offsets(blocks.map(({ before }) => [...before]));
    this.next = Int32Array.from(blocks.flatMap(({ before }) => [...before]));
    this.gaps = new Gaps(windows, network.capacity[PAINTER]!, count);
    this.waiting = new Int32Array(blocks.length);
    this.heap = new Int32Array(blocks.length + 1);
    this.keys = new Float64Array(0);
    this.notBefore = new Int32Array(count);
    this.starts = new Int32Array(count);
  }

  /**
   * Fills `starts` by the order of the keys, nothing before `begin`; answers the last finish, FAR where a maximum wait
   * or a latest start was missed.
   */
  decode(keys: Float64Array, starts: Int32Array, begin: Minute = 0): Minute {
    const { waits, waiting, blocks } = this;
    this.keys = keys;
    this.starts = starts;
    this.begin = begin;
    this.makespan = 0;
    this.gaps.clear();
    starts.fill(-1);
    waiting.set(waits);
    this.ready = 0;
    for (let block = 0; block < blocks; block++) if (waiting[block] === 0) this.push(block);
    while (this.ready > 0) {
      const block = this.pop();
      if (!this.place(block)) return FAR;
      for (let at = this.nextFrom[block]!; at < this.nextFrom[block + 1]!; at++) {
        const following = this.next[at]!;
        if (--waiting[following]! === 0) this.push(following);
      }
    }
    return this.makespan;
  }

  /** The first start of each block in a schedule: keys that bring it back, or better it. */
  keysOf(starts: Int32Array, keys: Float64Array) {
    const { members, membersFrom } = this;
    for (let block = 0; block < this.blocks; block++) {
      let first = FAR;
      for (let at = membersFrom[block]!; at < membersFrom[block + 1]!; at++) {
        const start = starts[members[at]!]!;
        if (start < first) first = start;
      }
      keys[block] = first;
    }
  }

  private push(block: number) {
    const { heap, keys } = this;
    let at = ++this.ready;
    const key = keys[block]!;
    while (at > 1) {
      const above = at >> 1;
      const other = heap[above]!;
      if (keys[other]! < key || (keys[other] === key && other < block)) break;
      heap[at] = other;
      at = above;
    }
    heap[at] = block;
  }

  private pop(): number {
    const { heap, keys } = this;
    const first = heap[1]!;
    const block = heap[this.ready--]!;
    const key = keys[block]!;
    let at = 1;
    for (;;) {
      let below = 2 * at;
      if (below > this.ready) break;
      if (below < this.ready) {
        const one = heap[below]!;
        const two = heap[below + 1]!;
        if (keys[two]! < keys[one]! || (keys[two] === keys[one] && two < one)) below++;
      }
      const other = heap[below]!;
      if (key < keys[other]! || (key === keys[other] && block < other)) break;
      heap[at] = other;
      at = below;
    }
    heap[at] = block;
    return first;
  }

  /** The earliest that waits and its own time allow; `floor` is the least. */
  private opens(at: number, floor: Minute): Minute {
    const { linksFrom, linkOther, linkMin, starts, duration } = this;
    let from = floor > this.earliest[at]! ? floor : this.earliest[at]!;
    for (let link = linksFrom[at]!; link < linksFrom[at + 1]!; link++) {
      const other = linkOther[link]!;
      const start = starts[other]!;
      if (start < 0) continue;
      const opens = start + duration[other]! + linkMin[link]!;
      if (opens > from) from = opens;
    }
    return from;
  }

  private place(block: number): boolean {
    const { members, membersFrom, starts, duration, byHand, latest, gaps, notBefore } = this;
    const first = membersFrom[block]!;
    const last = membersFrom[block + 1]!;
    for (let at = first; at < last; at++) notBefore[members[at]!] = this.begin;
    for (let attempt = 0; attempt <= TRIES; attempt++) {
      let placed = first;
      let misses = false;
      for (; placed < last && !misses; placed++) {
        const member = members[placed]!;
        const from = this.opens(member, notBefore[member]!);
        const start = byHand[member] ? gaps.takeFirst(from, duration[member]!) : from;
        if (start >= FAR) break;
        starts[member] = start;
        misses = last - first > 1 && this.movesOn(member);
        if (start > latest[member]!) {
          misses = true;
          attempt = TRIES;
        }
      }
      if (placed === last && !misses) {
        for (let at = first; at < last; at++) {
          const end = starts[members[at]!]! + duration[members[at]!]!;
          if (end > this.makespan) this.makespan = end;
        }
        return true;
      }
      const full = !misses;
      for (let at = placed - 1; at >= first; at--) {
        const member = members[at]!;
        if (byHand[member]) gaps.giveBack();
        starts[member] = -1;
      }
      if (full) return false;
    }
    return false;
  }

  /** Where a start misses a maximum wait, has what opens it begin later next time. */
  private movesOn(member: number): boolean {
    const { linksFrom, linkOther, linkMax, starts, duration, notBefore } = this;
    const start = starts[member]!;
    let moved = false;
    for (let link = linksFrom[member]!; link < linksFrom[member + 1]!; link++) {
      const max = linkMax[link]!;
      const other = linkOther[link]!;
      if (max === FAR || starts[other]! < 0) continue;
      const needed = start - max - duration[other]!;
      if (needed <= starts[other]!) continue;
      if (needed > notBefore[other]!) notBefore[other] = needed;
      moved = true;
    }
    return moved;
  }
}
