import { FAR, type Minute } from "./network.ts";

const MAKESPAN = 0;
const BOUND = 1;
const LOCK = 2;
const STOPPED = 3;
const STARTS = 4;

/**
 * What solvers that work on one network side by side, each in a thread of its own, know of each other: the best
 * schedule that any of them has found, and the highest bound.
 */
export class Peers {
  private readonly shared: Int32Array;

  constructor(readonly buffer: SharedArrayBuffer) {
    this.shared = new Int32Array(buffer);
  }

  /** For a network of so many activities, with nothing known yet. */
  static of(count: number): Peers {
    const peers = new Peers(new SharedArrayBuffer(4 * (STARTS + count)));
    peers.shared[MAKESPAN] = FAR;
    return peers;
  }

  /** The finish of the best schedule; FAR before there is one. */
  get makespan(): Minute {
    return Atomics.load(this.shared, MAKESPAN);
  }

  get bound(): Minute {
    return Atomics.load(this.shared, BOUND);
  }

  get stopped(): boolean {
    return Atomics.load(this.shared, STOPPED) === 1;
  }

  stop() {
    Atomics.store(this.shared, STOPPED, 1);
  }

  offer(starts: Int32Array, makespan: Minute) {
    if (makespan >= this.makespan) return;
    this.alone(() => {
      if (makespan >= this.makespan) return;
      this.shared.set(starts, STARTS);
      Atomics.store(this.shared, MAKESPAN, makespan);
    });
  }

  raise(bound: Minute) {
    for (let known = this.bound; bound > known; known = this.bound)
      Atomics.compareExchange(this.shared, BOUND, known, bound);
  }

  /** The best schedule, where it ends earlier than this; null otherwise. */
  earlierThan(makespan: Minute): { starts: Int32Array; makespan: Minute } | null {
    if (this.makespan >= makespan) return null;
    return this.alone(() => ({ starts: Int32Array.from(this.shared.subarray(STARTS)), makespan: this.makespan }));
  }

  private alone<Value>(work: () => Value): Value {
    while (Atomics.compareExchange(this.shared, LOCK, 0, 1) !== 0);
    try {
      return work();
    } finally {
      Atomics.store(this.shared, LOCK, 0);
    }
  }
}
