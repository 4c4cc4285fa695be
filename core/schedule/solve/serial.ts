import { DAY, type Minutes } from "../../units/units.ts";
import { type Block, blocksOf } from "./blocks.ts";
import { type Chains, chainsOf, type Link, tailsOf } from "./chains.ts";
import { FAR, type Fit, fitOf, type Lag, latestOf, type Minute, type Network, type Stretch } from "./network.ts";
import { firstOfFilling } from "./room.ts";
import { Timeline } from "./timeline.ts";

interface Attempt {
  starts: Map<number, Minute>;
  /** whose hands were free first, of those that could do it */
  ways: Map<number, number>;
  begins: Minute;
  /** maximum waits that were missed */
  missed: Lag[];
  /** when it takes anything, once that has been asked for */
  spans?: number[];
}

const overlap = (a: readonly number[], b: readonly number[]): boolean => {
  for (let at = 0; at < a.length; at += 2)
    for (let other = 0; other < b.length; other += 2) if (a[at]! < b[other + 1]! && b[other]! < a[at + 1]!) return true;
  return false;
};

export interface Timetable {
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
  block: number;
  /** where it would go; null where other work has taken that place since */
  attempt: Attempt | null;
  /** where it would have gone before: it can only have become later */
  before: Attempt | null;
  /** it begins then, or later */
  begins: Minute;
  /** how much later than another it may begin and still go first */
  bias: number;
  /** when it begins, less that */
  key: number;
}

const TRIES = 60;
/** Minutes after the last due date at which what is not due counts as due. */
const NOT_DUE: Minutes = 30 * DAY;
/** Gaps up to this length are filled by looking at all sums of what could go into them. */
const LONGEST_GAP: Minutes = 600;
const MOST_ITEMS = 24;

interface Need {
  name: string;
  use: number;
}

/** Places activities one block after another, each as early as it will go: quick, for networks of any size, and rarely far off. */
export class Serial {
  private readonly count: number;
  private readonly duration: Int32Array;
  private readonly into: Chains["into"];
  private readonly latest: Int32Array;
  private readonly fixed: readonly number[];
  private readonly isFixed: Uint8Array;
  private readonly blocks: Block[];
  /** working windows, where all painters keep to the same */
  private readonly windows: readonly Stretch[];
  /** of each activity, the resources it takes, by whoever could do it */
  private readonly needs: Need[][][];
  private readonly takes: Uint8Array;
  /** where it fits into the hours of each of them */
  private readonly fitsOfWays: (Fit | null)[][];
  constructor(
    private readonly network: Network,
    private readonly fits: readonly (Fit | null)[],
  ) {
    const { activities } = network;
    this.count = activities.length;
    this.duration = Int32Array.from(activities, (activity) => activity.duration);
    const chains = chainsOf(network);
    this.into = chains.into;
    const needsOf = (uses: Network["capacity"]) =>
      Object.entries(uses).flatMap(([name, use]) => (use > 0 ? [{ name, use }] : []));
    this.needs = activities.map(({ uses, ways }) => ways?.map((way) => needsOf(way.uses)) ?? [needsOf(uses)]);
    this.takes = Uint8Array.from(this.needs, (ways) => (ways.some((needs) => needs.length > 0) ? 1 : 0));
    this.fitsOfWays = activities.map(({ ways, duration, anyHour }, index) =>
      ways && !anyHour
        ? ways.map(({ calendar }) => fitOf(network.calendars[calendar]!, duration))
        : Array.from({ length: ways?.length ?? 1 }, () => fits[index]!),
    );
    this.latest = Int32Array.from(activities, latestOf);
    this.fixed = activities.flatMap(({ earliest, latest }, index) =>
      earliest !== undefined && earliest === latest ? [index] : [],
    );
    this.isFixed = new Uint8Array(this.count);
    for (const at of this.fixed) this.isFixed[at] = 1;
    this.windows = network.calendars.length === 1 ? network.calendars[0]! : [];
    const dated = activities.some(({ due }) => due !== undefined);
    this.blocks = blocksOf(chains, tailsOf(chains, this.duration, dated ? this.untilLastDue() : this.duration));
  }

