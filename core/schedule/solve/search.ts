import { FAR } from "./network.ts";
import type { Problem } from "./problem.ts";
import { type Mark, Propagation } from "./propagation.ts";
import { Random } from "./random.ts";

/** What a search came to: a schedule that holds, nothing possible, or given up. */
export type Outcome = "found" | "none" | "given up";

export interface Limits {
  /** dead ends after which to give up */
  fails: number;
  /** milliseconds on the clock at which to give up */
  until: number;
  now: () => number;
  /** pushes of one start by another after which to give up; no limit if left out */
  pushes?: number;
}

/** Every so many nodes the clock is looked at. */
const LOOK_EVERY = 16;

/** Looks for a schedule by deciding who goes first. What is decided on the way down is undone on the way up. */
export class Search extends Propagation {
  /** whether three or more can be too many where two are not */
  private readonly sets: boolean;
  /** starts of the best schedule so far: whom it puts first is tried first */
  guide: Int32Array | null = null;
  fails = 0;
  nodes = 0;
  private random = new Random(1);

  constructor(problem: Problem) {
    super(problem);
    this.sets = problem.resources.some(({ capacity, use, users }) => {
      let least = FAR;
      let second = FAR;
      for (const user of users)
        if (use[user]! < least) {
          second = least;
          least = use[user]!;
        } else if (use[user]! < second) second = use[user]!;
      return least + second <= capacity;
    });
  }

  seed(seed: number) {
    this.random = new Random(seed);
  }

  private overlaps(a: number, b: number): boolean {
    const { early, duration } = this;
    return early[a]! < early[b]! + duration[b]! && early[b]! < early[a]! + duration[a]!;
  }

  /** Room that is left when one goes before two, in minutes. */
  private slack(a: number, b: number): number {
    const from = this.early[a]! + this.duration[a]!;
    const fit = this.problem.fits[b]!;
    const at = Math.max(from, this.early[b]!);
    return this.late[b]! - (fit === null ? at : fit.next(at));
  }

  /** The pair in each other's way that has least room left, as [first, second] in the order to try; null where none is. */
  private choose(noise: number): [first: number, second: number] | null {
    const { pairs, open, weight, count } = this;
    let best = Number.POSITIVE_INFINITY;
    let chosen = -1;
    for (let at = 0; at < open; at++) {
      const one = pairs[2 * at]!;
      const two = pairs[2 * at + 1]!;
      if (!this.overlaps(one, two)) continue;
      const first = this.slack(one, two);
      const second = this.slack(two, one);
      let key = (Math.min(first, second) + 0.1 * Math.max(first, second) + 30) / weight[one * count + two]!;
      if (noise > 0) key *= 1 + noise * this.random.next();
      if (key < best) {
        best = key;
        chosen = at;
      }
    }
    if (chosen < 0) return this.sets ? this.chooseFromSets() : null;
    const one = pairs[2 * chosen]!;
    const two = pairs[2 * chosen + 1]!;
    return this.prefers(one, two, noise) ? [one, two] : [two, one];
  }

  private prefers(a: number, b: number, noise: number): boolean {
    const { guide } = this;
    if (guide !== null && guide[a] !== guide[b] && (noise === 0 || this.random.next() > 0.15))
      return guide[a]! < guide[b]!;
    const first = this.slack(a, b);
    const second = this.slack(b, a);
    if (first !== second) return first > second;
    return this.early[a]! < this.early[b]! || (this.early[a] === this.early[b] && a < b);
  }

  /** Of a moment at which more is taken than there is: the two of that set with most room, one before the other. */
  private chooseFromSets(): [number, number] | null {
    const { early, duration, count, distance } = this;
    for (const { users, use, capacity } of this.problem.resources) {
      for (const at of users) {
        const moment = early[at]!;
        let taken = 0;
        for (const user of users)
          if (early[user]! <= moment && moment < early[user]! + duration[user]!) taken += use[user]!;
        if (taken <= capacity) continue;
        let best = Number.NEGATIVE_INFINITY;
        let found: [number, number] | null = null;
        for (const user of users) {
          if (!(early[user]! <= moment && moment < early[user]! + duration[user]!)) continue;
          for (const two of users) {
            if (user === two || !(early[two]! <= moment && moment < early[two]! + duration[two]!)) continue;
            const back = distance[two * count + user]!;
            if (back + duration[user]! > 0) continue;
            let room = this.slack(user, two);
            if (this.guide !== null && this.guide[user]! + duration[user]! <= this.guide[two]!) room += 100_000;
            if (room >= 0 && room > best) {
              best = room;
              found = [user, two];
            }
          }
        }
        return found ?? [at, at];
      }
    }
    return null;
  }

  /** Searches below what is decided. Where it finds a schedule, the earliest starts are it; else all is as before. */
  run(limits: Limits, noise = 0): Outcome {
    const most = this.fails + limits.fails;
    const dear = this.pushes + (limits.pushes ?? Number.POSITIVE_INFINITY);
    const stop = () =>
      this.fails >= most || this.pushes >= dear || (this.nodes % LOOK_EVERY === 0 && limits.now() >= limits.until);
    const beginning = this.mark();
    const stack: { mark: Mark; first: number; second: number }[] = [];
    for (;;) {
      this.nodes++;
      if (this.pushes >= dear) {
        this.back(beginning);
        return "given up";
      }
      const pair = this.choose(noise);
      if (pair === null) return "found";
      const [first, second] = pair;
      const mark = this.mark();
      let holds = false;
      if (first !== second) {
        stack.push({ mark, first, second });
        holds = this.post(first, second, this.duration[first]!) && this.consequences();
        if (!holds) this.blame(first, second);
      } else this.fails++;
      while (!holds) {
        const last = stack.pop();
        this.fails += last ? 1 : 0;
        if (!last || stop()) {
          this.back(beginning);
          return last || this.unsure ? "given up" : "none";
        }
        this.back(last.mark);
        // the other way: not first before second, which leaves second first, or both at once
        holds = this.post(last.second, last.first, 1 - this.duration[last.first]!) && this.consequences();
        if (!holds) this.blame(last.first, last.second);
      }
    }
  }
}
