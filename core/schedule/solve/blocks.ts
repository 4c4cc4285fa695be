import type { Minutes } from "../../units/units.ts";
import type { Chains, Link } from "./chains.ts";

/** Activities that maximum waits tie together: they are placed in one go. */
export interface Block {
  /** in an order in which each comes after what it waits for */
  members: number[];
  /** blocks that must stand before it does */
  after: Set<number>;
  before: Set<number>;
  /** longest way from its beginning to the end of everything, or to its due date */
  tail: Minutes;
}

/** All activities as blocks; `urgency` is how far each has still to go. */
export function blocksOf({ into, order }: Chains, urgency: Int32Array): Block[] {
  const count = order.length;
  const parent = Int32Array.from({ length: count }, (_, index) => index);
  const root = (at: number): number => {
    let top = at;
    while (parent[top] !== top) top = parent[top]!;
    parent[at] = top;
    return top;
  };
  for (let to = 0; to < count; to++)
    for (const { other, max } of into[to]!) if (max !== null) parent[root(other)] = root(to);
  const rank = new Int32Array(count);
  order.forEach((at, index) => {
    rank[at] = index;
  });
  // blocks that wait for each other in a ring are one block
  for (let joined = true; joined; ) {
    joined = false;
    for (const ring of rings(count, root, into))
      for (const at of ring.slice(1)) {
        parent[root(at)] = root(ring[0]!);
        joined = true;
      }
  }
  const numbers = new Map<number, number>();
  const blocks: Block[] = [];
  for (const at of order) {
    const top = root(at);
    let number = numbers.get(top);
    if (number === undefined) {
      number = blocks.length;
      numbers.set(top, number);
      blocks.push({ members: [], after: new Set(), before: new Set(), tail: 0 });
    }
    blocks[number]!.members.push(at);
    blocks[number]!.tail = Math.max(blocks[number]!.tail, urgency[at]!);
  }
  for (let to = 0; to < count; to++)
    for (const { other } of into[to]!) {
      const first = numbers.get(root(other))!;
      const second = numbers.get(root(to))!;
      if (first === second) continue;
      blocks[second]!.after.add(first);
      blocks[first]!.before.add(second);
    }
  return blocks;
}

/** Groups of blocks that lead back to each other (Tarjan), by a member of each block. */
function rings(count: number, root: (at: number) => number, into: readonly (readonly Link[])[]): number[][] {
  const next = new Map<number, Set<number>>();
  for (let to = 0; to < count; to++)
    for (const { other } of into[to]!) {
      const from = root(other);
      const end = root(to);
      if (from === end) continue;
      const ends = next.get(from) ?? new Set<number>();
      ends.add(end);
      next.set(from, ends);
    }
  const index = new Map<number, number>();
  const low = new Map<number, number>();
  const stack: number[] = [];
  const onStack = new Set<number>();
  const found: number[][] = [];
  const visit = (start: number) => {
    const work: { at: number; rest: number[] }[] = [];
    const open = (at: number) => {
      index.set(at, index.size);
      low.set(at, index.get(at)!);
      stack.push(at);
      onStack.add(at);
      work.push({ at, rest: [...(next.get(at) ?? [])] });
    };
    open(start);
    while (work.length > 0) {
      const top = work.at(-1)!;
      const to = top.rest.pop();
      if (to !== undefined) {
        if (!index.has(to)) open(to);
        else if (onStack.has(to)) low.set(top.at, Math.min(low.get(top.at)!, index.get(to)!));
        continue;
      }
      work.pop();
      const above = work.at(-1);
      if (above) low.set(above.at, Math.min(low.get(above.at)!, low.get(top.at)!));
      if (low.get(top.at) !== index.get(top.at)) continue;
      const ring: number[] = [];
      for (;;) {
        const one = stack.pop()!;
        onStack.delete(one);
        ring.push(one);
        if (one === top.at) break;
      }
      if (ring.length > 1) found.push(ring);
    }
  };
  for (let at = 0; at < count; at++) if (root(at) === at && !index.has(at)) visit(at);
  return found;
}
