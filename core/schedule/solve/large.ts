import type { Minutes } from "../../units/units.ts";
import { Bound } from "./bound.ts";
import { chainsOf, longestWay } from "./chains.ts";
import { FAR, fitsOf, type Minute, type Network, PAINTER } from "./network.ts";
import { loadsOf, pricedLoadOf } from "./packing.ts";
import type { Peers } from "./peers.ts";
import { Random } from "./random.ts";
import { Rearranging } from "./rearrange.ts";
import { Cutter, type Part } from "./repack.ts";
import { Serial } from "./serial.ts";

export interface LargeOptions {
  until: number;
  now: () => number;
  seed: number;
  /** a schedule of a small part: shorter than the known one, or where none is known the first there is; null where none was found */
  solvePart: (
    part: Part,
    budget: number,
    known: Readonly<Record<string, Minute>> | null,
  ) => { makespan: Minute; starts: Record<string, Minute> } | null;
  /** called with every better schedule; false cancels */
  onBetter: (starts: Int32Array, makespan: Minute) => boolean;
  peers?: Peers | undefined;
}

export interface LargeAnswer {
  starts: Int32Array | null;
  makespan: Minute;
  bound: Minute;
}

/** Windows that are packed again at a time, and how many activities at most they may hold. */
const WINDOWS = 3;
const MOST = 23;
const PART_BUDGET = 3;
const MOST_PLACES = 14;
const PATIENCE = [0.05, 0.1, 0.02, 0.3, 0.5, 1];
/** Of the time given, so much goes into placing all in turn in other orders, so many at most. */
const TURNS_SHARE = 0.15;
/** Milliseconds of changing the order, between packing again. */
const REARRANGE_FOR = 60;
const MOST_SWEEPS = 3;
const FAR_AHEAD: Minutes = 720;
/** Work is pulled forward from so many windows after, and so many pieces of it are tried at a place. */
const PULLED_FROM = 6;
const MOST_PULLED = 3;
const MOST_TURNS = 400;
/** Beyond this size packing again gains too little for its time. */
const MOST_PACKED = 2000;

/**
 * Good schedules of networks too large to decide pair by pair: placed in turn, then packed again a few windows at a
 * time.
 */
export function solveLarge(network: Network, options: LargeOptions): LargeAnswer {
  const chains = chainsOf(network);
  const serial = new Serial(network, fitsOf(network));
  const answer: LargeAnswer = { starts: null, makespan: FAR, bound: longestWay(network, chains) };
  const noise = new Random(options.seed);
  const over = () => options.now() >= options.until || answer.bound >= answer.makespan;
  let called = false;
  const keep = (starts: Int32Array, makespan: Minute) => {
    if (makespan >= answer.makespan) return;
    answer.starts = starts.slice();
    answer.makespan = makespan;
    options.peers?.offer(answer.starts, makespan);
    called = !options.onBetter(answer.starts, makespan);
  };
  const packable =
    network.calendars.length === 1 && network.capacity[PAINTER] === 1 && network.activities.length <= MOST_PACKED;
  const began = options.now();
  const forTurns = began + TURNS_SHARE * (options.until - began);
  const bound = new Bound(network, chains.order);
  const rearranging = network.activities.length <= MOST_PACKED ? Rearranging.for(network, bound, options.seed) : null;
  const quick = rearranging?.first();
  if (quick) keep(quick.starts, quick.makespan);
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const patience = PATIENCE[turn % PATIENCE.length]!;
    const noisy = turn < PATIENCE.length ? () => 0 : () => noise.next() - 0.5;
    // by turns the longest way is measured in minutes, and in days as the calendar has them
    const latest = turn % 2 === 1 && answer.starts !== null ? bound.latestFor(answer.makespan) : null;
    const { starts, makespan, missed, late } = serial.run(patience, noisy, turn % 4 !== 3, latest);
    if (missed.length + late.length === 0 && makespan < FAR) keep(starts, makespan);
    if (called || over() || (answer.starts !== null && options.now() >= forTurns)) break;
  }
  if (answer.starts === null) return answer;
  if (network.activities.length <= MOST_PACKED) raiseBound(network, bound, answer);
  const packer = packable ? new Packer(network, options, noise) : null;
  const done = () => called || over();
  const current = answer.starts.slice();
  const keepCurrent = () => {
    const makespan = network.activities.reduce(
      (last, { duration }, index) => Math.max(last, current[index]! + duration),
      0,
    );
    keep(current, makespan);
    return makespan;
  };
  options.peers?.raise(answer.bound);
  while ((rearranging || packer) && !done()) {
    const other = options.peers?.earlierThan(answer.makespan);
    if (other) {
      // what is only a little better is no reason to leave what was being packed
      if (other.makespan + FAR_AHEAD < answer.makespan) current.set(other.starts);
      keep(other.starts, other.makespan);
    }
    packer?.run(current, keepCurrent, done);
    if (!rearranging) break;
    const until = Math.min(options.until, options.now() + REARRANGE_FOR);
    const changed = rearranging.run(current, keepCurrent(), {
      over: () => done() || options.now() >= until,
      bound: () => answer.bound,
      onBetter: keep,
    });
    current.set(changed);
  }
  return answer;
}

