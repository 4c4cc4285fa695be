import { FAR, type Minute, NONE } from "./network.ts";
import type { Problem } from "./problem.ts";
import { type Load, Overload } from "./room.ts";
import { Trail } from "./trail.ts";

export interface Mark {
  distance: number;
  early: number;
  late: number;
  open: number;
}

/** Pushes after which starts that creep on are left alone. */
const MOST_STEPS = 20_000;

/**
 * Earliest and latest starts as they follow from what is decided: every lag, every order and every working window only
 * ever pushes a start one way, so the least starts that meet them all are a schedule as soon as nobody is in anybody's
 * way. What is decided can be undone, in the opposite order.
 */
export class Propagation {
  readonly early: Int32Array;
  readonly late: Int32Array;
  protected readonly distance: Int32Array;
  protected readonly count: number;
  protected readonly duration: Int32Array;
  /** pairs still open, the first `open` of them */
  protected readonly pairs: Int32Array;
  protected open: number;
  private readonly distanceTrail = new Trail();
  private readonly earlyTrail = new Trail();
  private readonly lateTrail = new Trail();
  private readonly reached: Int32Array;
  private readonly queue: Int32Array;
  private readonly queued: Uint8Array;
  private queueLength = 0;
  private readonly downQueue: Int32Array;
  private readonly downQueued: Uint8Array;
  private downLength = 0;
  /** how often a decision about a pair led nowhere */
  protected readonly weight: Float64Array;
  private readonly overloads: Overload[];
  private readonly varyingAt: Problem["varying"][];
  /** starts crept on for so long that it was left open where they would come to rest: what failed since is not proven to fail */
  unsure = false;
  /** how often a start has pushed others: what a search really costs */
  pushes = 0;

  constructor(readonly problem: Problem) {
    const { count } = problem;
    this.count = count;
    this.duration = problem.duration;
    this.distance = problem.distance.slice();
    this.early = problem.earliest.slice();
    this.late = problem.latest.slice();
    this.pairs = problem.pairs.slice();
    this.open = this.pairs.length / 2;
    this.reached = new Int32Array(count);
    this.queue = new Int32Array(count + 1);
    this.queued = new Uint8Array(count);
    this.downQueue = new Int32Array(count + 1);
    this.downQueued = new Uint8Array(count);
    this.weight = new Float64Array(count * count).fill(1);
    this.overloads = problem.loads.map((load) => new Overload(load, problem.duration));
    this.varyingAt = Array.from({ length: count }, (_, index) =>
      problem.varying.filter(({ from, to }) => from === index || to === index),
    );
  }

  /** From now on this load has to fit as well. */
  weigh(load: Load) {
    this.overloads.push(new Overload(load, this.duration));
  }

  mark(): Mark {
    return {
      distance: this.distanceTrail.length,
      early: this.earlyTrail.length,
      late: this.lateTrail.length,
      open: this.open,
    };
  }

  back(mark: Mark) {
    this.distanceTrail.back(mark.distance, this.distance);
    this.earlyTrail.back(mark.early, this.early);
    this.lateTrail.back(mark.late, this.late);
    this.open = mark.open;
    this.clearQueues();
  }

  private clearQueues() {
    while (this.queueLength > 0) this.queued[this.queue[--this.queueLength]!] = 0;
    while (this.downLength > 0) this.downQueued[this.downQueue[--this.downLength]!] = 0;
  }

  private later(at: number, minute: Minute): boolean {
    const fit = this.problem.fits[at]!;
    const to = fit === null ? minute : fit.next(minute);
    if (to > this.late[at]!) return false;
    this.earlyTrail.push(at, this.early[at]!);
    this.early[at] = to;
    // distances add up: whoever follows has been told, unless a window pushed it on
    if ((to > minute || this.varyingAt[at]!.length > 0) && !this.queued[at]) {
      this.queued[at] = 1;
      this.queue[this.queueLength++] = at;
    }
    return true;
  }

