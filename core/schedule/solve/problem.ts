import { type Fit, fitsOf, type Lag, latestOf, type Network, NONE, type VaryingLag } from "./network.ts";
import { loadsOf } from "./packing.ts";
import type { Load } from "./room.ts";

/** A resource with what each activity takes of it. */
export interface Resource {
  name: string;
  capacity: number;
  /** activities that use it */
  users: Int32Array;
  use: Int32Array;
}

/** A network made ready for searching: activities by number, distances between their starts, and who is in whose way. */
export interface Problem {
  network: Network;
  count: number;
  duration: Int32Array;
  /** where it fits, for what keeps to a calendar; null for what runs at any time */
  fits: (Fit | null)[];
  /** start(b) − start(a) is at least distance[a·count + b]; closed under adding up */
  distance: Int32Array;
  earliest: Int32Array;
  latest: Int32Array;
  /** 1 for what counts in the finish */
  counts: Uint8Array;
  varying: { from: number; to: number; lag: VaryingLag }[];
  resources: Resource[];
  /** pairs that cannot run at the same time */
  pairs: Int32Array;
  /** hands-on work against what the windows hold; none where hours differ */
  loads: Load[];
  /** a chain of lags that leads back to its own beginning later than it left: no schedule keeps them */
  contradiction: Lag[] | null;
}

const PAIRS_BELOW = 2;

/** Longest paths between all starts, by the lags alone; or the lags of a circle that cannot hold. */
function distancesOf(network: Network, place: ReadonlyMap<string, number>) {
  const count = network.activities.length;
  const distance = new Int32Array(count * count).fill(NONE);
  for (let at = 0; at < count; at++) distance[at * count + at] = 0;
  const via = new Map<number, Lag>();
  const edge = (from: number, to: number, length: number, lag: Lag) => {
    if (length <= distance[from * count + to]!) return;
    distance[from * count + to] = length;
    via.set(from * count + to, lag);
  };
  for (const lag of network.lags) {
    const from = place.get(lag.from)!;
    const to = place.get(lag.to)!;
    const { duration } = network.activities[from]!;
    edge(from, to, duration + lag.min, lag);
    if (lag.max !== null) edge(to, from, -(duration + lag.max), lag);
  }
  const through = new Int32Array(count * count).fill(-1);
  for (let middle = 0; middle < count; middle++)
    for (let from = 0; from < count; from++) {
      const first = distance[from * count + middle]!;
      if (first === NONE) continue;
      for (let to = 0; to < count; to++) {
        const second = distance[middle * count + to]!;
        if (second === NONE || first + second <= distance[from * count + to]!) continue;
        distance[from * count + to] = first + second;
        through[from * count + to] = middle;
        if (from === to) return { distance, circle: lagsAlong(from, to, count, through, via) };
      }
    }
  return { distance, circle: null };
}

function lagsAlong(from: number, to: number, count: number, through: Int32Array, via: ReadonlyMap<number, Lag>): Lag[] {
  const lags = new Set<Lag>();
  const walk = (a: number, b: number, depth: number) => {
    const middle = through[a * count + b]!;
    if (middle < 0 || depth > 64) {
      const lag = via.get(a * count + b);
      if (lag) lags.add(lag);
      return;
    }
    walk(a, middle, depth + 1);
    walk(middle, b, depth + 1);
  };
  walk(from, to, 0);
  return [...lags];
}

export function problemOf(network: Network): Problem {
  const { activities, capacity } = network;
  const count = activities.length;
  const place = new Map(activities.map(({ id }, index) => [id, index]));
  const duration = Int32Array.from(activities, (activity) => activity.duration);
  const fits = fitsOf(network);
  const { distance, circle } = distancesOf(network, place);
  const resources: Resource[] = [];
  for (const [name, most] of Object.entries(capacity)) {
    const users = activities.flatMap((activity, index) => ((activity.uses[name] ?? 0) > 0 ? [index] : []));
    if (users.length > 0)
      resources.push({
        name,
        capacity: most,
        users: Int32Array.from(users),
        use: Int32Array.from(activities, (activity) => activity.uses[name] ?? 0),
      });
  }
  const pairs: number[] = [];
  for (let one = 0; one < count; one++)
    for (let two = one + 1; two < count; two++)
      if (
        duration[one]! > 0 &&
        duration[two]! > 0 &&
        resources.some(({ use, capacity: most }) => use[one]! > 0 && use[two]! > 0 && use[one]! + use[two]! > most)
      )
        pairs.push(one, two);
  return {
    network,
    count,
    duration,
    fits,
    distance,
    earliest: Int32Array.from(activities, (activity) => Math.max(0, activity.earliest ?? 0)),
    latest: Int32Array.from(activities, latestOf),
    counts: Uint8Array.from(activities, ({ aside }) => (aside ? 0 : 1)),
    varying: network.lags.flatMap(({ from, to, varies }) =>
      varies ? [{ from: place.get(from)!, to: place.get(to)!, lag: varies }] : [],
    ),
    resources: resources.filter(({ users, capacity: most }) => users.length >= Math.min(PAIRS_BELOW, most + 1)),
    pairs: Int32Array.from(pairs),
    loads: loadsOf(network),
    contradiction: circle,
  };
}
