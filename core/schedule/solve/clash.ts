import { type Activity, type Lag, type Network, problemOf } from "./problem.ts";
import { Search } from "./search.ts";
import { horizonOf } from "./solve.ts";

/** A claim that a schedule has to keep: a wait, or the hands and hours of a piece of work. */
export type Claim = { lag: Lag } | { activity: Activity };

export interface ClashOptions {
  /** milliseconds it may take */
  budget: number;
  now: () => number;
}

/** Dead ends after which it is left open whether a set of claims can hold. */
const FAILS = 400;

const isLag = (claim: Claim): claim is { lag: Lag } => "lag" in claim;

/** The network of some claims alone: work whose hands are not claimed runs by itself at any hour. */
export function networkOf(network: Network, claims: readonly Claim[]): Network {
  const lags = new Set(claims.flatMap((claim) => (isLag(claim) ? [claim.lag] : [])));
  const hands = new Set(claims.flatMap((claim) => (isLag(claim) ? [] : [claim.activity.id])));
  const ends = new Set([...lags].flatMap(({ from, to }) => [from, to]));
  return {
    ...network,
    lags: network.lags.filter((lag) => lags.has(lag)),
    activities: network.activities
      .filter(({ id }) => hands.has(id) || ends.has(id))
      .map((one) => (hands.has(one.id) ? one : { id: one.id, duration: one.duration, uses: {} })),
  };
}

/** Whether a network can be kept at all; null where that was not found out. */
export function canHold(network: Network, options: ClashOptions & { until: number }): boolean | null {
  if (
    network.activities.some(({ uses }) =>
      Object.entries(uses).some(([name, use]) => use > (network.capacity[name] ?? 0)),
    )
  )
    return false;
  const problem = problemOf(network);
  if (problem.contradiction) return false;
  const search = new Search(problem);
  if (!search.begin() || !search.boundBy(horizonOf(network))) return search.unsure ? null : false;
  const outcome = search.run({ fails: FAILS, until: options.until, now: options.now });
  return outcome === "given up" ? null : outcome === "found";
}

const connected = (network: Network, from: readonly Lag[]): Claim[] => {
  const near = new Set(from.flatMap((lag) => [lag.from, lag.to]));
  for (let grown = true; grown; ) {
    grown = false;
    for (const lag of network.lags)
      if (near.has(lag.from) !== near.has(lag.to)) {
        near.add(lag.from);
        near.add(lag.to);
        grown = true;
      }
  }
  return [
    ...network.lags.filter(({ from: one }) => near.has(one)).map((lag) => ({ lag })),
    ...network.activities.filter(({ id }) => near.has(id)).map((activity) => ({ activity })),
  ];
};

/**
 * A small set of claims that cannot hold together, while without any one of them the rest can: why a network has no schedule.
 * Claims are dropped in ever smaller handfuls as long as the rest is proven impossible. `suspects` are lags that a quick
 * schedule could not keep; the search begins with what hangs together with them. Null where the network is not proven
 * impossible in the time given.
 */
export function clashOf(network: Network, options: ClashOptions, suspects: readonly Lag[] = []): Claim[] | null {
  const until = options.now() + options.budget;
  const impossible = (claims: readonly Claim[]) => canHold(networkOf(network, claims), { ...options, until }) === false;
  let claims: Claim[] | null = null;
  const problem = suspects.length === 0 ? problemOf(network) : null;
  if (problem?.contradiction) claims = problem.contradiction.map((lag) => ({ lag }));
  for (const suspect of suspects) {
    const near = connected(network, [suspect]);
    if (!impossible(near)) continue;
    claims = near;
    break;
  }
  if (claims === null || !impossible(claims)) {
    claims = [...network.lags.map((lag) => ({ lag })), ...network.activities.map((activity) => ({ activity }))];
    if (!impossible(claims)) return null;
  }
  for (let size = Math.ceil(claims.length / 2); size >= 1; ) {
    let dropped = false;
    for (let at = 0; at < claims.length && options.now() < until; ) {
      const rest: Claim[] = claims.filter((_, index) => index < at || index >= at + size);
      if (rest.length > 0 && rest.length < claims.length && impossible(rest)) {
        claims = rest;
        dropped = true;
      } else at += size;
    }
    if (options.now() >= until) break;
    // dropping one claim can make another needless: once more round at the end
    if (size === 1 && !dropped) break;
    size = size === 1 ? 1 : Math.ceil(size / 2);
  }
  return claims;
}
