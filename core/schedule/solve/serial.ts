import { DAY, type Minutes } from "../../units/units.ts";
import {
  FAR,
  type Fit,
  fitOf,
  type Lag,
  latestOf,
  type Minute,
  type Network,
  type Stretch,
  type VaryingLag,
} from "./problem.ts";

interface Link {
  other: number;
  min: Minutes;
  max: Minutes | null;
  varies: VaryingLag | undefined;
  lag: Lag;
}

/** Activities that maximum waits tie together: they are placed in one go. */
interface Block {
  /** in an order in which each comes after what it waits for */
  members: number[];
  /** blocks that must stand before it does */
  after: Set<number>;
  before: Set<number>;
  /** longest way from its beginning to the end of everything, or to its due date */
  tail: Minutes;
}

interface Attempt {
  starts: Map<number, Minute>;
  /** whose hands were free first, of those that could do it */
  ways: Map<number, number>;
  begins: Minute;
  /** maximum waits that were missed */
  missed: Lag[];
}

export interface Placed {
  starts: Int32Array;
  makespan: Minute;
  /** maximum waits that were missed */
  missed: Lag[];
  /** activities that came after their latest, by number */
  late: number[];
  /** of those that could do each, who was free first */
  ways: number[];
}

interface Ready {
  /** where it would go; null where other work has taken that place since */
  attempt: Attempt | null;
  /** where it would have gone before: it can only have become later */
  before: Attempt | null;
  /** it begins then, or later */
  begins: Minute;
  /** how much later than another it may begin and still go first */
  bias: number;
}

const TRIES = 60;
/** Minutes after the last due date at which what is not due counts as due. */
const NOT_DUE: Minutes = 30 * DAY;
const LONGEST_FILLED = 600;
const MOST_ITEMS = 24;

/** Stretches that are taken on a resource, in order, with how much of it is taken. */
class Timeline {
  private readonly from: Minute[] = [];
  private readonly to: Minute[] = [];
  private readonly use: number[] = [];

  constructor(private readonly capacity: number) {}

  private first(minute: Minute): number {
    // stretches overlap where there is room for several: the longest decides how far back to look
    let low = 0;
    let high = this.from.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.from[middle]! + this.longest <= minute) low = middle + 1;
      else high = middle;
    }
    return low;
  }
  private longest = 0;

  add(from: Minute, to: Minute, use: number) {
    let low = 0;
    let high = this.from.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.from[middle]! <= from) low = middle + 1;
      else high = middle;
    }
    this.from.splice(low, 0, from);
    this.to.splice(low, 0, to);
    this.use.splice(low, 0, use);
    this.longest = Math.max(this.longest, to - from);
  }

  remove(from: Minute, to: Minute, use: number) {
    for (let at = this.first(from); at < this.from.length; at++)
      if (this.from[at] === from && this.to[at] === to && this.use[at] === use) {
        this.from.splice(at, 1);
        this.to.splice(at, 1);
        this.use.splice(at, 1);
        return;
      }
  }

  /** The earliest start, no earlier than asked, from which so much is free for so long. */
  clear(start: Minute, duration: Minutes, use: number): Minute {
    let at = start;
    for (let moved = true; moved; ) {
      moved = false;
      let taken = 0;
      let frees = FAR;
      for (let index = this.first(at); index < this.from.length && this.from[index]! < at + duration; index++) {
        if (this.to[index]! <= at) continue;
        taken += this.use[index]!;
        frees = Math.min(frees, this.to[index]!);
      }
      // all that touches the span counts at once: a little careful with several hands, exact with one
      if (taken + use > this.capacity) {
        at = frees;
        moved = true;
      }
    }
    return at;
  }
}

interface Need {
  name: string;
  use: number;
}

