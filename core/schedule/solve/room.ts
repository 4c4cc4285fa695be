import type { Minutes } from "../../units/units.ts";
import { countUpTo, FAR, type Minute, type Stretch } from "./network.ts";

/** Beyond this length a window is not looked at piece by piece: it holds what it is long. */
export const LONGEST_FILLED = 1440;

/** Most work, in minutes, that stretches of each length up to the longest can take of pieces of these lengths: by subset sums. */
export function fillings(lengths: readonly Minutes[], longest: Minutes): Int32Array {
  const reachable = new Uint8Array(longest + 1);
  reachable[0] = 1;
  for (const length of lengths)
    for (let sum = longest; sum >= length; sum--) if (reachable[sum - length]) reachable[sum] = 1;
  const most = new Int32Array(longest + 1);
  for (let length = 1; length <= longest; length++) most[length] = reachable[length] ? length : most[length - 1]!;
  return most;
}

/** The first of the pieces, in their order, that together leave least of a gap empty; −1 where none fits. */
export function firstOfFilling(lengths: readonly Minutes[], gap: Minutes): number {
  // sums that the pieces from one on can make
  const width = gap + 1;
  const sums = new Uint8Array((lengths.length + 1) * width);
  sums[lengths.length * width] = 1;
  for (let at = lengths.length - 1; at >= 0; at--) {
    const row = at * width;
    const length = lengths[at]!;
    for (let sum = 0; sum <= gap; sum++)
      sums[row + sum] = sums[row + width + sum]! | (sum >= length ? sums[row + width + sum - length]! : 0);
  }
  let best = gap;
  while (best > 0 && !sums[best]) best--;
  return lengths.findIndex((length, index) => length <= best && sums[(index + 1) * width + best - length] === 1);
}

/**
 * What the windows of a calendar hold between two moments: a table says how much a stretch of each length takes, in
 * minutes of work or by any other weighing of the work, for one pair of hands.
 */
export class Room {
  private readonly from: Int32Array;
  private readonly to: Int32Array;
  /** what all windows before one hold */
  private readonly before: Float64Array;

  constructor(
    windows: readonly Stretch[],
    private readonly table: Int32Array | null,
    private readonly hands: number,
  ) {
    this.from = Int32Array.from(windows, ([from]) => from);
    this.to = Int32Array.from(windows, ([, to]) => to);
    this.before = new Float64Array(windows.length + 1);
    for (let at = 0; at < windows.length; at++)
      this.before[at + 1] = this.before[at]! + this.holds(this.to[at]! - this.from[at]!);
  }

  private holds(length: Minutes): number {
    return this.hands * (this.table === null ? length : this.table[length]!);
  }

  /** The window that this minute lies in or comes before. */
  place(minute: Minute): number {
    return countUpTo(this.to, minute);
  }

  /** What fits before a minute, as the end of a span that began in an earlier window. */
  until(minute: Minute, place = this.place(minute)): number {
    if (place === this.to.length) return this.before[place]!;
    return this.before[place]! + this.holds(Math.max(0, minute - this.from[place]!));
  }

  /** What the windows before a minute hold, with as much of its own as no longer fits after it. */
  since(minute: Minute, place = this.place(minute)): number {
    if (place === this.to.length) return this.before[place]!;
    return this.before[place + 1]! - this.holds(this.to[place]! - Math.max(minute, this.from[place]!));
  }

  /** What one window holds of a span that lies in it at both ends. */
  within(from: Minute, to: Minute, place: number): number {
    if (place === this.to.length) return 0;
    return this.holds(Math.max(0, Math.min(to, this.to[place]!) - Math.max(from, this.from[place]!)));
  }
}

/** Pieces of work with what each weighs, against the room that the windows have for it. */
export interface Load {
  /** activities of each piece, one after another: those that share a window whatever happens are one piece */
  pieces: readonly (readonly number[])[];
  weight: Int32Array;
  room: Room;
}

/** Looks for a span of days that has to take more work than its windows hold. */
export class Overload {
  private readonly size: number;
  private readonly byStart: Int32Array;
  private readonly byFinish: Int32Array;
  /** earliest start and latest finish of each piece */
  private readonly begins: Int32Array;
  private readonly ends: Int32Array;
  private readonly since: Float64Array;
  private readonly place: Int32Array;

  constructor(
    private readonly load: Load,
    private readonly duration: Int32Array,
  ) {
    this.size = load.pieces.length;
    this.byStart = Int32Array.from(load.pieces, (_, index) => index);
    this.byFinish = this.byStart.slice();
    this.begins = new Int32Array(this.size);
    this.ends = new Int32Array(this.size);
    this.since = new Float64Array(this.size);
    this.place = new Int32Array(this.size);
  }

  /** No span from an earliest start to a latest finish holds more work than its windows can take. */
  fits(early: Int32Array, late: Int32Array): boolean {
    const { size, byStart, byFinish, begins, ends, since, place, load, duration } = this;
    const { pieces, weight, room } = load;
    for (let at = 0; at < size; at++) {
      const members = pieces[at]!;
      let from = FAR;
      let to = 0;
      for (let index = 0; index < members.length; index++) {
        const member = members[index]!;
        if (early[member]! < from) from = early[member]!;
        const end = late[member]! + duration[member]!;
        if (end > to) to = end;
      }
      begins[at] = from;
      ends[at] = to;
    }
    // nearly sorted from the last time: insertion is quick
    for (let at = 1; at < size; at++) {
      const finish = byFinish[at]!;
      const end = ends[finish]!;
      let to = at - 1;
      while (to >= 0 && ends[byFinish[to]!]! > end) {
        byFinish[to + 1] = byFinish[to]!;
        to--;
      }
      byFinish[to + 1] = finish;
      const start = byStart[at]!;
      const from = begins[start]!;
      to = at - 1;
      while (to >= 0 && begins[byStart[to]!]! < from) {
        byStart[to + 1] = byStart[to]!;
        to--;
      }
      byStart[to + 1] = start;
    }
    for (let at = 0; at < size; at++) {
      const from = begins[byStart[at]!]!;
      // pieces that may begin together share what is known of that minute
      if (at > 0 && from === begins[byStart[at - 1]!]!) {
        place[at] = place[at - 1]!;
        since[at] = since[at - 1]!;
        continue;
      }
      place[at] = room.place(from);
      since[at] = room.since(from, place[at]!);
    }
    for (let at = 0; at < size; at++) {
      const end = ends[byFinish[at]!]!;
      if (end >= FAR) break;
      if (at + 1 < size && ends[byFinish[at + 1]!]! === end) continue;
      const last = room.place(end - 1);
      const holds = room.until(end, last);
      let work = 0;
      for (let from = 0; from < size; from++) {
        const piece = byStart[from]!;
        if (ends[piece]! > end) continue;
        work += weight[piece]!;
        if (work <= holds - since[from]!) continue;
        if (place[from] !== last || work > room.within(begins[piece]!, end, last)) return false;
      }
    }
    return true;
  }
}