/** By what the windows hold of the work, then of whole pieces of it. */
function raiseBound(network: Network, bound: Bound, answer: LargeAnswer) {
  for (const load of [...loadsOf(network), pricedLoadOf(network)]) {
    if (load) bound.weigh(load);
    answer.bound = bound.between(answer.bound, answer.makespan);
  }
}

/** Packs a schedule again, a few windows at a time, until that gains nothing. */
class Packer {
  private readonly cutter: Cutter;
  private readonly groups: { members: number[]; work: Minutes }[];
  private readonly shortest: Minutes;

  constructor(
    network: Network,
    private readonly options: LargeOptions,
    private readonly noise: Random,
  ) {
    this.cutter = new Cutter(network);
    this.groups = this.cutter.groups().map((members) => ({ members, work: this.cutter.handsOn(members) }));
    this.shortest = Math.min(...this.groups.map(({ work }) => (work > 0 ? work : FAR)));
  }

  /** Changes the starts in place; calls `keep` where they may have become better. */
  run(starts: Int32Array, keep: () => Minute, over: () => boolean) {
    const { cutter } = this;
    for (let sweep = 0; sweep < MOST_SWEEPS && !over(); sweep++) {
      let better = 0;
      const windows = cutter.windowsUntil(keep());
      for (let first = this.noise.below(2); first < windows && !over(); first += WINDOWS - 1) {
        const part = cutter.cut(starts, first, WINDOWS, MOST);
        if (this.take(starts, part, true)) better++;
      }
      better += this.pullForward(starts, windows, over);
      const makespan = keep();
      if (over()) return;
      better += bringForward(cutter, starts, makespan, (part) => this.take(starts, part, false), over);
      keep();
      if (better === 0) return;
    }
  }

  /** With `shorter` only what ends earlier is taken; otherwise the first that holds all of the part. */
  private take(starts: Int32Array, part: Part | null, shorter: boolean): boolean {
    if (!part) return false;
    const { activities } = part.network;
    const known = shorter
      ? Object.fromEntries(part.members.map((at, index) => [activities[index]!.id, starts[at]!]))
      : null;
    const left = this.options.until - this.options.now();
    const found = this.options.solvePart(part, Math.min(PART_BUDGET, left), known);
    if (!found || (shorter && found.makespan >= part.makespan)) return false;
    part.members.forEach((at, index) => {
      starts[at] = found.starts[activities[index]!.id]!;
    });
    return true;
  }

  /** Fills what is left of windows with work of the days after. */
  private pullForward(starts: Int32Array, windows: number, over: () => boolean): number {
    const { cutter } = this;
    let moved = 0;
    for (let first = 0; first + WINDOWS < windows && !over(); first++) {
      let idle = 0;
      for (let at = first; at < first + WINDOWS; at++) idle += cutter.idle(starts, at);
      if (idle < this.shortest) continue;
      const ends = cutter.window(first + WINDOWS - 1)[1];
      const until = cutter.window(Math.min(windows - 1, first + WINDOWS - 1 + PULLED_FROM))[1];
      const fitting = this.groups
        .filter(
          ({ members, work }) =>
            work > 0 && work <= idle && starts[members[0]!]! >= ends && starts[members[0]!]! < until,
        )
        .sort((a, b) => b.work - a.work);
      for (const { members } of fitting.slice(0, MOST_PULLED)) {
        if (over()) return moved;
        if (!this.take(starts, cutter.cut(starts, first, WINDOWS, MOST, members), false)) continue;
        moved++;
        break;
      }
    }
    return moved;
  }
}

/** Tries to find room in earlier windows for what stands in the last one. */
function bringForward(
  cutter: Cutter,
  starts: Int32Array,
  makespan: Minute,
  take: (part: Part | null) => boolean,
  over: () => boolean,
): number {
  const last = cutter.windowAt(makespan);
  if (!last) return 0;
  const before = cutter.windowsUntil(last[0]);
  const places: { first: number; idle: number }[] = [];
  for (let first = 0; first + WINDOWS <= before; first++) {
    let idle = 0;
    for (let at = first; at < first + WINDOWS; at++) idle += cutter.idle(starts, at);
    places.push({ first, idle });
  }
  places.sort((a, b) => b.idle - a.idle);
  let moved = 0;
  for (const group of cutter.endingAfter(starts, last[0])) {
    const work = cutter.handsOn(group);
    for (const { first, idle } of places.slice(0, MOST_PLACES)) {
      // the emptiest come first: from here on there is not even time enough left over
      if (idle < work) break;
      if (over()) return moved;
      if (!take(cutter.cut(starts, first, WINDOWS, MOST, group))) continue;
      moved++;
      break;
    }
  }
  return moved;
}