/** Places activities one block after another, each as early as it will go: quick, for networks of any size, and rarely far off. */
export class Serial {
  private readonly count: number;
  private readonly duration: Int32Array;
  private readonly into: Link[][];
  private readonly outOf: Link[][];
  private readonly latest: Int32Array;
  private readonly fixed: readonly number[];
  private readonly isFixed: Uint8Array;
  private readonly order: readonly number[];
  private readonly blocks: Block[];
  /** working windows, where all painters keep to the same */
  private readonly windows: readonly Stretch[];
  /** of each activity, the resources it takes, by whoever could do it */
  private readonly needs: Need[][][];
  /** where it fits into the hours of each of them */
  private readonly fitsOfWays: (Fit | null)[][];
  /** longest way from an activity's start to the end of everything */
  readonly tails: Int32Array;
  /** the same with due dates: what is due earlier has a longer way */
  private readonly urgency: Int32Array;

  constructor(
    private readonly network: Network,
    private readonly fits: readonly (Fit | null)[],
  ) {
    const { activities, lags } = network;
    this.count = activities.length;
    this.duration = Int32Array.from(activities, (one) => one.duration);
    this.into = activities.map(() => []);
    this.outOf = activities.map(() => []);
    const place = new Map(activities.map(({ id }, at) => [id, at]));
    for (const lag of lags) {
      const from = place.get(lag.from)!;
      const to = place.get(lag.to)!;
      const { min, max, varies } = lag;
      this.into[to]!.push({ other: from, min, max, varies, lag });
      this.outOf[from]!.push({ other: to, min, max, varies, lag });
    }
    const needsOf = (uses: Network["capacity"]) =>
      Object.entries(uses).flatMap(([name, use]) => (use > 0 ? [{ name, use }] : []));
    this.needs = activities.map(({ uses, ways }) => ways?.map((way) => needsOf(way.uses)) ?? [needsOf(uses)]);
    this.fitsOfWays = activities.map(({ ways, duration, anyHour }, at) =>
      ways && !anyHour
        ? ways.map(({ calendar }) => fitOf(network.calendars[calendar]!, duration))
        : Array.from({ length: ways?.length ?? 1 }, () => fits[at]!),
    );
    this.latest = Int32Array.from(activities, latestOf);
    this.fixed = activities.flatMap(({ earliest, latest }, at) =>
      earliest !== undefined && earliest === latest ? [at] : [],
    );
    this.isFixed = new Uint8Array(this.count);
    for (const at of this.fixed) this.isFixed[at] = 1;
    this.windows = network.calendars.length === 1 ? network.calendars[0]! : [];
    this.order = this.inOrder();
    this.tails = this.tailsOf(this.order, this.duration);
    this.urgency = activities.some(({ due }) => due !== undefined)
      ? this.tailsOf(this.order, this.untilLastDue())
      : this.tails;
    this.blocks = this.blocksOf(this.order);
  }

  /** Each after what it waits for, if the least waits allow an order at all. */
  private inOrder(): number[] {
    const waits = Int32Array.from(this.into, (links) => links.length);
    const order: number[] = [];
    for (let at = 0; at < this.count; at++) if (waits[at] === 0) order.push(at);
    for (let next = 0; next < order.length; next++)
      for (const { other } of this.outOf[order[next]!]!) if (--waits[other]! === 0) order.push(other);
    const placed = new Set(order);
    for (let at = 0; at < this.count; at++) if (!placed.has(at)) order.push(at);
    return order;
  }

  /** What is due earlier has that much further to go; what is not due at all counts as due long after all else. */
  private untilLastDue(): Int32Array {
    const { activities } = this.network;
    const last = activities.reduce((latest, { due = 0 }) => Math.max(latest, due), 0) + NOT_DUE;
    return this.duration.map((duration, at) => duration + last - (activities[at]!.due ?? last));
  }

  private tailsOf(order: readonly number[], own: Int32Array): Int32Array {
    const tails = own.slice();
    for (const at of [...order].reverse())
      for (const { other, min } of this.outOf[at]!)
        tails[at] = Math.max(tails[at]!, this.duration[at]! + min + tails[other]!);
    return tails;
  }