  /**
   * Starts of all activities: again and again the block that can begin earliest, where one with a longer way before
   * it may begin `patience` times as much later. With `fills`, of those that could begin together the ones are taken
   * that leave least of the working window empty. `latest` starts, where given, say how long the way is instead. Maximum waits that could not be met are named; all else is met.
   */
  run(patience: number, noise: () => number, fills = false, latest: Int32Array | null = null): Timetable {
    const lines = this.timelines();
    const starts = new Int32Array(this.count).fill(-1);
    const waiting = this.blocks.map((block) => block.after.size);
    const ready: Ready[] = [];
    const makeReady = (block: number) => {
      const { members, tail } = this.blocks[block]!;
      const way = latest === null ? tail : -members.reduce((least, index) => Math.min(least, latest[index]!), FAR);
      const bias = patience * way * (1 + noise());
      ready.push({ block, attempt: null, before: null, begins: 0, bias, key: -bias });
    };
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
    while (ready.length > 0) {
      // what was tried before is a bound: work only ever fills up
      let chosen: Ready;
      for (;;) {
        chosen = ready[0]!;
        for (const member of ready) if (member.key < chosen.key) chosen = member;
        if (chosen.attempt !== null) break;
        const { key } = chosen;
        this.attempt(chosen, starts, lines);
        if (chosen.key <= key) break;
      }
      if (fills) chosen = this.fillsBest(ready, chosen, starts, lines);
      const { attempt, block } = chosen;
      ready.splice(ready.indexOf(chosen), 1);
      makespan = Math.max(makespan, this.keep(attempt!, starts, lines));
      const taken = this.spansOf(attempt!);
      missed.push(...attempt!.missed);
      for (const [at, way] of attempt!.ways) ways[at] = way;
      for (const [at, start] of attempt!.starts) if (start > this.latest[at]!) late.push(at);
      for (const next of this.blocks[block]!.before) if (--waiting[next]! === 0) makeReady(next);
      for (const member of ready) {
        if (member.attempt === null || !overlap(this.spansOf(member.attempt), taken)) continue;
        member.before = member.attempt;
        member.attempt = null;
      }
    }
    return { starts, makespan, missed, late, ways };
  }

  /** What is due earlier has that much further to go; what is not due at all counts as due long after all else. */
  private untilLastDue(): Int32Array {
    const { activities } = this.network;
    const last = activities.reduce((latest, { due = 0 }) => Math.max(latest, due), 0) + NOT_DUE;
    return this.duration.map((duration, index) => duration + last - (activities[index]!.due ?? last));
  }

  /** Beginnings and ends of whatever takes anything, by turns. */
  private spansOf(attempt: Attempt): number[] {
    if (attempt.spans) return attempt.spans;
    const spans: number[] = [];
    for (const [at, start] of attempt.starts) if (this.takes[at]) spans.push(start, start + this.duration[at]!);
    attempt.spans = spans;
    return spans;
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
    ready: readonly Ready[],
    chosen: Ready,
    placed: Int32Array,
    lines: ReadonlyMap<string, Timeline>,
  ): Ready {
    const { begins } = chosen;
    const window = this.windows.find(([, to]) => to > begins);
    if (!window || window[0] > begins) return chosen;
    const gap = window[1] - begins;
    if (gap > LONGEST_GAP) return chosen;
    const items: { one: Ready; length: Minutes }[] = [];
    const near = ready.filter((ready) => ready.begins <= begins).sort((a, b) => b.bias - a.bias);
    for (const ready of near) {
      if (items.length === MOST_ITEMS) break;
      if (ready.attempt === null) this.attempt(ready, placed, lines);
      if (ready.begins !== begins) continue;
      let length = 0;
      for (const [at, start] of ready.attempt!.starts)
        if (this.fits[at] !== null && start < window[1]) length += this.duration[at]!;
      if (length > 0 && length <= gap) items.push({ one: ready, length });
    }
    if (items.length < 2) return chosen;
    items.sort((a, b) => b.one.bias - a.one.bias || b.length - a.length || a.one.block - b.one.block);
    const first = firstOfFilling(
      items.map(({ length }) => length),
      gap,
    );
    return first < 0 ? chosen : items[first]!.one;
  }

  private attempt(ready: Ready, placed: Int32Array, lines: ReadonlyMap<string, Timeline>) {
    ready.attempt = this.place(this.blocks[ready.block]!, placed, lines, ready.before?.starts);
    ready.begins = ready.attempt.begins;
    ready.key = ready.begins - ready.bias;
  }

  private earliestBy({ other, min, varies }: Link, at: (activity: number) => Minute): Minute {
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
        const where = (activity: number) => starts.get(activity) ?? fixed[activity]!;
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