  private sooner(at: number, minute: Minute): boolean {
    const fit = this.problem.fits[at]!;
    const to = fit === null ? minute : fit.previous(minute);
    if (to < this.early[at]!) return false;
    this.lateTrail.push(at, this.late[at]!);
    this.late[at] = to;
    if ((to < minute || this.varyingAt[at]!.length > 0) && !this.downQueued[at]) {
      this.downQueued[at] = 1;
      this.downQueue[this.downLength++] = at;
    }
    return true;
  }

  private pushUp(from: number): boolean {
    const { count, distance, early } = this;
    const start = early[from]!;
    const row = from * count;
    for (let to = 0; to < count; to++) {
      const away = distance[row + to]!;
      if (away !== NONE && start + away > early[to]! && !this.later(to, start + away)) return false;
    }
    return true;
  }

  private pushDown(to: number): boolean {
    const { count, distance, late } = this;
    const start = late[to]!;
    for (let from = 0; from < count; from++) {
      const away = distance[from * count + to]!;
      if (away !== NONE && start - away < late[from]! && !this.sooner(from, start - away)) return false;
    }
    return true;
  }

  /** Lets every start push the others until nothing moves; false where one is pushed past its latest. */
  private settle(): boolean {
    for (let steps = 0; this.queueLength > 0 || this.downLength > 0; steps++) {
      this.pushes++;
      if (steps > MOST_STEPS) {
        this.unsure = true;
        return false;
      }
      if (this.queueLength > 0) {
        const at = this.earliestQueued();
        this.queued[at] = 0;
        if (!this.pushUp(at) || !this.varyUp(at)) return false;
      } else {
        const at = this.latestQueued();
        this.downQueued[at] = 0;
        if (!this.pushDown(at) || !this.varyDown(at)) return false;
      }
    }
    return true;
  }

  /** Takes the earliest of those that moved: whoever comes before the others pushes them once, not again and again. */
  private earliestQueued(): number {
    const { queue, early } = this;
    let first = 0;
    for (let place = 1; place < this.queueLength; place++)
      if (early[queue[place]!]! < early[queue[first]!]!) first = place;
    const at = queue[first]!;
    queue[first] = queue[--this.queueLength]!;
    return at;
  }

  private latestQueued(): number {
    const { downQueue, late } = this;
    let last = 0;
    for (let place = 1; place < this.downLength; place++)
      if (late[downQueue[place]!]! > late[downQueue[last]!]!) last = place;
    const at = downQueue[last]!;
    downQueue[last] = downQueue[--this.downLength]!;
    return at;
  }

  private varyUp(at: number): boolean {
    for (const { from, to, lag } of this.varyingAt[at]!) {
      if (from === at) {
        const opens = lag.opens(this.early[from]! + this.duration[from]!);
        if (opens > this.early[to]! && !this.later(to, opens)) return false;
      } else if (to === at && lag.shuts !== null) {
        const start = lag.shutsBack(this.early[to]!) - this.duration[from]!;
        if (start > this.early[from]! && !this.later(from, start)) return false;
      }
    }
    return true;
  }

  private varyDown(at: number): boolean {
    for (const { from, to, lag } of this.varyingAt[at]!) {
      if (from === at && lag.shuts !== null && this.late[from]! < FAR) {
        const shuts = lag.shuts(this.late[from]! + this.duration[from]!);
        if (shuts < this.late[to]! && !this.sooner(to, shuts)) return false;
      } else if (to === at && this.late[to]! < FAR) {
        const start = lag.opensBack(this.late[to]!) - this.duration[from]!;
        if (start < this.late[from]! && !this.sooner(from, start)) return false;
      }
    }
    return true;
  }

