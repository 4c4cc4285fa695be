import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { smallNetwork } from "../../../tests/random-networks.ts";
import { Bound } from "./bound.ts";
import { chainsOf } from "./chains.ts";
import type { Network, Stretch } from "./network.ts";
import { loadsOf, pricedLoadOf } from "./packing.ts";
import { solve } from "./solve.ts";

const days = (many: number, ...hours: Stretch[]): Stretch[] =>
  Array.from({ length: many }, (_, day) =>
    hours.map(([from, to]): Stretch => [day * 1440 + from, day * 1440 + to]),
  ).flat();

const pieces = (windows: Stretch[], lengths: readonly number[]): Network => ({
  name: "pieces",
  calendars: [windows],
  capacity: { painter: 1 },
  activities: lengths.map((duration, index) => ({ id: `${index}`, duration, uses: { painter: 1 } })),
  lags: [],
});

function boundOf(network: Network, most: number, priced = true): number {
  const bound = new Bound(network, chainsOf(network).order);
  for (const load of loadsOf(network)) bound.weigh(load);
  const load = priced ? pricedLoadOf(network) : null;
  if (load) bound.weigh(load);
  return bound.between(0, most);
}

const now = () => performance.now();
const repeated = (length: number, many: number) => Array.from({ length: many }, () => length);

describe("what the windows hold", () => {
  it("knows that two coats of fifty minutes do not go into an hour and a half", () => {
    const network = pieces(days(10, [0, 90]), repeated(50, 6));
    expect(boundOf(network, 20_000, false)).toBe(5 * 1440 + 50);
  });

  it("knows by prices that an hour and three quarters of an hour do not share a hundred minutes", () => {
    const network = pieces(days(12, [0, 100]), [...repeated(60, 4), ...repeated(45, 4)]);
    // by the minutes alone 420 go into five windows; four days are for the hours, two for the rest
    expect(boundOf(network, 20_000, false)).toBeLessThan(5 * 1440);
    expect(boundOf(network, 20_000)).toBeGreaterThan(5 * 1440);
    expect(solve(network, { budget: 1000, now }).makespan).toBe(5 * 1440 + 60);
  });

  it("takes a glaze and its wiping as one piece where no break is as short as the wait between them", () => {
    const network: Network = {
      ...pieces(days(10, [0, 90]), repeated(25, 8)),
      lags: [0, 2, 4, 6].map((at) => ({ from: `${at}`, to: `${at + 1}`, min: 5, max: 10 })),
    };
    // 55 minutes a pair: one a day; taken singly three coats would go into a day
    expect(boundOf(network, 20_000, false)).toBeLessThan(3 * 1440);
    expect(boundOf(network, 20_000)).toBeGreaterThan(3 * 1440);
  });

  it("lets a wait that outlasts the break between two windows split a pair", () => {
    const network: Network = {
      ...pieces(days(10, [0, 30], [50, 80]), repeated(30, 2)),
      lags: [{ from: "0", to: "1", min: 0, max: 40 }],
    };
    expect(boundOf(network, 20_000)).toBe(80);
  });

  it("never says of a finish that can be kept that it cannot", () => {
    fc.assert(
      fc.property(smallNetwork(8), (network) => {
        const { makespan } = solve(network, { budget: 2000, now });
        if (makespan !== null) expect(boundOf(network, makespan)).toBeLessThanOrEqual(makespan);
      }),
      { numRuns: 60 },
    );
  });
});
