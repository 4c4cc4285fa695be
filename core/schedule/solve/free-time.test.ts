import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Gaps } from "./gaps.ts";
import { FAR, type Stretch } from "./network.ts";
import { Timeline } from "./timeline.ts";

// Two ways to keep what is still free, both held to looking at every minute.

/** Minutes, each with how much is taken. */
class Minutes {
  private readonly taken = new Array<number>(400).fill(0);
  constructor(private readonly capacity: number) {}

  add(from: number, to: number, use: number) {
    for (let minute = from; minute < to; minute++) this.taken[minute]! += use;
  }
  isFree = (from: number, to: number, use: number) =>
    this.taken.slice(from, to).every((taken) => taken + use <= this.capacity);

  first(start: number, duration: number, use: number): number {
    let minute = start;
    while (!this.isFree(minute, minute + duration, use)) minute++;
    return minute;
  }
}

const spans = (most: number) =>
  fc.array(fc.tuple(fc.nat(150), fc.integer({ min: 1, max: 25 }), fc.integer({ min: 1, max: most })), {
    maxLength: 14,
  });

describe("what is taken on a resource", () => {
  it("of which there is one, is found free at the first minute that is", () => {
    fc.assert(
      fc.property(spans(1), fc.nat(160), fc.integer({ min: 1, max: 30 }), (list, start, duration) => {
        const line = new Timeline(1);
        const minutes = new Minutes(1);
        for (const [wanted, length] of list) {
          const from = line.clear(wanted, length, 1);
          expect(from).toBe(minutes.first(wanted, length, 1));
          line.add(from, from + length, 1);
          minutes.add(from, from + length, 1);
        }
        expect(line.clear(start, duration, 1)).toBe(minutes.first(start, duration, 1));
      }),
    );
  });

  it("of which there are several, is never taken more than there is, and never earlier than asked", () => {
    fc.assert(
      fc.property(spans(3), fc.integer({ min: 3, max: 5 }), (list, capacity) => {
        const line = new Timeline(capacity);
        const minutes = new Minutes(capacity);
        for (const [wanted, length, use] of list) {
          const from = line.clear(wanted, length, use);
          expect(from).toBeGreaterThanOrEqual(wanted);
          expect(minutes.isFree(from, from + length, use)).toBe(true);
          line.add(from, from + length, use);
          minutes.add(from, from + length, use);
        }
      }),
    );
  });

  it("given back, is as if it had never been taken", () => {
    fc.assert(
      fc.property(spans(1), fc.nat(150), fc.integer({ min: 1, max: 25 }), (list, wanted, length) => {
        const [line, without] = [new Timeline(1), new Timeline(1)];
        const placed = list.map(([from, long]) => {
          const start = line.clear(from, long, 1);
          line.add(start, start + long, 1);
          return [start, start + long] as const;
        });
        const kept = placed.filter((_, index) => index % 2 === 0);
        for (const [from, to] of placed.filter((_, index) => index % 2 === 1)) line.remove(from, to, 1);
        for (const [from, to] of kept) without.add(from, to, 1);
        expect(line.clear(wanted, length, 1)).toBe(without.clear(wanted, length, 1));
      }),
    );
  });

  it("that was never taken is not given back", () => {
    const line = new Timeline(1);
    line.add(10, 20, 1);
    line.remove(10, 21, 1);
    line.remove(300, 310, 1);
    expect(line.clear(5, 10, 1)).toBe(20);
  });
});

const DAYS: Stretch[] = [
  [0, 40],
  [60, 100],
  [130, 200],
];

/** The first minute from which somebody's windows and nothing that is taken allow it, by looking at each. */
function firstBy(taken: readonly (readonly [number, number][])[], start: number, duration: number): number {
  for (let minute = start; minute < 200; minute++)
    for (const own of taken) {
      const inside = DAYS.some(([from, to]) => from <= minute && minute + duration <= to);
      if (inside && own.every(([from, to]) => minute + duration <= from || to <= minute)) return minute;
    }
  return FAR;
}

describe("the free time of some painters", () => {
  const asked = fc.array(fc.tuple(fc.nat(190), fc.integer({ min: 1, max: 60 })), { minLength: 1, maxLength: 16 });

  it("of one is taken at the first minute that her hours allow", () => {
    fc.assert(
      fc.property(asked, (list) => {
        const gaps = new Gaps(DAYS, 1, list.length);
        const taken: [number, number][] = [];
        for (const [from, duration] of list) {
          const start = gaps.takeFirst(from, duration);
          expect(start).toBe(firstBy([taken], from, duration));
          if (start < FAR) taken.push([start, start + duration]);
        }
      }),
    );
  });

  it("of several is taken no later than one of them could, and never two at once from one", () => {
    fc.assert(
      fc.property(asked, fc.integer({ min: 2, max: 3 }), (list, hands) => {
        const gaps = new Gaps(DAYS, hands, list.length);
        const taken: [number, number][] = [];
        for (const [from, duration] of list) {
          const start = gaps.takeFirst(from, duration);
          if (start >= FAR) continue;
          expect(start).toBeGreaterThanOrEqual(from);
          taken.push([start, start + duration]);
        }
        for (const [begins] of taken)
          expect(taken.filter(([from, to]) => from <= begins && begins < to).length).toBeLessThanOrEqual(hands);
      }),
    );
  });

  it("given back in the opposite order, is as it was before", () => {
    fc.assert(
      fc.property(asked, asked, (list, tried) => {
        const gaps = new Gaps(DAYS, 2, list.length + tried.length);
        const fresh = new Gaps(DAYS, 2, list.length + tried.length);
        for (const [from, duration] of list)
          expect(gaps.takeFirst(from, duration)).toBe(fresh.takeFirst(from, duration));
        const took = tried.filter(([from, duration]) => gaps.takeFirst(from, duration) < FAR);
        for (const _ of took) gaps.giveBack();
        for (const [from, duration] of tried)
          expect(gaps.takeFirst(from, duration)).toBe(fresh.takeFirst(from, duration));
      }),
    );
  });

  it("cleared, is all free again", () => {
    const gaps = new Gaps(DAYS, 1, 3);
    for (let turn = 0; turn < 3; turn++) gaps.takeFirst(0, 40);
    gaps.clear();
    expect(gaps.takeFirst(0, 40)).toBe(0);
    expect(gaps.takeFirst(0, 71)).toBe(FAR);
  });
});
