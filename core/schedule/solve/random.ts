/** Numbers that look like chance and are the same for the same seed (xorshift). */
export class Random {
  private state: number;

  constructor(seed: number) {
    this.state = (seed * 2654435761) >>> 0 || 1;
  }

  /** From 0 up to 1. */
  next(): number {
    let x = this.state;
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    this.state = x >>> 0;
    return this.state / 4294967296;
  }

  /** A whole number from 0 up to most. */
  below(most: number): number {
    return Math.floor(this.next() * most);
  }
}
