import { FAR, fitsOf, latestOf, type Minute, type Network } from "./network.ts";
import { type Load, Overload } from "./room.ts";

/** Rounds in which maximum waits push starts on; what moves after that is left: the bound stays true, if a little low. */
const ROUNDS = 4;

/**
 * Shows that a finish comes too early to be met: earliest and latest starts by the waits and windows, then the work of every
 * span of days against the room in it. For networks of any size, without what is known of every pair.
 */
export class Bound {
  private readonly order: readonly number[];
  private readonly early: Int32Array;
  private readonly duration: Int32Array;
  private readonly fits: ReturnType<typeof fitsOf>;
  private readonly lags: { from: number; to: number; min: number; max: number | null }[];
  private readonly overloads: Overload[] = [];

  /** `order` has each activity after what it waits for; lags that go against it are left out. */
  constructor(
    private readonly network: Network,
    order: readonly number[],
  ) {
    const { activities, lags } = network;
    this.order = order;
    this.fits = fitsOf(network);
    this.duration = Int32Array.from(activities, ({ duration }) => duration);
    const place = new Map(activities.map(({ id }, index) => [id, index]));
    const rank = new Int32Array(activities.length);
    order.forEach((at, index) => {
      rank[at] = index;
    });
    this.lags = lags
      .map(({ from, to, min, max }) => ({ from: place.get(from)!, to: place.get(to)!, min, max }))
      .filter(({ from, to }) => rank[from]! < rank[to]!)
      .sort((a, b) => rank[a.from]! - rank[b.from]!);
    this.early = Int32Array.from(activities, ({ earliest = 0 }) => Math.max(0, earliest));
    for (let round = 0; round < ROUNDS; round++) this.pushOn();
  }

  weigh(load: Load) {
    this.overloads.push(new Overload(load, this.duration));
  }

  private pushOn() {
    const { early, fits, duration, order, lags } = this;
    let next = 0;
    for (const at of order) {
      const fit = fits[at]!;
      if (fit !== null) early[at] = fit.next(early[at]!);
      for (; next < lags.length && lags[next]!.from === at; next++) {
        const { to, min } = lags[next]!;
        const opens = early[at]! + duration[at]! + min;
        if (opens > early[to]!) early[to] = opens;
      }
    }
    for (let at = lags.length - 1; at >= 0; at--) {
      const { from, to, max } = lags[at]!;
      if (max !== null && early[to]! - max - duration[from]! > early[from]!)
        early[from] = early[to]! - max - duration[from]!;
    }
  }

  /** The latest starts that let all be done by then, as far as waits and windows go; null where there are none. */
  latestFor(finish: Minute): Int32Array | null {
    const { early, fits, duration, lags, network } = this;
    const late = Int32Array.from(network.activities, (activity, index) =>
      Math.min(latestOf(activity), activity.aside ? FAR : finish - duration[index]!),
    );
    let next = lags.length - 1;
    for (let index = this.order.length - 1; index >= 0; index--) {
      const at = this.order[index]!;
      for (; next >= 0 && lags[next]!.from === at; next--) {
        const { to, min } = lags[next]!;
        const last = late[to]! - min - duration[at]!;
        if (last < late[at]!) late[at] = last;
      }
      const fit = fits[at]!;
      if (fit !== null) late[at] = fit.previous(late[at]!);
      if (late[at]! < early[at]!) return null;
    }
    return late;
  }

  /** False where nothing can be done by then. */
  private couldEndBy(finish: Minute): boolean {
    const late = this.latestFor(finish);
    return late !== null && this.overloads.every((overload) => overload.fits(this.early, late));
  }

  /** The earliest finish, from one minute to another, that nothing forbids. */
  between(least: Minute, most: Minute): Minute {
    let low = least;
    let high = most;
    while (low < high) {
      const middle = Math.floor((low + high) / 2);
      if (this.couldEndBy(middle)) high = middle;
      else low = middle + 1;
    }
    return low;
  }
}
