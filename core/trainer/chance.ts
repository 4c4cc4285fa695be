/** Chance that is the same for the same seed (mulberry32), so that a question can be asked again and graded on another machine. */
export class Chance {
  private state: number;

  constructor(seed: number) {
    this.state = seed >>> 0;
  }

  /** 0 up to, not including, 1 */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), this.state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  }

  pick<One>(list: readonly One[]): One {
    return list[Math.floor(this.next() * list.length)]!;
  }

  /** The same things in another order. */
  shuffled<One>(list: readonly One[]): One[] {
    const all = [...list];
    for (let at = all.length - 1; at > 0; at--) {
      const other = Math.floor(this.next() * (at + 1));
      [all[at], all[other]] = [all[other]!, all[at]!];
    }
    return all;
  }
}
