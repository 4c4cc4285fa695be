import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { faultsOfSchedule } from "../../../tests/check-network.ts";
import { smallNetwork } from "../../../tests/random-networks.ts";
import type { Minute, Network } from "./network.ts";
import { slackOf } from "./slack.ts";
import { solve } from "./solve.ts";
import { tidied, visitsOf } from "./tidy.ts";

const now = () => performance.now();
const HANDS = { painter: 1 };
const days = (many: number): Network["calendars"] => [
  Array.from({ length: many }, (_, day) => [day * 1440 + 540, day * 1440 + 1020] as const),
];
const tidy = (network: Network, starts: Readonly<Record<string, Minute>>) =>
  tidied(network, starts, slackOf(network, starts).latest);
const makespanOf = ({ activities }: Network, starts: Readonly<Record<string, Minute>>) =>
  activities.reduce((last, { id, duration }) => Math.max(last, starts[id]! + duration), 0);

describe("a schedule made tidy", () => {
  it("keeps every wait, window and hand, never ends later, and never takes more days", () => {
    let fewer = 0;
    fc.assert(
      fc.property(smallNetwork(8), (made) => {
        // the last of it cannot begin before the third day
        const activities = made.activities.map((activity, index) =>
          index === made.activities.length - 1 ? { ...activity, earliest: 2 * 1440 } : activity,
        );
        const network = { ...made, activities };
        const { starts } = solve(network, { budget: 40, now });
        if (starts === null) return;
        const after = tidy(network, starts);
        expect(faultsOfSchedule(network, after)).toEqual([]);
        expect(makespanOf(network, after)).toBe(makespanOf(network, starts));
        expect(visitsOf(network, after)).toBeLessThanOrEqual(visitsOf(network, starts));
        if (visitsOf(network, after) < visitsOf(network, starts)) fewer++;
      }),
      { numRuns: 150 },
    );
    // it does something: random networks have days to save
    expect(fewer).toBeGreaterThan(0);
  });

  it("does a lone morning's work on the day there is work anyway", () => {
    const network: Network = {
      name: "two visits",
      calendars: days(4),
      capacity: HANDS,
      activities: [
        { id: "lid", duration: 30, uses: HANDS },
        { id: "box", duration: 60, uses: HANDS, earliest: 2 * 1440 },
      ],
      lags: [],
    };
    expect(tidy(network, { lid: 540, box: 2 * 1440 + 600 })).toEqual({ lid: 2 * 1440 + 540, box: 2 * 1440 + 600 });
  });

  it("keeps a due date: what is due tomorrow is not left till the day after", () => {
    const network: Network = {
      name: "due",
      calendars: days(4),
      capacity: HANDS,
      activities: [
        { id: "lid", duration: 30, uses: HANDS, due: 1440 + 540 },
        { id: "box", duration: 60, uses: HANDS, earliest: 2 * 1440 },
      ],
      lags: [],
    };
    const starts = { lid: 540, box: 2 * 1440 + 600 };
    expect(tidy(network, starts)).toEqual(starts);
  });

  it("lays the glaze right before it is wiped, not at the other end of its window", () => {
    const network: Network = {
      name: "glaze",
      calendars: days(1),
      capacity: HANDS,
      activities: [
        { id: "glaze", duration: 20, uses: HANDS },
        { id: "other", duration: 30, uses: HANDS },
        { id: "wipe", duration: 20, uses: HANDS },
      ],
      lags: [
        { from: "glaze", to: "wipe", min: 5, max: 40 },
        { from: "other", to: "wipe", min: 0, max: null },
      ],
    };
    // the other work done before the glaze: wiping at 600 either way
    const after = tidy(network, { other: 540, glaze: 570, wipe: 600 });
    expect(after.glaze).toBe(575);
    expect(after.wipe).toBe(600);
  });
});
