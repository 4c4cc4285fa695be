import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { faultsOfSchedule, makespanOf } from "../../../tests/check-network.ts";
import { smallNetwork } from "../../../tests/random-networks.ts";
import { type Activity, FAR, fitsOf, handedOut, isByHand, type Network, type Stretch } from "./network.ts";
import { Serial } from "./serial.ts";
import { slackOf } from "./slack.ts";
import { solve } from "./solve.ts";
import { tidied } from "./tidy.ts";

const MORNINGS: Stretch[] = Array.from({ length: 10 }, (_, day) => [day * 1440 + 540, day * 1440 + 780]);
const DAYS: Stretch[] = Array.from({ length: 10 }, (_, day) => [day * 1440 + 540, day * 1440 + 1080]);
const FIRST = { uses: { "painter one": 1 }, calendar: 0 };
const SECOND = { uses: { "painter two": 1 }, calendar: 1 };

/** The same work for two painters, the second there in the mornings only; what `onlyFirst` names is the first's alone. */
function divided(network: Network, onlyFirst: (at: number) => boolean = () => false): Network {
  return {
    name: network.name,
    lags: network.lags,
    calendars: [DAYS, MORNINGS],
    capacity: { "painter one": 1, "painter two": 1 },
    activities: network.activities.map((activity, index): Activity => {
      if (!isByHand(activity)) return activity;
      return { ...activity, ...FIRST, byHand: true, ...(onlyFirst(index) ? {} : { ways: [FIRST, SECOND] }) };
    }),
  };
}

function placed(network: Network) {
  const { starts, missed, ways, makespan } = new Serial(network, fitsOf(network)).run(0.05, () => 0);
  const given = handedOut(network, ways);
  return {
    given,
    missed,
    makespan,
    starts: Object.fromEntries(given.activities.map(({ id }, index) => [id, starts[index]!])),
  };
}

const hands = (id: string, duration = 60, more: Partial<Activity> = {}): Activity => ({
  id,
  duration,
  ...FIRST,
  byHand: true,
  ways: [FIRST, SECOND],
  ...more,
});
const two = (activities: Activity[]): Network => ({
  name: "two",
  calendars: [DAYS, MORNINGS],
  capacity: { "painter one": 1, "painter two": 1 },
  activities,
  lags: [],
});

