import type { Claim } from "./solve/clash.ts";
import type { Activity, Lag, Minute, Network } from "./solve/network.ts";

// What is given up of claims that cannot all be met, so that the rest can be dated.

/** A claim that can be given up here; due dates are moved instead. */
export type Yielding = Exclude<Claim, { due: Activity }>;

/**
 * What is given up of a clash so that the rest can be dated: what was set by hand first, then what shuts, then hours
 * and painters. Null where only other work that is there already is left.
 */
export function yielding(all: readonly Claim[]): Yielding | null {
  // other work that is there already gives way to nothing
  const claims = all.flatMap((claim) =>
    "due" in claim || ("activity" in claim && claim.activity.aside) ? [] : [claim],
  );
  const set = claims.find((claim) => "activity" in claim && claim.activity.anyHour);
  if (set) return set;
  const shutting = claims.flatMap((claim) => ("lag" in claim && claim.lag.max !== null ? [claim] : []));
  shutting.sort((a, b) => b.lag.max! - b.lag.min - (a.lag.max! - a.lag.min));
  return shutting[0] ?? claims.find((claim) => "activity" in claim) ?? claims[0] ?? null;
}

/** The network with a claim given up. What was set by hand may then begin from `start` on, when its job does. */
export function relaxed(network: Network, claim: Yielding, start: Minute): Network {
  if ("lag" in claim) {
    const { from, to, min, max, varies } = claim.lag;
    const loose: Lag =
      max === null
        ? { from, to, min: 0, max: null }
        : { from, to, min, max: null, ...(varies ? { varies: { ...varies, shuts: null } } : {}) };
    return { ...network, lags: network.lags.map((lag) => (lag === claim.lag ? loose : lag)) };
  }
  const { id, duration, earliest, anyHour, latest: _, ...hands } = claim.activity;
  const free: Activity = anyHour
    ? { id, duration, ...hands, earliest: start }
    : { id, duration, uses: {}, ...(earliest === undefined ? {} : { earliest }) };
  return { ...network, activities: network.activities.map((activity) => (activity.id === id ? free : activity)) };
}

/** The same without due dates. */
export const undated = (network: Network): Network => ({
  ...network,
  activities: network.activities.map(({ due: _, ...one }) => one),
});
