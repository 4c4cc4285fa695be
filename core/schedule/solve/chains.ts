import type { Minutes } from "../../units/units.ts";
import { fitsOf, type Lag, type Minute, type Network, type VaryingLag } from "./network.ts";

/** A wait as one of its ends sees it: the activity at the other end, by number. */
export interface Link {
  other: number;
  min: Minutes;
  max: Minutes | null;
  varies: VaryingLag | undefined;
  lag: Lag;
}

/** The waits of a network by activity, and an order in which each comes after what it waits for. */
export interface Chains {
  into: readonly (readonly Link[])[];
  outOf: readonly (readonly Link[])[];
  /** what waits in a circle comes last */
  order: readonly number[];
}

export function chainsOf({ activities, lags }: Network): Chains {
  const into: Link[][] = activities.map(() => []);
  const outOf: Link[][] = activities.map(() => []);
  const place = new Map(activities.map(({ id }, index) => [id, index]));
  for (const lag of lags) {
    const from = place.get(lag.from)!;
    const to = place.get(lag.to)!;
    const { min, max, varies } = lag;
    into[to]!.push({ other: from, min, max, varies, lag });
    outOf[from]!.push({ other: to, min, max, varies, lag });
  }
  const waits = Int32Array.from(into, (links) => links.length);
  const order: number[] = [];
  waits.forEach((many, index) => {
    if (many === 0) order.push(index);
  });
  for (let next = 0; next < order.length; next++)
    for (const { other } of outOf[order[next]!]!) if (--waits[other]! === 0) order.push(other);
  const placed = new Set(order);
  activities.forEach((_, index) => {
    if (!placed.has(index)) order.push(index);
  });
  return { into, outOf, order };
}

/** The longest way from each start to the end of everything that waits for it; `own` is what it has still to go by itself. */
export function tailsOf({ order, outOf }: Chains, duration: Int32Array, own: Int32Array): Int32Array {
  const tails = own.slice();
  for (let index = order.length - 1; index >= 0; index--) {
    const at = order[index]!;
    for (const { other, min } of outOf[at]!) tails[at] = Math.max(tails[at]!, duration[at]! + min + tails[other]!);
  }
  return tails;
}

/** Earliest starts if only waits and windows counted and nobody were in anybody's way, and the wait that held each up. */
function unhindered(network: Network, { into, order }: Chains) {
  const { activities } = network;
  const fits = fitsOf(network);
  const starts = new Float64Array(activities.length);
  const heldBy: (Lag | null)[] = activities.map(() => null);
  for (const at of order) {
    let from = activities[at]!.earliest ?? 0;
    for (const { other, min, varies, lag } of into[at]!) {
      const finish = starts[other]! + activities[other]!.duration;
      const opens = varies ? varies.opens(finish) : finish + min;
      if (opens <= from) continue;
      from = opens;
      heldBy[at] = lag;
    }
    const fit = fits[at]!;
    starts[at] = fit === null ? from : fit.next(from);
  }
  return { starts, heldBy };
}

/** The last finish if only waits and windows counted: no schedule ends earlier. */
export function longestWay(network: Network, chains: Chains): Minute {
  return unhindered(network, chains).starts.reduce(
    (last, start, index) => Math.max(last, start + network.activities[index]!.duration),
    0,
  );
}

/** The waits, one after another, that keep an activity from starting earlier than waits and windows let it. */
export function wayTo(network: Network, id: string): Lag[] {
  const { heldBy } = unhindered(network, chainsOf(network));
  const place = new Map(network.activities.map((activity, index) => [activity.id, index]));
  const way: Lag[] = [];
  for (let lag = heldBy[place.get(id)!]; lag && way.length < heldBy.length; lag = heldBy[place.get(lag.from)!])
    way.push(lag);
  return way;
}