  /** start(to) is at least `length` after start(from), from now on. */
  post(from: number, to: number, length: number): boolean {
    const { count, distance } = this;
    if (distance[from * count + to]! >= length) return true;
    const back = distance[to * count + from]!;
    if (back !== NONE && back + length > 0) return false;
    // whom the new step brings nothing from its beginning, or to its end, it brings nothing at all
    const { reached } = this;
    let many = 0;
    const row = to * count;
    const own = from * count;
    for (let b = 0; b < count; b++) {
      const second = distance[row + b]!;
      if (second !== NONE && length + second > distance[own + b]!) reached[many++] = b;
    }
    for (let a = 0; a < count; a++) {
      const into = a * count;
      const first = distance[into + from]!;
      if (first === NONE || first + length <= distance[into + to]!) continue;
      const base = first + length;
      for (let at = 0; at < many; at++) {
        const b = reached[at]!;
        const longer = base + distance[row + b]!;
        if (longer <= distance[into + b]!) continue;
        this.distanceTrail.push(into + b, distance[into + b]!);
        distance[into + b] = longer;
      }
    }
    return this.pushUp(from) && this.pushDown(to);
  }

  /** Everything is done by then, whatever the order. False where that cannot be. */
  boundBy(target: Minute): boolean {
    const { counts } = this.problem;
    for (let at = 0; at < this.count; at++) {
      if (!counts[at]) continue;
      const last = target - this.duration[at]!;
      if (last < this.late[at]! && !this.sooner(at, last)) return false;
    }
    for (let at = 0; at < this.count; at++) if (!this.pushDown(at)) return false;
    return this.consequences();
  }

  /** Puts every start into its window and lets the lags push: what holds before anything is decided. */
  begin(): boolean {
    for (let at = 0; at < this.count; at++) {
      const fit = this.problem.fits[at]!;
      const first = this.early[at]!;
      const to = fit === null ? first : fit.next(first);
      if (to > this.late[at]!) return false;
      if (to > first) {
        this.earlyTrail.push(at, first);
        this.early[at] = to;
      }
      if (!this.queued[at]) {
        this.queued[at] = 1;
        this.queue[this.queueLength++] = at;
      }
      if (this.late[at]! < FAR && !this.downQueued[at]) {
        this.downQueued[at] = 1;
        this.downQueue[this.downLength++] = at;
      }
    }
    return this.consequences();
  }

  /** All that follows from what is decided: pushes, orders that leave no choice, and too much work for a span of days. */
  consequences(): boolean {
    for (let more = true; more; ) {
      if (!this.settle()) return false;
      const before = this.distanceTrail.length;
      if (!this.forced()) return false;
      more = this.distanceTrail.length > before || this.queueLength + this.downLength > 0;
    }
    return this.overloads.every((overload) => overload.fits(this.early, this.late));
  }

  /** Decides the pairs of which only one order is left. */
  private forced(): boolean {
    const { count, distance, duration, early, late, pairs } = this;
    for (let at = this.open - 1; at >= 0; at--) {
      const one = pairs[2 * at]!;
      const two = pairs[2 * at + 1]!;
      const ahead = distance[one * count + two]!;
      const behind = distance[two * count + one]!;
      if (ahead >= duration[one]! || behind >= duration[two]!) {
        this.close(at);
        continue;
      }
      const oneFirst = behind + duration[one]! <= 0 && early[one]! + duration[one]! <= late[two]!;
      const twoFirst = ahead + duration[two]! <= 0 && early[two]! + duration[two]! <= late[one]!;
      if (oneFirst && twoFirst) continue;
      if (!oneFirst && !twoFirst) {
        this.blame(one, two);
        return false;
      }
      this.close(at);
      if (!(oneFirst ? this.post(one, two, duration[one]!) : this.post(two, one, duration[two]!))) {
        this.blame(one, two);
        return false;
      }
    }
    return true;
  }

  private close(at: number) {
    const { pairs } = this;
    const last = --this.open;
    const one = pairs[2 * at]!;
    const two = pairs[2 * at + 1]!;
    pairs[2 * at] = pairs[2 * last]!;
    pairs[2 * at + 1] = pairs[2 * last + 1]!;
    pairs[2 * last] = one;
    pairs[2 * last + 1] = two;
  }

  protected blame(a: number, b: number) {
    this.weight[a * this.count + b]! += 1;
    this.weight[b * this.count + a]! += 1;
  }
}
