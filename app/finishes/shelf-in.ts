import type { PotOnShelf } from "#core/shelf/stock";

/** Ids of the materials that are on the shelf; a shop that keeps no shelf here has the finish's own. */
export function shelfIn(pots: readonly PotOnShelf[]): ReadonlySet<string> | undefined {
  const there = new Set(pots.filter(({ amount }) => amount > 0).map(({ goodId }) => goodId));
  return there.size > 0 ? there : undefined;
}
