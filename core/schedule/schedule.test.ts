import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as anyPlan } from "../../tests/random-crusts.ts";
import { type Judgement, judge } from "../judge/judge.ts";
import { DEFAULT_HOURS, type Hours } from "../plan/hours.ts";
import type { Plan } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { DAY, HOUR } from "../units/units.ts";
import { readWallTime, sayWallTime, weekday } from "../units/wall-time.ts";
import { longestWindow, workingWindows } from "./calendar.ts";
import { datesOf } from "./dates.ts";
import { activityId } from "./network.ts";
import { type Booking, schedule } from "./schedule.ts";

/**
 * Looks a schedule over without knowing how it was made: hands, hours, order, waits and windows straight from the judgement.
 * Answers what is wrong, leaving out the steps the schedule itself owns up to.
 */
function faultsIn(
  plan: Plan,
  judgement: Judgement,
  bookings: readonly Booking[],
  owned: ReadonlySet<string>,
): string[] {
  const faults: string[] = [];
  const at = new Map(bookings.map((booking) => [booking.id, booking]));
  const start = readWallTime(plan.start)!;
  const byTime = [...bookings].sort((one, two) => one.starts - two.starts);
  for (const [index, booking] of byTime.entries()) {
    const before = byTime[index - 1];
    if (before && before.ends > booking.starts && !owned.has(booking.stepId))
      faults.push(`${booking.id} while ${before.id} has the hands`);
    if (booking.starts < start) faults.push(`${booking.id} before the start`);
    const minute = booking.starts % DAY;
    const open = plan.pinned.hours.weekdays[weekday(booking.starts)]!.some(
      ([from, to]) => minute >= from && minute + (booking.ends - booking.starts) <= to,
    );
    if (!open && !owned.has(booking.stepId)) faults.push(`${booking.id} outside the working hours`);
  }
  for (const { zone, phases } of judgement.zones)
    for (const [index, placed] of phases.entries()) {
      const booking = at.get(activityId(zone.id, placed.phase.id));
      if (!booking) {
        faults.push(`${zone.id}/${placed.phase.id} has no place`);
        continue;
      }
      if (booking.ends - booking.starts !== placed.phase.hands) faults.push(`${booking.id} is not as long as its work`);
      const before = phases[index - 1];
      if (before && at.get(activityId(zone.id, before.phase.id))!.ends > booking.starts)
        faults.push(`${booking.id} before the step under it is done`);
      for (const demand of placed.demands) {
        const waited = booking.starts - at.get(activityId(zone.id, demand.from))!.ends;
        const met = demand.gates.some(
          (gate) => waited >= gate.opens.safe && (gate.shuts === null || waited <= gate.shuts.safe),
        );
        if (!met && !owned.has(booking.stepId))
          faults.push(`${booking.id} waits ${waited} min, which ${demand.rule} does not allow`);
      }
    }
  return faults;
}

const pine = { ground: "raw timber", species: "pine" } as const;
const example = (steps: ExampleStep[], change: (plan: Plan) => void = () => {}): Plan => {
  const plan = examplePlan({ shows: "scheduled", ...pine, steps });
  change(plan);
  return plan;
};
const run = (plan: Plan) => {
  const judgement = judge(plan);
  return { judgement, ...schedule(plan, judgement) };
};
const times = (bookings: readonly Booking[]) =>
  bookings.map((booking) => `${booking.phaseId} ${sayWallTime(booking.starts).slice(5)}`);

