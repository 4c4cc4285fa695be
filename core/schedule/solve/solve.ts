import { DAY } from "../../units/units.ts";
import { Bound } from "./bound.ts";
import { chainsOf } from "./chains.ts";
import { solveLarge } from "./large.ts";
import { Neighbours } from "./neighbours.ts";
import { FAR, isByHand, type Minute, type Network } from "./network.ts";
import { pricedLoadOf } from "./packing.ts";
import type { Peers } from "./peers.ts";
import { type Problem, problemOf } from "./problem.ts";
import { Random } from "./random.ts";
import { Rearranging } from "./rearrange.ts";
import { type Outcome, Search } from "./search.ts";
import { Serial } from "./serial.ts";

export interface SolveOptions {
  /** milliseconds it may take, all included */
  budget: number;
  /** a clock in milliseconds: the core has none of its own */
  now: () => number;
  /** pushes of one start by another that it may take: where the clock counts looks and not time, that is what they cost */
  pushes?: number;
  seed?: number;
  /** a schedule that is already known: only what ends earlier is looked for */
  known?: Readonly<Record<string, Minute>>;
  /** others who work on the same network at the same time */
  peers?: Peers;
  /** share of the time that goes into other orders of the same blocks, before anything is decided pair by pair */
  rearranging?: number;
  /** it is a part of something larger, looked at for a moment: bounds that take time are left out */
  part?: boolean;
  /** called with every better schedule; returning false cancels */
  onBetter?: (solution: Solution) => boolean;
}

export interface Solution {
  feasible: boolean;
  /** the last finish; null where there is no schedule */
  makespan: Minute | null;
  starts: Record<string, Minute> | null;
  /** no schedule finishes earlier */
  lowerBound: Minute;
  /** the makespan is the best there is, or it is certain that there is none */
  proven: boolean;
}

/** A probe of the earliest finish that could be gives up this soon. */
const FIRST_PROBE = 60;
const GROWTH = 1.35;
/** How far past the bound the first schedule is looked for, attempt by attempt; then as late as may be. */
const ROOM = [0, 0.03, 0.12, 0.4];
/** Up to this size whole probes alone do best. */
const SMALL = 24;
/** One whole probe to so many freed parts. */
const PROBE_EVERY = 8;
const PART_FAILS = 60;
/** Pushes that packing a part of a large network again may take, where they are counted. */
const PART_PUSHES = 2000;
/** Minutes of beginning later that a minute of way still to go is worth, in the quick schedules. */
const PATIENCE = [0.05, 0, 0.5, 0.02, 0.2];
const SERIAL_SHARE = 0.05;
/** Below this many, deciding pair by pair is as quick. */
const LEAST_REARRANGED = 16;
const REARRANGE_SHARE = 0.35;
const MOST_TURNS = 200;

class Solver {
  private readonly search: Search;
  private best: Int32Array | null = null;
  private makespan: Minute = FAR;
  private bound: Minute = 0;
  private called = false;
  private readonly until: number;
  private readonly seed: number;
  private readonly neighbours: Neighbours;

  constructor(
    private readonly problem: Problem,
    private readonly options: SolveOptions,
    started: number,
  ) {
    this.search = new Search(problem);
    this.until = started + options.budget;
    this.seed = options.seed ?? 1;
    this.neighbours = new Neighbours(problem, this.seed);
  }

  private get over(): boolean {
    this.hear();
    return this.called || this.pushesLeft <= 0 || this.options.now() >= this.until;
  }

  /** Takes over what others have found in the meantime. */
  private hear() {
    const { peers } = this.options;
    if (!peers) return;
    if (peers.bound > this.bound) this.bound = peers.bound;
    const other = peers.earlierThan(this.makespan);
    if (other) this.keep(other.starts);
  }

  private get pushesLeft(): number {
    return (this.options.pushes ?? Number.POSITIVE_INFINITY) - this.search.pushes;
  }