  private blocksOf(order: readonly number[]): Block[] {
    const parent = Int32Array.from({ length: this.count }, (_, at) => at);
    const root = (at: number): number => {
      let top = at;
      while (parent[top] !== top) top = parent[top]!;
      parent[at] = top;
      return top;
    };
    for (let to = 0; to < this.count; to++)
      for (const { other, max } of this.into[to]!) if (max !== null) parent[root(other)] = root(to);
    const rank = new Int32Array(this.count);
    order.forEach((at, index) => {
      rank[at] = index;
    });
    // blocks that wait for each other in a ring are one block
    for (let joined = true; joined; ) {
      joined = false;
      for (const ring of rings(this.count, root, this.into))
        for (const at of ring.slice(1)) {
          parent[root(at)] = root(ring[0]!);
          joined = true;
        }
    }
    const numbers = new Map<number, number>();
    const blocks: Block[] = [];
    for (const at of order) {
      const top = root(at);
      let number = numbers.get(top);
      if (number === undefined) {
        number = blocks.length;
        numbers.set(top, number);
        blocks.push({ members: [], after: new Set(), before: new Set(), tail: 0 });
      }
      blocks[number]!.members.push(at);
      blocks[number]!.tail = Math.max(blocks[number]!.tail, this.urgency[at]!);
    }
    for (let to = 0; to < this.count; to++)
      for (const { other } of this.into[to]!) {
        const first = numbers.get(root(other))!;
        const second = numbers.get(root(to))!;
        if (first === second) continue;
        blocks[second]!.after.add(first);
        blocks[first]!.before.add(second);
      }
    return blocks;
  }

  /**
   * Starts of all activities: again and again the block that can begin earliest, where one with a longer way before
   * it may begin `patience` times as much later. With `fills`, of those that could begin together the ones are taken
   * that leave least of the working window empty. Maximum waits that could not be met are named; all else is met.
   */
  run(patience: number, noise: () => number, fills = false): Placed {
    const lines = this.timelines();
    const starts = new Int32Array(this.count).fill(-1);
    const waiting = this.blocks.map((block) => block.after.size);
    const ready = new Map<number, Ready>();
    const makeReady = (number: number) =>
      ready.set(number, {
        attempt: null,
        before: null,
        begins: 0,
        bias: patience * this.blocks[number]!.tail * (1 + noise()),
      });
    waiting.forEach((open, number) => {
      if (open === 0) makeReady(number);
    });
    const missed: Lag[] = [];
    const late: number[] = [];
    const ways = Array.from({ length: this.count }, () => 0);
    let makespan = 0;
    // what has its time set takes it before anything else is placed
    for (const at of this.fixed) {
      ways[at] = this.freeAt(at, lines);
      for (const { name, use } of this.needs[at]![ways[at]!]!)
        lines.get(name)!.add(this.latest[at]!, this.latest[at]! + this.duration[at]!, use);
    }
    this.fixedWays = ways;
    while (ready.size > 0) {
      // what was tried before is a bound: work only ever fills up
      let chosen = -1;
      for (;;) {
        let best = Number.POSITIVE_INFINITY;
        for (const [number, one] of ready) {
          const key = one.begins - one.bias;
          if (key < best) {
            best = key;
            chosen = number;
          }
        }
        const one = ready.get(chosen)!;
        if (one.attempt !== null) break;
        this.attempt(one, chosen, starts, lines);
        if (one.begins - one.bias <= best) break;
      }
      if (fills) chosen = this.fillsBest(ready, chosen, starts, lines);
      const { attempt } = ready.get(chosen)!;
      ready.delete(chosen);
      makespan = Math.max(makespan, this.keep(attempt!, starts, lines));
      const taken = [...attempt!.starts]
        .filter(([at]) => this.needs[at]!.some((needs) => needs.length > 0))
        .map(([at, start]) => [start, start + this.duration[at]!] as const);
      missed.push(...attempt!.missed);
      for (const [at, way] of attempt!.ways) ways[at] = way;
      for (const [at, start] of attempt!.starts) if (start > this.latest[at]!) late.push(at);
      for (const next of this.blocks[chosen]!.before) if (--waiting[next]! === 0) makeReady(next);
      for (const one of ready.values())
        if (
          one.attempt &&
          [...one.attempt.starts].some(([at, start]) =>
            taken.some(([from, to]) => start < to && from < start + this.duration[at]!),
          )
        ) {
          one.before = one.attempt;
          one.attempt = null;
        }
    }
    return { starts, makespan, missed, late, ways };
  }