describe("work that several can do", () => {
  it("goes to whoever is free first, and to the first of several who are", () => {
    const { given, starts } = placed(two([hands("a"), hands("b"), hands("c")]));
    expect(given.activities.map(({ uses }) => Object.keys(uses)[0])).toEqual([
      "painter one",
      "painter two",
      "painter one",
    ]);
    expect(starts).toEqual({ a: 540, b: 540, c: 600 });
  });

  it("keeps to the hours of whoever does it", () => {
    // four hours each: the second's morning is over when they are done
    const { given, starts } = placed(two([hands("a", 240), hands("b", 240), hands("c", 240), hands("d", 240)]));
    expect(starts).toEqual({ a: 540, b: 540, c: 780, d: 1980 });
    expect(given.activities.map(({ calendar }) => calendar)).toEqual([0, 1, 0, 0]);
  });

  it("set for a time has whoever is free then", () => {
    const set = { earliest: 600, latest: 600, anyHour: true };
    const { given } = placed(two([hands("a", 60, set), hands("b", 60, set)]));
    expect(given.activities.map(({ uses }) => Object.keys(uses)[0])).toEqual(["painter one", "painter two"]);
  });

  it("placed and handed out keeps every wait, hour and painter, but for windows it says it missed", () => {
    fc.assert(
      fc.property(smallNetwork(8), fc.integer({ min: 1, max: 4 }), (network, every) => {
        const { given, starts, missed } = placed(divided(network, (at) => at % every === 0));
        // what fits into no window of these ten days has no place
        fc.pre(Object.values(starts).every((start) => start < FAR));
        const lags = given.lags.filter((lag) => !missed.includes(lag));
        expect(faultsOfSchedule({ ...given, lags }, starts)).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });

  it("handed out is solved as before, never later than it was placed", () => {
    fc.assert(
      fc.property(smallNetwork(6), (network) => {
        const { given, missed, makespan } = placed(divided(network));
        fc.pre(missed.length === 0);
        let count = 0;
        const found = solve(given, { budget: 400, now: () => count++, pushes: 20_000 });
        expect(found.feasible).toBe(true);
        expect(found.makespan!).toBeLessThanOrEqual(makespan);
        expect(faultsOfSchedule(given, found.starts!)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});

describe("other work that is there already", () => {
  const taken = (from: number, to: number): Activity => ({
    id: `taken ${from}`,
    duration: to - from,
    uses: { painter: 1 },
    earliest: from,
    latest: from,
    anyHour: true,
    aside: true,
  });
  const own = (id: string, duration: number): Activity => ({ id, duration, uses: { painter: 1 } });
  const shared = (activities: Activity[]): Network => ({
    name: "shared",
    calendars: [DAYS],
    capacity: { painter: 1 },
    activities,
    lags: [],
  });

  it("keeps its hands, and does not count in the finish", () => {
    const network = shared([own("a", 60), taken(540, 600), taken(7000, 7100)]);
    let count = 0;
    const found = solve(network, { budget: 200, now: () => count++ });
    expect(found).toMatchObject({ feasible: true, makespan: 660, proven: true });
    expect(found.starts!.a).toBe(600);
    expect(placed(network)).toMatchObject({ makespan: 660 });
  });

  it("leaves no slack and no chain of its own to what comes after", () => {
    const network = shared([own("a", 60), own("b", 30), taken(7000, 7100)]);
    const starts = { a: 540, b: 600, "taken 7000": 7000 };
    const { latest, critical } = slackOf(network, starts);
    expect(critical).toEqual(["a", "b"]);
    expect(latest).toMatchObject({ a: 540, b: 600 });
    expect(tidied(network, starts, latest)).toEqual(starts);
  });

  it("is never moved, whatever has to fit in around it", () => {
    fc.assert(
      fc.property(
        smallNetwork(6),
        fc.array(fc.record({ from: fc.integer({ min: 0, max: 4000 }), long: fc.integer({ min: 10, max: 120 }) }), {
          maxLength: 3,
        }),
        (network, spans) => {
          const apart = spans.filter(({ from }, index) =>
            spans.slice(0, index).every((span) => span.from + span.long <= from),
          );
          const around = apart.map(({ from, long }) => taken(from, from + long));
          const ids = new Set(around.map(({ id }) => id));
          const whole = {
            ...network,
            activities: [...network.activities, ...around.filter(({ id }) => ids.delete(id))],
          };
          let count = 0;
          const found = solve(whole, { budget: 400, now: () => count++, pushes: 20_000 });
          if (!found.starts) return;
          for (const activity of around) expect(found.starts[activity.id]).toBe(activity.earliest);
          // it may lie outside the windows, where it was set by hand
          const inHours = {
            ...whole,
            activities: whole.activities.map((activity) => (activity.aside ? { ...activity, uses: {} } : activity)),
          };
          expect(faultsOfSchedule(inHours, found.starts)).toEqual([]);
          expect(found.makespan).toBe(makespanOf(network, found.starts));
        },
      ),
      { numRuns: 80 },
    );
  });
});

describe("a search that is counted", () => {
  it("is the same every time, and gives up by what it costs", () => {
    fc.assert(
      fc.property(smallNetwork(10), fc.integer({ min: 10, max: 3000 }), (network, pushes) => {
        const run = () => {
          let count = 0;
          return solve(network, { budget: 1_000_000, now: () => count++, pushes });
        };
        expect(run()).toEqual(run());
      }),
      { numRuns: 40 },
    );
  });
});