describe("a schedule", () => {
  it("of any plan keeps hands, hours, order, waits and windows, but for what it says it cannot", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const { judgement, bookings, clashes } = run(plan);
        const owned = new Set([
          ...clashes.map((clash) => clash.stepId),
          ...judgement.zones.flatMap((zone) =>
            zone.findings.filter((finding) => finding.severity !== "note").map((finding) => finding.stepId),
          ),
        ]);
        expect(faultsIn(plan, judgement, bookings, owned)).toEqual([]);
      }),
      { numRuns: 120 },
    );
  });

  it("of a sound plan has nothing to own up to", () => {
    const plan = example([
      ["scuff"],
      ["brush", "mineral-storm", { coats: 2 }],
      ["brush", "crackle-medium"],
      ["brush", "mineral-oyster"],
      ["spray", "clear-coat-matt", { coats: 2 }],
      ["wax", "wax-clear"],
      ["wax", "wax-dark"],
      ["buff"],
    ]);
    const { judgement, bookings, clashes } = run(plan);
    expect(clashes).toEqual([]);
    expect(faultsIn(plan, judgement, bookings, new Set())).toEqual([]);
  });

  it("is the same every time", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        expect(run(structuredClone(plan)).bookings).toEqual(run(plan).bookings);
      }),
      { numRuns: 30 },
    );
  });

  it("dries over lunch and over night, and works in between", () => {
    const plan = example([
      ["brush", "chalk-slate", { coats: 2 }],
      ["wax", "wax-clear"],
    ]);
    expect(times(run(plan).bookings)).toEqual(["s1/1 11-30T09:00", "s1/2 11-30T11:15", "s2 12-01T11:30"]);
  });

  it("leaves the weekend out", () => {
    const plan = example(
      [
        ["brush", "chalk-slate"],
        ["wax", "wax-clear"],
      ],
      (one) => {
        one.start = "2026-12-04T16:00";
      },
    );
    expect(times(run(plan).bookings)).toEqual(["s1 12-04T16:00", "s2 12-07T09:00"]);
  });

  it("works on another zone while one dries", () => {
    const plan = example([["brush", "chalk-slate", { coats: 2 }]], (one) => {
      const [zone] = one.pieces[0]!.zones;
      one.pieces[0]!.zones = [zone!, { ...zone!, id: "z2", name: "Other" }];
    });
    const { bookings } = run(plan);
    expect(bookings.map((booking) => booking.zoneId)).toEqual(["z1", "z2", "z1", "z2"]);
    expect(bookings[1]!.starts).toBe(bookings[0]!.ends);
  });

  it("begins the medium late enough that its paint still falls into the same afternoon", () => {
    const plan = example(
      [
        ["brush", "mineral-storm"],
        ["brush", "crackle-medium"],
        ["brush", "mineral-oyster"],
      ],
      (one) => {
        one.start = "2026-11-30T14:30";
      },
    );
    // the base is dry at a quarter to six: medium and paint would run past six, so both go to the morning
    const { bookings, clashes } = run(plan);
    expect(clashes).toEqual([]);
    const [, medium, paint] = bookings;
    expect(sayWallTime(medium!.starts)).toBe("2026-12-01T09:00");
    expect(paint!.starts - medium!.ends).toBe(15);
  });

  it("keeps an exact wait to the minute", () => {
    const plan = example([
      ["brush", "mineral-storm"],
      ["brush", "mineral-oyster", { wait: { kind: "exactly", minutes: 200 } }],
    ]);
    const [one, two] = run(plan).bookings;
    expect(two!.starts - one!.ends).toBe(200);
  });
});