  /** Whether all could be done by then, as far as lags, windows and the amount of work can show. */
  private couldEndBy(target: Minute): boolean {
    const mark = this.search.mark();
    this.search.unsure = false;
    const could = this.search.boundBy(target) || this.search.unsure;
    this.search.back(mark);
    return could;
  }

  /** The earliest finish that nothing seen so far forbids. */
  private raiseBound(horizon: Minute) {
    let low = this.bound;
    let high = horizon;
    while (low < high && !this.over) {
      const middle = Math.floor((low + high) / 2);
      if (this.couldEndBy(middle)) high = middle;
      else low = middle + 1;
    }
    this.bound = Math.max(this.bound, low);
    this.options.peers?.raise(this.bound);
  }

  /** Searches for a schedule that is done by then, and keeps it. */
  private probe(target: Minute, fails: number, noise: number): Outcome {
    const { search } = this;
    const mark = search.mark();
    search.unsure = false;
    let outcome: Outcome = "none";
    if (!search.boundBy(target)) outcome = search.unsure ? "given up" : "none";
    else {
      outcome = search.run({ fails, until: this.until, now: this.options.now, pushes: this.pushesLeft }, noise);
      if (outcome === "found") this.keep();
    }
    search.back(mark);
    return outcome;
  }

  private keep(early: Int32Array = this.search.early) {
    const { problem } = this;
    let makespan = 0;
    for (let at = 0; at < problem.count; at++)
      if (problem.counts[at]) makespan = Math.max(makespan, early[at]! + problem.duration[at]!);
    if (makespan >= this.makespan) return;
    this.makespan = makespan;
    this.best = early.slice();
    this.search.guide = this.best;
    this.options.peers?.offer(this.best, makespan);
    if (this.options.onBetter && !this.options.onBetter(this.solution())) this.called = true;
  }

  solution(): Solution {
    const { best, makespan, bound, problem } = this;
    if (best === null) return { feasible: false, makespan: null, starts: null, lowerBound: bound, proven: false };
    const starts: Record<string, Minute> = {};
    problem.network.activities.forEach(({ id }, index) => {
      starts[id] = best[index]!;
    });
    return { feasible: true, makespan, starts, lowerBound: Math.min(bound, makespan), proven: bound >= makespan };
  }

  solve(horizon: Minute): Solution {
    const none: Solution = { feasible: false, makespan: null, starts: null, lowerBound: 0, proven: true };
    if (this.problem.contradiction || !this.search.begin() || !this.search.boundBy(horizon))
      return { ...none, proven: !this.search.unsure };
    this.raiseBound(horizon);
    if (this.options.known) this.startFrom(this.options.known);
    else this.placeInTurn();
    if (this.bound < this.makespan && !this.options.part) {
      this.priceWork(horizon);
      this.rearrange();
    }
    if (!this.firstSchedule(horizon)) return this.over ? this.solution() : none;
    this.improve();
    this.hear();
    return this.solution();
  }

  /** Weighs the work by how badly it packs as well, where that takes the bound further. */
  private priceWork(horizon: Minute) {
    const load = pricedLoadOf(this.problem.network);
    if (load === null) return;
    this.search.weigh(load);
    this.raiseBound(Math.min(horizon, this.makespan));
  }

  /** Better orders of the same blocks, before anything is decided pair by pair. */
  private rearrange() {
    if (this.best === null || this.problem.count < LEAST_REARRANGED || this.over) return;
    const { network } = this.problem;
    const now = this.options.now();
    const until = now + (this.options.rearranging ?? REARRANGE_SHARE) * (this.until - now);
    Rearranging.for(network, new Bound(network, chainsOf(network).order), this.seed)?.run(this.best, this.makespan, {
      over: () => this.over || this.options.now() >= until,
      bound: () => this.bound,
      onBetter: (starts) => this.keep(starts),
    });
  }