  /** Earliest starts if only waits and windows counted and nobody were in anybody's way, and the wait that held each up. */
  private unhindered(): { starts: Float64Array; heldBy: (Lag | null)[] } {
    const { activities } = this.network;
    const starts = new Float64Array(this.count);
    const heldBy: (Lag | null)[] = activities.map(() => null);
    for (const at of this.order) {
      let from = activities[at]!.earliest ?? 0;
      for (const { other, min, varies, lag } of this.into[at]!) {
        const finish = starts[other]! + this.duration[other]!;
        const opens = varies ? varies.opens(finish) : finish + min;
        if (opens <= from) continue;
        from = opens;
        heldBy[at] = lag;
      }
      const fit = this.fits[at]!;
      starts[at] = fit === null ? from : fit.next(from);
    }
    return { starts, heldBy };
  }

  /** The last finish if only waits and windows counted: no schedule ends earlier. */
  longestWay(): Minute {
    return this.unhindered().starts.reduce((last, start, at) => Math.max(last, start + this.duration[at]!), 0);
  }

  /** The waits, one after another, that keep an activity from starting earlier than waits and windows let it. */
  wayTo(id: string): Lag[] {
    const { heldBy } = this.unhindered();
    const place = new Map(this.network.activities.map((one, at) => [one.id, at]));
    const way: Lag[] = [];
    for (let lag = heldBy[place.get(id)!]; lag && way.length < this.count; lag = heldBy[place.get(lag.from)!])
      way.push(lag);
    return way;
  }

  private timelines() {
    return new Map(Object.entries(this.network.capacity).map(([name, most]) => [name, new Timeline(most)]));
  }

  /** Who takes what has its time set: whoever is free then, otherwise the first. */
  private freeAt(at: number, lines: ReadonlyMap<string, Timeline>): number {
    const start = this.latest[at]!;
    const free = this.needs[at]!.findIndex((needs) =>
      needs.every(({ name, use }) => lines.get(name)!.clear(start, this.duration[at]!, use) === start),
    );
    return Math.max(0, free);
  }
  private fixedWays: readonly number[] = [];

  /** Takes the places of an attempt; answers its last finish. */
  private keep(attempt: Attempt, starts: Int32Array, lines: ReadonlyMap<string, Timeline>): Minute {
    let last = 0;
    for (const [at, start] of attempt.starts) {
      starts[at] = start;
      const end = start + this.duration[at]!;
      if (!this.network.activities[at]!.aside) last = Math.max(last, end);
      if (this.isFixed[at] && start === this.latest[at]) continue;
      for (const { name, use } of this.needs[at]![attempt.ways.get(at) ?? 0]!) lines.get(name)!.add(start, end, use);
    }
    return last;
  }

