import type { Minutes } from "../../units/units.ts";
import { FAR, type Minute } from "./network.ts";

/** Stretches that are taken on a resource, in order, with how much of it is taken. */
export class Timeline {
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