  private startFrom(known: Readonly<Record<string, Minute>>) {
    const { problem } = this;
    const starts = Int32Array.from(problem.network.activities, ({ id }) => known[id]!);
    this.best = starts;
    this.search.guide = starts;
    this.makespan = starts.reduce(
      (last, start, index) => (problem.counts[index] ? Math.max(last, start + problem.duration[index]!) : last),
      0,
    );
  }

  /**
   * Quick schedules, one block after another, by several ways of weighing what is earliest against what has a long
   * way to go.
   */
  private placeInTurn() {
    const serial = new Serial(this.problem.network, this.problem.fits);
    const noise = new Random(this.seed);
    const until = this.options.now() + SERIAL_SHARE * this.options.budget;
    for (let turn = 0; turn < PATIENCE.length || (this.options.now() < until && turn < MOST_TURNS); turn++) {
      if (this.over || this.bound >= this.makespan) return;
      const patience = PATIENCE[turn % PATIENCE.length]!;
      const { starts, missed, late } = serial.run(
        patience,
        turn < PATIENCE.length ? () => 0 : () => noise.next() - 0.5,
      );
      if (missed.length + late.length === 0 && starts.every((start) => start < FAR)) this.keep(starts);
      if (turn === 0 && missed.length > 0) return;
    }
  }

  /** Probes the bound itself, then ever later finishes, until there is a schedule. False where there is none, or time is over. */
  private firstSchedule(horizon: Minute): boolean {
    let fails = FIRST_PROBE;
    let seed = this.seed;
    if (this.best !== null) return true;
    for (let attempt = 0; !this.over; attempt++) {
      const room = ROOM[attempt] ?? Number.POSITIVE_INFINITY;
      const target = Math.min(horizon, Math.ceil(this.bound * (1 + room)) + (room > 0 ? DAY : 0));
      this.search.seed(seed++);
      const outcome = this.probe(target, fails, attempt < ROOM.length ? 0 : 0.3);
      if (outcome === "found") return true;
      if (outcome === "none") {
        if (target >= horizon) return false;
        this.bound = target + 1;
        this.raiseBound(horizon);
      }
      if (attempt >= ROOM.length) fails = Math.ceil(fails * GROWTH);
    }
    return false;
  }

  /** Probes lower finishes, near and far by turns, and frees a part of the best schedule at a time, until time is over. */
  private improve() {
    let fails = FIRST_PROBE;
    let turn = 0;
    const large = this.problem.count > SMALL;
    while (this.bound < this.makespan && !this.over) {
      if (large && turn % PROBE_EVERY !== 0) this.freeAPart(turn);
      else {
        const nearest = this.makespan - 1;
        const probes = large ? turn / PROBE_EVERY : turn;
        const target = [this.bound, Math.floor((this.bound + nearest) / 2), nearest][probes % 3]!;
        this.search.seed(this.seed * 100 + turn);
        const outcome = this.probe(target, Math.ceil(fails), probes < 3 ? 0 : 0.5);
        if (outcome === "none") {
          this.bound = Math.max(this.bound, target + 1);
          if (this.bound < this.makespan) this.raiseBound(this.makespan);
        }
        if (probes % 3 === 2) fails *= GROWTH;
      }
      turn++;
    }
  }

  /** Keeps the order of the best schedule but for a few activities, and looks for a better place for those. */
  private freeAPart(turn: number) {
    const { search, best, problem } = this;
    const free = this.neighbours.pick(best!, turn);
    const mark = search.mark();
    // now and then as good is good enough: another schedule to go on from
    const target = turn % 4 === 3 ? this.makespan : this.makespan - 1;
    search.seed(this.seed * 1000 + turn);
    if (search.boundBy(target) && this.keepOrder(free)) {
      const { until, pushesLeft: pushes } = this;
      const outcome = search.run({ fails: PART_FAILS, until, now: this.options.now, pushes }, 0.4);
      if (outcome === "found") {
        this.keep();
        if (target === this.makespan) {
          this.best = search.early.slice(0, problem.count);
          search.guide = this.best;
        }
      }
    }
    search.back(mark);
  }