  /** Of the blocks that could begin as soon as the chosen one, the first of those that together fill its window best. */
  private fillsBest(
    ready: ReadonlyMap<number, Ready>,
    chosen: number,
    placed: Int32Array,
    lines: ReadonlyMap<string, Timeline>,
  ): number {
    const begins = ready.get(chosen)!.attempt!.begins;
    const window = this.windows.find(([, to]) => to > begins);
    if (!window || window[0] > begins) return chosen;
    const gap = window[1] - begins;
    if (gap > LONGEST_FILLED) return chosen;
    const items: { number: number; length: Minutes; bias: number }[] = [];
    const near = [...ready].filter(([, one]) => one.begins <= begins).sort((one, two) => two[1].bias - one[1].bias);
    for (const [number, one] of near) {
      if (items.length === MOST_ITEMS) break;
      if (one.attempt === null) this.attempt(one, number, placed, lines);
      if (one.begins !== begins) continue;
      let length = 0;
      for (const [at, start] of one.attempt!.starts)
        if (this.fits[at] !== null && start < window[1]) length += this.duration[at]!;
      if (length > 0 && length <= gap) items.push({ number, length, bias: one.bias });
    }
    if (items.length < 2) return chosen;
    items.sort((one, two) => two.bias - one.bias || two.length - one.length || one.number - two.number);
    // sums that the items from one on can make
    const width = gap + 1;
    const sums = new Uint8Array((items.length + 1) * width);
    sums[items.length * width] = 1;
    for (let at = items.length - 1; at >= 0; at--) {
      const row = at * width;
      const { length } = items[at]!;
      for (let sum = 0; sum <= gap; sum++)
        sums[row + sum] = sums[row + width + sum]! | (sum >= length ? sums[row + width + sum - length]! : 0);
    }
    let best = gap;
    while (best > 0 && !sums[best]) best--;
    for (let at = 0; at < items.length; at++) {
      const { length, number } = items[at]!;
      if (length <= best && sums[(at + 1) * width + best - length]) return number;
    }
    return chosen;
  }

  private attempt(one: Ready, number: number, placed: Int32Array, lines: ReadonlyMap<string, Timeline>) {
    one.attempt = this.place(this.blocks[number]!, placed, lines, one.before?.starts);
    one.begins = one.attempt.begins;
  }

  private earliestBy({ other, min, varies }: Link, at: (one: number) => Minute): Minute {
    const start = at(other);
    if (start < 0) return 0;
    const finish = start + this.duration[other]!;
    return varies ? varies.opens(finish) : finish + min;
  }

  /** The block as early as its waits, the windows and the other work allow; if a maximum wait is missed, what opens it begins later. */
  private place(
    block: Block,
    fixed: Int32Array,
    lines: ReadonlyMap<string, Timeline>,
    sooner: ReadonlyMap<number, Minute> | undefined,
  ): Attempt {
    if (block.members.length === 1)
      return this.placeOne(block.members[0]!, fixed, lines, sooner?.get(block.members[0]!) ?? 0);
    const notBefore = new Map<number, Minute>();
    let missed: Lag[] = [];
    for (let attempt = 0; ; attempt++) {
      const starts = new Map<number, Minute>();
      const ways = new Map<number, number>();
      const held: { name: string; from: Minute; to: Minute; use: number }[] = [];
      missed = [];
      let again = false;
      for (const at of block.members) {
        const where = (one: number) => starts.get(one) ?? fixed[one]!;
        let from = Math.max(notBefore.get(at) ?? 0, sooner?.get(at) ?? 0, this.network.activities[at]!.earliest ?? 0);
        for (const link of this.into[at]!) from = Math.max(from, this.earliestBy(link, where));
        const inTime = this.isFixed[at] && from <= this.latest[at]!;
        const [start, way] = inTime ? [this.latest[at]!, this.fixedWays[at]!] : this.firstFit(at, from, lines);
        starts.set(at, start);
        ways.set(at, way);
        for (const { name, use } of inTime ? [] : this.needs[at]![way]!) {
          lines.get(name)!.add(start, start + this.duration[at]!, use);
          held.push({ name, from: start, to: start + this.duration[at]!, use });
        }
        for (const { other, max, varies, lag } of this.into[at]!) {
          if (max === null || where(other) < 0) continue;
          const finish = where(other) + this.duration[other]!;
          const latest = varies?.shuts ? varies.shuts(finish) : finish + max;
          if (start <= latest) continue;
          const needed = (varies?.shuts ? varies.shutsBack(start) : start - max) - this.duration[other]!;
          if (attempt < TRIES && starts.has(other) && start < FAR) {
            notBefore.set(other, Math.max(needed, where(other) + 1));
            again = true;
          } else missed.push(lag);
        }
        if (again) break;
      }
      for (const { name, from, to, use } of held) lines.get(name)!.remove(from, to, use);
      if (!again) return { starts, ways, begins: Math.min(...starts.values()), missed };
    }
  }

