import type { Minutes } from "../../units/units.ts";
import { countUpTo, FAR, type Minute, type Stretch } from "./network.ts";

/** Numbers kept of each change, so that it can be taken back. */
const KEPT = 6;

/** The time that is still free in one painter's windows, kept so that looking and taking cost next to nothing. */
class Line {
  private readonly windowTo: Int32Array;
  private readonly atFirst: { from: Int32Array; to: Int32Array; most: Int32Array };
  private readonly from: Int32Array;
  private readonly to: Int32Array;
  /** the next gap in the same window; −1 after the last. The first gap of a window has the window's number */
  private readonly next: Int32Array;
  /** no gap of the window is longer */
  private readonly most: Int32Array;
  private gaps = 0;
  private log: Int32Array;
  private logged = 0;
  private foundWindow = 0;
  private foundGap = 0;

  constructor(windows: readonly Stretch[], most: number) {
    const room = windows.length + most;
    this.windowTo = Int32Array.from(windows, ([, to]) => to);
    this.atFirst = {
      from: Int32Array.from(windows, ([from]) => from),
      to: this.windowTo,
      most: Int32Array.from(windows, ([from, to]) => to - from),
    };
    this.from = new Int32Array(room);
    this.to = new Int32Array(room);
    this.next = new Int32Array(room);
    this.most = new Int32Array(windows.length);
    this.log = new Int32Array(KEPT * (most + 1));
    this.clear();
  }

  clear() {
    this.from.set(this.atFirst.from);
    this.to.set(this.atFirst.to);
    this.most.set(this.atFirst.most);
    this.next.fill(-1);
    this.gaps = this.windowTo.length;
    this.logged = 0;
  }

  /** The earliest start of a free stretch this long; FAR where there is none. */
  find(start: Minute, duration: Minutes): Minute {
    const { from, to, next, most, windowTo } = this;
    for (let window = countUpTo(windowTo, start); window < windowTo.length; window++) {
      if (most[window]! < duration) continue;
      let longest = 0;
      for (let gap = window; gap >= 0; gap = next[gap]!) {
        const begins = from[gap]! > start ? from[gap]! : start;
        if (begins + duration <= to[gap]!) {
          this.foundWindow = window;
          this.foundGap = gap;
          return begins;
        }
        if (to[gap]! - from[gap]! > longest) longest = to[gap]! - from[gap]!;
      }
      most[window] = longest;
    }
    return FAR;
  }

  /** Takes the stretch that was found last. */
  take(start: Minute, duration: Minutes) {
    const { from, to, next, foundGap: gap, log } = this;
    const at = KEPT * this.logged++;
    log[at] = gap;
    log[at + 1] = from[gap]!;
    log[at + 2] = to[gap]!;
    log[at + 3] = next[gap]!;
    log[at + 4] = this.foundWindow;
    log[at + 5] = this.gaps;
    const end = start + duration;
    if (start === from[gap]) from[gap] = end;
    else {
      if (end < to[gap]!) {
        const more = this.gaps++;
        from[more] = end;
        to[more] = to[gap]!;
        next[more] = next[gap]!;
        next[gap] = more;
      }
      to[gap] = start;
    }
  }

  /** Gives back what was taken last. */
  giveBack() {
    const { log } = this;
    const at = KEPT * --this.logged;
    const gap = log[at]!;
    this.from[gap] = log[at + 1]!;
    this.to[gap] = log[at + 2]!;
    this.next[gap] = log[at + 3]!;
    this.gaps = log[at + 5]!;
    const window = log[at + 4]!;
    const length = this.to[gap]! - this.from[gap]!;
    if (length > this.most[window]!) this.most[window] = length;
  }
}

/** The free time of some painters who keep the same hours. What is taken is given back in the opposite order. */
export class Gaps {
  private readonly lines: Line[];
  private readonly taken: Uint8Array;
  private many = 0;

  constructor(windows: readonly Stretch[], hands: number, most: number) {
    this.lines = Array.from({ length: hands }, () => new Line(windows, most));
    this.taken = new Uint8Array(most);
  }

  clear() {
    for (const line of this.lines) line.clear();
    this.many = 0;
  }

  /** Takes the earliest stretch, no earlier than asked, that somebody has free; FAR, and nothing taken, where nobody has. */
  takeFirst(from: Minute, duration: Minutes): Minute {
    const { lines } = this;
    let start = lines[0]!.find(from, duration);
    let who = 0;
    for (let at = 1; at < lines.length && start > from; at++) {
      const other = lines[at]!.find(from, duration);
      if (other >= start) continue;
      start = other;
      who = at;
    }
    if (start >= FAR) return FAR;
    lines[who]!.take(start, duration);
    this.taken[this.many++] = who;
    return start;
  }

  giveBack() {
    this.lines[this.taken[--this.many]!]!.giveBack();
  }
}
