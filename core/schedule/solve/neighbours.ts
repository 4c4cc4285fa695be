import type { Minute } from "./network.ts";
import type { Problem } from "./problem.ts";
import { Random } from "./random.ts";

const LEAST = 10;
const MOST = 22;

/** Which activities are freed together: near in time, bound by lags, or any. */
export class Neighbours {
  private readonly linked: number[][];
  private readonly random: Random;

  constructor(
    private readonly problem: Problem,
    seed: number,
  ) {
    const place = new Map(problem.network.activities.map(({ id }, index) => [id, index]));
    this.linked = problem.network.activities.map(() => []);
    for (const { from, to } of problem.network.lags) {
      this.linked[place.get(from)!]!.push(place.get(to)!);
      this.linked[place.get(to)!]!.push(place.get(from)!);
    }
    this.random = new Random(seed);
  }

  /** A mark for each activity that is freed. */
  pick(starts: ArrayLike<Minute>, turn: number): Uint8Array {
    const { count } = this.problem;
    const free = new Uint8Array(count);
    const wanted = Math.min(count, LEAST + this.random.below(MOST - LEAST + 1));
    const inOrder = Array.from({ length: count }, (_, index) => index).sort((a, b) => starts[a]! - starts[b]!);
    const kind = turn % 3;
    if (kind === 0) {
      const from = this.random.below(Math.max(1, count - wanted + 1));
      for (const at of inOrder.slice(from, from + wanted)) free[at] = 1;
      return free;
    }
    let chosen = 0;
    const take = (at: number) => {
      if (free[at] || chosen >= wanted) return;
      free[at] = 1;
      chosen++;
    };
    if (kind === 1) {
      // a few activities with all that waits for them or that they wait for
      while (chosen < wanted) {
        const queue = [this.random.below(count)];
        for (let next = queue.pop(); next !== undefined && chosen < wanted; next = queue.pop()) {
          if (free[next]) continue;
          take(next);
          for (const other of this.linked[next]!) if (!free[other]) queue.unshift(other);
        }
      }
      return free;
    }
    while (chosen < wanted) take(this.random.below(count));
    return free;
  }
}