describe("what cannot be kept is said in words", () => {
  it("no working hours at all", () => {
    const plan = example([["brush", "chalk-slate"]], (one) => {
      one.pinned.hours = { ...DEFAULT_HOURS, weekdays: [[], [], [], [], [], [], []] };
    });
    const { clashes, bookings } = run(plan);
    expect(clashes[0]!.says).toBe("There are no working hours in the week. Give at least one day some hours.");
    expect(bookings).toHaveLength(1);
  });

  it("work longer than any window", () => {
    const plan = example([["brush", "chalk-slate"]], (one) => {
      one.pieces[0]!.zones[0]!.shape = { kind: "panel", width: 6000, height: 5000, count: 1 };
    });
    expect(run(plan).clashes[0]!.says).toMatch(/takes \d+ h.*longest working window is 4 h 15\. Split the zone/);
  });

  it("a wait that the plan itself sets past the window", () => {
    const plan = example([
      ["brush", "mineral-storm"],
      ["brush", "crackle-medium"],
      ["brush", "mineral-oyster", { wait: { kind: "at least", minutes: 180 } }],
    ]);
    expect(run(plan).clashes[0]!.says).toMatch(
      /between 15 min and 1 h after "Crackle medium" \(tack\), and the plan itself makes it wait 3 h\./,
    );
  });

  it("an exact wait that no day of the week allows", () => {
    const evenings: Hours = { ...DEFAULT_HOURS, weekdays: [[[1080, 1200]], [], [], [], [], [], []] };
    const plan = example(
      [
        ["brush", "mineral-storm"],
        ["brush", "mineral-oyster", { wait: { kind: "exactly", minutes: 5 * HOUR } }],
      ],
      (one) => {
        one.pinned.hours = evenings;
      },
    );
    const { clashes, bookings } = run(plan);
    expect(clashes).toHaveLength(1);
    expect(clashes[0]!.says).toMatch(/no working window of the next 120 days allows it/);
    expect(bookings).toHaveLength(2);
  });

  it("a long window that shuts before the week comes round", () => {
    const mondays: Hours = { ...DEFAULT_HOURS, weekdays: [[[540, 720]], [], [], [], [], [], []] };
    const plan = example([["brush", "polyurethane-water", { coats: 2 }]], (one) => {
      one.pinned.hours = mondays;
    });
    expect(run(plan).clashes[0]!.says).toMatch(/recoat window.*shuts after 3 days\. Scuff before it/);
  });

  it("an empty plan has no dates and no complaints", () => {
    const plan = example([]);
    const { judgement, bookings, clashes, finish, start } = run(plan);
    expect([bookings, clashes, finish]).toEqual([[], [], null]);
    expect(datesOf(judgement, { bookings, clashes, finish, start })).toBeNull();
  });
});

describe("the calendar", () => {
  it("cuts the first window at the start, leaves free days out, and joins windows that touch", () => {
    const start = readWallTime("2026-12-04T10:30")!;
    const windows = workingWindows(DEFAULT_HOURS, start, 5);
    expect(windows.map(({ opens, shuts }) => `${sayWallTime(opens).slice(8)} ${sayWallTime(shuts).slice(8)}`)).toEqual([
      "04T10:30 04T13:00",
      "04T13:45 04T18:00",
      "07T09:00 07T13:00",
      "07T13:45 07T18:00",
      "08T09:00 08T13:00",
      "08T13:45 08T18:00",
    ]);
    const joined = workingWindows(
      {
        ...DEFAULT_HOURS,
        weekdays: [
          [
            [540, 600],
            [600, 660],
          ],
          [],
          [],
          [],
          [],
          [],
          [],
        ],
      },
      readWallTime("2026-11-30T00:00")!,
      1,
    );
    expect(joined).toHaveLength(1);
  });

  it("knows the longest stretch of the week", () => {
    expect(longestWindow(DEFAULT_HOURS)).toBe(4 * HOUR + 15);
    expect(longestWindow({ ...DEFAULT_HOURS, weekdays: [[], [], [], [], [], [], []] })).toBe(0);
  });
});

describe("the customer's dates", () => {
  it("leaves when touch dry, and is fully cured a month after the last wax", () => {
    const plan = example([
      ["brush", "chalk-slate"],
      ["wax", "wax-clear"],
    ]);
    const judgement = judge(plan);
    const made = schedule(plan, judgement);
    const dates = datesOf(judgement, made)!;
    expect(dates.leaves).toBe(dates.finish + 15);
    expect(dates.fullUse).toBe(dates.finish + 30 * DAY);
  });
});