  private placeOne(at: number, fixed: Int32Array, lines: ReadonlyMap<string, Timeline>, sooner: Minute): Attempt {
    let from = Math.max(sooner, this.network.activities[at]!.earliest ?? 0);
    for (const { other, min, varies } of this.into[at]!) {
      const finish = fixed[other]! + this.duration[other]!;
      from = Math.max(from, varies ? varies.opens(finish) : finish + min);
    }
    const inTime = this.isFixed[at] && from <= this.latest[at]!;
    const [start, way] = inTime ? [this.latest[at]!, this.fixedWays[at]!] : this.firstFit(at, from, lines);
    return { starts: new Map([[at, start]]), ways: new Map([[at, way]]), begins: start, missed: [] };
  }

  /** The earliest start, and whose hands are free first: of several the first. */
  private firstFit(at: number, from: Minute, lines: ReadonlyMap<string, Timeline>): [start: Minute, way: number] {
    const { length } = this.needs[at]!;
    let best: [Minute, number] = [this.firstFitOf(at, 0, from, lines), 0];
    for (let way = 1; way < length; way++) {
      const start = this.firstFitOf(at, way, from, lines);
      if (start < best[0]) best = [start, way];
    }
    return best;
  }

  private firstFitOf(at: number, way: number, from: Minute, lines: ReadonlyMap<string, Timeline>): Minute {
    const fit = this.fitsOfWays[at]![way]!;
    let start = from;
    for (;;) {
      const open = fit === null ? start : fit.next(start);
      if (open >= FAR) return FAR;
      let clear = open;
      for (const { name, use } of this.needs[at]![way]!) clear = lines.get(name)!.clear(clear, this.duration[at]!, use);
      if (clear === open) return open;
      start = clear;
    }
  }
}

/** Groups of blocks that lead back to each other (Tarjan), by a member of each block. */
function rings(count: number, root: (at: number) => number, into: readonly (readonly Link[])[]): number[][] {
  const next = new Map<number, Set<number>>();
  for (let to = 0; to < count; to++)
    for (const { other } of into[to]!) {
      const from = root(other);
      const end = root(to);
      if (from === end) continue;
      const ends = next.get(from) ?? new Set<number>();
      ends.add(end);
      next.set(from, ends);
    }
  const index = new Map<number, number>();
  const low = new Map<number, number>();
  const stack: number[] = [];
  const onStack = new Set<number>();
  const found: number[][] = [];
  const visit = (start: number) => {
    const work: { at: number; rest: number[] }[] = [];
    const open = (at: number) => {
      index.set(at, index.size);
      low.set(at, index.get(at)!);
      stack.push(at);
      onStack.add(at);
      work.push({ at, rest: [...(next.get(at) ?? [])] });
    };
    open(start);
    while (work.length > 0) {
      const top = work.at(-1)!;
      const to = top.rest.pop();
      if (to !== undefined) {
        if (!index.has(to)) open(to);
        else if (onStack.has(to)) low.set(top.at, Math.min(low.get(top.at)!, index.get(to)!));
        continue;
      }
      work.pop();
      const above = work.at(-1);
      if (above) low.set(above.at, Math.min(low.get(above.at)!, low.get(top.at)!));
      if (low.get(top.at) !== index.get(top.at)) continue;
      const ring: number[] = [];
      for (;;) {
        const one = stack.pop()!;
        onStack.delete(one);
        ring.push(one);
        if (one === top.at) break;
      }
      if (ring.length > 1) found.push(ring);
    }
  };
  for (let at = 0; at < count; at++) if (root(at) === at && !index.has(at)) visit(at);
  return found;
}
