import { wayTo } from "./chains.ts";
import type { Activity, Lag, Network } from "./network.ts";
import { problemOf } from "./problem.ts";
import { Search } from "./search.ts";
import { horizonOf } from "./solve.ts";

/**
 * A claim that a schedule has to meet: a wait, the painter and hours of a piece of work, or the day by which it has
 * to be done.
 */
export type Claim = { lag: Lag } | { activity: Activity } | { due: Activity };

export interface ClashOptions {
  /** milliseconds it may take */
  budget: number;
  now: () => number;
  /** dead ends after which it is left open whether some claims can be met */
  fails?: number;
  /** pushes of one start by another after which that is left open as well */
  pushes?: number;
  /** called with the pushes that a question took */
  spendPushes?: (pushes: number) => void;
  /** called with the size of every set of claims that is tried: a counting clock then knows how much work was done */
  spend?: (claims: number) => void;
}

/** Dead ends after which it is left open whether a set of claims can hold. */
const FAILS = 400;
/** Work beyond this is not searched whole for a clash: what is known of every pair grows with its square. */
const MOST_SEARCHED = 400;

const isLag = (claim: Claim): claim is { lag: Lag } => "lag" in claim;

/** The network of some claims alone: work whose hands are not claimed runs by itself at any hour. */
export function networkOf(network: Network, claims: readonly Claim[]): Network {
  const lags = new Set(claims.flatMap((claim) => (isLag(claim) ? [claim.lag] : [])));
  const hands = new Set(claims.flatMap((claim) => ("activity" in claim ? [claim.activity.id] : [])));
  const due = new Set(claims.flatMap((claim) => ("due" in claim ? [claim.due.id] : [])));
  const ends = new Set([...[...lags].flatMap(({ from, to }) => [from, to]), ...due]);
  return {
    ...network,
    lags: network.lags.filter((lag) => lags.has(lag)),
    activities: network.activities
      .filter(({ id }) => hands.has(id) || ends.has(id))
      .map(({ due: by, ...one }) => ({
        ...(hands.has(one.id) ? one : { id: one.id, duration: one.duration, uses: {} }),
        ...(due.has(one.id) && by !== undefined ? { due: by } : {}),
      })),
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
  const begins = search.begin() && search.boundBy(horizonOf(network));
  const { until, now, fails = FAILS, pushes } = options;
  const outcome = begins ? search.run({ fails, until, now, ...(pushes === undefined ? {} : { pushes }) }) : "none";
  options.spendPushes?.(search.pushes);
  if (!begins) return search.unsure ? null : false;
  return outcome === "given up" ? null : outcome === "found";
}

const dueOf = (activities: readonly Activity[]): Claim[] =>
  activities.flatMap((activity) => (activity.due === undefined ? [] : [{ due: activity }]));

/** What lies on the longest path to something that is due: the likeliest reason for its being late. */
function onTheWayTo(network: Network, due: Activity): Claim[] {
  const lags = wayTo(network, due.id);
  const ids = new Set([due.id, ...lags.map(({ from }) => from)]);
  return [
    ...lags.map((lag) => ({ lag })),
    ...network.activities.filter(({ id }) => ids.has(id)).map((activity) => ({ activity })),
    { due },
  ];
}

/** Claims connected with a lag or a due date, further and further away. */
function* around(network: Network, suspect: Lag | Activity): Generator<Claim[]> {
  if (!("from" in suspect)) yield onTheWayTo(network, suspect);
  const near = new Set("from" in suspect ? [suspect.from, suspect.to] : [suspect.id]);
  for (let hops = 1, size = 0; near.size > size; hops *= 2) {
    size = near.size;
    if (size > MOST_SEARCHED) return;
    const activities = network.activities.filter(({ id }) => near.has(id));
    yield [
      ...network.lags.filter(({ from, to }) => near.has(from) && near.has(to)).map((lag) => ({ lag: lag })),
      ...activities.map((activity) => ({ activity })),
      ...("from" in suspect ? dueOf(activities) : dueOf([suspect])),
    ];
    for (let hop = 0; hop < hops; hop++) {
      const reached = network.lags.flatMap(({ from, to }) =>
        near.has(from) === near.has(to) ? [] : [near.has(from) ? to : from],
      );
      for (const id of reached) near.add(id);
    }
  }
}

/**
 * A small set of claims that cannot all be met, while without any one of them the rest can: why a network has no
 * schedule. Claims are dropped in ever smaller groups as long as the rest is proven impossible. `suspects` are lags
 * and due dates that a quick schedule could not meet; the search begins with what is connected with them. Null if the
 * network is not proven impossible in the time given.
 */
export function clashOf(
  network: Network,
  options: ClashOptions,
  suspects: readonly (Lag | Activity)[] = [],
): Claim[] | null {
  const until = options.now() + options.budget;
  const whole = network.activities.length <= MOST_SEARCHED;
  const impossible = (claims: readonly Claim[]) => {
    options.spend?.(claims.length);
    return options.now() < until && canHold(networkOf(network, claims), { ...options, until }) === false;
  };
  let claims: Claim[] | null = null;
  const problem = suspects.length === 0 && whole ? problemOf(network) : null;
  if (problem?.contradiction) claims = problem.contradiction.map((lag) => ({ lag }));
  for (const suspect of suspects) {
    for (const near of around(network, suspect)) {
      if (!impossible(near)) continue;
      claims = near;
      break;
    }
    if (claims !== null) break;
  }
  if (claims === null || !impossible(claims)) {
    if (!whole) return null;
    claims = [
      ...network.lags.map((lag) => ({ lag })),
      ...network.activities.map((activity) => ({ activity })),
      ...dueOf(network.activities),
    ];
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
    // dropping one claim can make another needless: one more round at the end
    if (size === 1 && !dropped) break;
    size = size === 1 ? 1 : Math.ceil(size / 2);
  }
  return claims;
}