  private keepOrder(free: Uint8Array): boolean {
    const { search, best, problem } = this;
    const { duration } = problem;
    for (const { users, capacity } of problem.resources) {
      const inOrder = [...users].sort((a, b) => best![a]! - best![b]! || a - b);
      if (capacity === 1) {
        let before = -1;
        let waiting: number[] = [];
        for (const user of inOrder) {
          if (before >= 0 && !search.post(before, user, duration[before]!)) return false;
          if (free[user]) waiting.push(user);
          else {
            for (const earlier of waiting) if (!search.post(earlier, user, duration[earlier]!)) return false;
            waiting = [];
            before = user;
          }
        }
        continue;
      }
      for (const first of inOrder)
        for (const next of inOrder)
          if (!(free[first] && free[next]) && best![first]! + duration[first]! <= best![next]!)
            if (!search.post(first, next, duration[first]!)) return false;
    }
    return search.consequences();
  }
}

/** Beyond this many, deciding pair by pair is too slow. */
const LARGE = 120;
/** Beyond this many it is not tried: what is known of every pair alone would take seconds. */
const HUGE = 1000;

function largely(network: Network, options: SolveOptions, started: number): Solution {
  const solution = (starts: Int32Array | null, makespan: Minute, bound: Minute): Solution => ({
    feasible: starts !== null,
    makespan: starts && makespan,
    starts: starts && Object.fromEntries(network.activities.map(({ id }, index) => [id, starts[index]!])),
    lowerBound: Math.min(bound, makespan),
    proven: starts !== null && bound >= makespan,
  });
  const { now, seed = 1, onBetter } = options;
  let parts = 0;
  const { starts, makespan, bound } = solveLarge(network, {
    until: started + options.budget,
    now,
    seed,
    solvePart: (part, budget, known) => {
      // another seed each time, so that the same part is not searched the same way twice
      const found = solve(part.network, {
        budget,
        now,
        part: true,
        ...(options.pushes === undefined ? {} : { pushes: PART_PUSHES }),
        seed: seed + ++parts,
        ...(known ? { known } : { onBetter: () => false }),
      });
      return found.feasible ? { makespan: found.makespan!, starts: found.starts! } : null;
    },
    peers: options.peers,
    onBetter: (better, finish) => onBetter?.(solution(better, finish, 0)) ?? true,
  });
  return solution(starts, makespan, bound);
}

/** When everything could be done at the latest: the calendars' end, and as much again as passive work and waits may take after it. */
export function horizonOf({ calendars, activities, lags }: Network): Minute {
  let end = 0;
  for (const windows of calendars) end = Math.max(end, windows.at(-1)?.[1] ?? 0);
  for (const activity of activities) if (!isByHand(activity)) end += activity.duration;
  for (const { min } of lags) end += Math.max(0, min);
  return end;
}

/**
 * The shortest schedule of a network, or the best found in the time given: branch and bound on who goes first. Starts are whole
 * minutes. Never takes longer than its budget by more than a step; equal networks and seeds give equal answers where time does
 * not cut in.
 */
export function solve(network: Network, options: SolveOptions): Solution {
  const started = options.now();
  const tooMuch = network.activities.some(({ uses }) =>
    Object.entries(uses).some(([name, use]) => use > (network.capacity[name] ?? 0)),
  );
  if (tooMuch) return { feasible: false, makespan: null, starts: null, lowerBound: 0, proven: true };
  if (network.activities.length > LARGE) {
    const large = largely(network, options, started);
    if (large.feasible || network.activities.length > HUGE || options.now() - started >= options.budget) return large;
  }
  if (network.activities.length === 0) return { feasible: true, makespan: 0, starts: {}, lowerBound: 0, proven: true };
  return new Solver(problemOf(network), options, started).solve(horizonOf(network));
}
