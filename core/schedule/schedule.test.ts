import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { faultsOfHands, faultsOfJob } from "../../tests/check-work.ts";
import { largePlan } from "../../tests/large-plan.ts";
import { plan as anyPlan } from "../../tests/random-crusts.ts";
import { type Judgement, judge } from "../judge/judge.ts";
import { DEFAULT_HOURS, type Hours } from "../plan/hours.ts";
import { fittedTo, type Plan } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { DAY, HOUR } from "../units/units.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { longestWindow, workingWindows } from "./calendar.ts";
import { datesOf } from "./dates.ts";
import { HORIZON_DAYS, horizonDays } from "./network.ts";
import { type Booking, schedule } from "./schedule.ts";

const pine = { ground: "raw timber", species: "pine" } as const;
const example = (steps: ExampleStep[], change: (plan: Plan) => void = () => {}): Plan => {
  const plan = examplePlan({ shows: "scheduled", ...pine, steps });
  change(plan);
  return plan;
};
const run = (plan: Plan) => {
  const judgement = judge(plan);
  return { judgement, ...schedule([{ plan, judgement }]) };
};
/** What is wrong with a job by itself, leaving out the steps the schedule itself admits to. */
const faultsIn = (plan: Plan, judgement: Judgement, bookings: readonly Booking[], owned: ReadonlySet<string>) => [
  ...faultsOfJob(plan, judgement, bookings, owned),
  ...faultsOfHands(bookings, () => plan.pinned.hours, owned),
];
/** Steps that the schedule or the judge itself says something of. */
const ownedUpTo = ({ judgement, clashes }: ReturnType<typeof run>): ReadonlySet<string> =>
  new Set([
    ...clashes.map((clash) => clash.stepId),
    ...judgement.zones.flatMap((zone) =>
      zone.findings.filter((finding) => finding.severity !== "note").map((finding) => finding.stepId),
    ),
  ]);
const times = (bookings: readonly Booking[]) =>
  bookings.map((booking) => `${booking.phaseId} ${sayWallTime(booking.starts).slice(5)}`);

describe("a schedule", () => {
  it("of any plan keeps hands, hours, order, waits and windows, but for what it says it cannot", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const made = run(plan);
        expect(faultsIn(plan, made.judgement, made.bookings, ownedUpTo(made))).toEqual([]);
      }),
      { numRuns: 120 },
    );
  });

  it("of any plan whose zones stay fitted to the first does each with it where that is the same work, and keeps the same", () => {
    fc.assert(
      fc.property(anyPlan, (any) => {
        const plan = structuredClone(any);
        for (const { zones } of plan.pieces)
          for (const zone of zones.slice(1)) if (zone.crustId === zones[0]!.crustId) zone.along = zones[0]!.id;
        const made = run(plan);
        expect(faultsIn(plan, made.judgement, made.bookings, ownedUpTo(made))).toEqual([]);
        for (const { zones } of plan.pieces)
          for (const zone of zones) {
            const host = fittedTo(zones, zone);
            const phasesOn = (id: string) =>
              made.judgement.zones.find((zone) => zone.zone.id === id)!.phases.map(({ phase }) => phase.id);
            if (host && phasesOn(zone.id).join() === phasesOn(host.id).join())
              expect(made.bookings.filter(({ zoneId }) => zoneId === zone.id)).toEqual([]);
          }
      }),
      { numRuns: 60 },
    );
  });

  it("works what stays fitted along with what it is fitted to, with the tools out once", () => {
    const chest = example([["brush", "mineral-storm", { coats: 2 }], ["wax", "wax-clear"], ["buff"]], ({ pieces }) => {
      const { zones } = pieces[0]!;
      const knobs = {
        ...zones[0]!,
        id: "knobs",
        name: "Knobs",
        shape: { kind: "disc", diameter: 40, count: 8 } as const,
      };
      zones.push(knobs);
    });
    const apart = run(chest);
    const fitted = structuredClone(chest);
    fitted.pieces[0]!.zones[1]!.along = "z1";
    const along = run(fitted);
    expect(apart.bookings).toHaveLength(8);
    expect(along.bookings).toHaveLength(4);
    for (const { does } of along.bookings) expect(does.map(({ zoneId }) => zoneId)).toEqual(["z1", "knobs"]);
    const hands = (bookings: readonly Booking[]) => bookings.reduce((sum, { starts, ends }) => sum + ends - starts, 0);
    expect(hands(along.bookings)).toBeLessThan(hands(apart.bookings));
    expect(hands(along.bookings)).toBeGreaterThan(hands(apart.bookings.filter(({ zoneId }) => zoneId === "z1")));
    // a coat that only the knobs have is theirs alone
    fitted.pieces[0]!.zones[1]!.overrides = [{ stepId: "s1", skip: false, coats: 3 }];
    expect(
      run(fitted)
        .bookings.filter(({ zoneId }) => zoneId === "knobs")
        .map(({ phaseId }) => phaseId),
    ).toEqual(["s1/3"]);
    // a time set for the knobs moves the drawers with them
    fitted.pins = [{ zoneId: "knobs", phaseId: "s2", starts: "2026-12-03T10:00" }];
    expect(times(run(fitted).bookings)).toContain("s2 12-03T10:00");
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
    const [, crackle] = bookings;
    expect(sayWallTime(crackle!.starts)).toBe("2026-12-01T09:00");
    expect(crackle!.does.map(({ phaseId }) => phaseId)).toEqual(["s2", "s3"]);
    const [, medium, paint] = judge(plan).zones[0]!.phases;
    expect(paint!.starts - medium!.sectionEnds).toBe(15);
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

describe("clashes in words", () => {
  it("no working hours at all", () => {
    const plan = example([["brush", "chalk-slate"]], (one) => {
      one.pinned.hours = { ...DEFAULT_HOURS, weekdays: [[], [], [], [], [], [], []] };
    });
    const { clashes, bookings } = run(plan);
    expect(clashes[0]!.says).toBe("The week has no working hours. Add hours to at least one day.");
    expect(bookings).toHaveLength(1);
  });

  it("work longer than any window", () => {
    const plan = example([["brush", "chalk-slate"]], (one) => {
      one.pieces[0]!.zones[0]!.shape = { kind: "panel", width: 6000, height: 5000, count: 1 };
    });
    expect(run(plan).clashes[0]!.says).toMatch(
      /takes \d+ h.*longest spell of working hours is 4 h 15 min\. Split the zone/,
    );
  });

  it("a wait that the plan itself sets past the window", () => {
    const plan = example([
      ["brush", "mineral-storm"],
      ["brush", "crackle-medium"],
      ["brush", "mineral-oyster", { wait: { kind: "at least", minutes: 180 } }],
    ]);
    expect(run(plan).clashes[0]!.says).toMatch(
      /between 15 min and 1 h after "Crackle medium" \(tack\), but the plan makes it wait 3 h\./,
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
    // and a week later the first coat has set too hard to take the second unscuffed
    expect(clashes).toHaveLength(2);
    expect(clashes.map(({ says }) => says).join(" ")).toMatch(/exactly .*, but no working hours allow it/);
    expect(bookings).toHaveLength(2);
  });

  it("a long window that shuts before the week comes round", () => {
    const mondays: Hours = { ...DEFAULT_HOURS, weekdays: [[[540, 720]], [], [], [], [], [], []] };
    const plan = example([["brush", "polyurethane-water", { coats: 2 }]], (one) => {
      one.pinned.hours = mondays;
    });
    expect(run(plan).clashes[0]!.says).toMatch(/within 3 days after .*recoat window.*no working hours/);
  });

  it("an empty plan has no dates and no complaints", () => {
    const plan = example([]);
    const { judgement, bookings, clashes, finish } = run(plan);
    expect([bookings, clashes, finish]).toEqual([[], [], null]);
    expect(datesOf({ plan, judgement }, { bookings })).toBeNull();
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
    const made = schedule([{ plan, judgement }]);
    const dates = datesOf({ plan, judgement }, made)!;
    expect(dates.leaves).toBe(dates.finish + 15);
    expect(dates.fullUse).toBe(dates.finish + 30 * DAY);
  });
});

const DAY_AND_NIGHT: Plan["pinned"]["room"] = {
  celsius: 18,
  relativeHumidity: 55,
  draught: false,
  course: { kind: "day and night", night: { celsius: 5, relativeHumidity: 85 } },
};
const twoZones = (plan: Plan) => {
  const [zone] = plan.pieces[0]!.zones;
  plan.pieces[0]!.zones = [zone!, { ...zone!, id: "z2", name: "Other" }];
};
const now = () => performance.now();
const at = (text: string) => readWallTime(text)!;

describe("the shop's schedule", () => {
  it("goes round a time that was set, and says what that clashes with", () => {
    const plan = example([["brush", "chalk-slate", { coats: 2 }]], (one) => {
      one.pins = [{ zoneId: "z1", phaseId: "s1/2", starts: "2026-12-01T20:30" }];
    });
    const { bookings, clashes } = run(plan);
    expect(clashes).toEqual([]);
    // one day of work instead of two, since nothing finishes later for it
    expect(times(bookings)).toEqual(["s1/1 12-01T09:00", "s1/2 12-01T20:30"]);
    expect(bookings[1]!.pinned).toBe(true);
    plan.pins = [
      { zoneId: "z1", phaseId: "s1/1", starts: "2026-11-30T12:00" },
      { zoneId: "z1", phaseId: "s1/2", starts: "2026-11-30T12:30" },
    ];
    const clashing = run(plan);
    expect(clashing.clashes).toHaveLength(1);
    expect(clashing.clashes[0]!.says).toMatch(/is set for Mon 30 Nov, 12:\d0/);
    expect(clashing.clashes[0]!.claims.length).toBeGreaterThanOrEqual(2);
    expect(clashing.bookings).toHaveLength(2);
  });

  it("with two painters works on two zones at once, with one it does not", () => {
    const plan = example([["brush", "chalk-slate"]], twoZones);
    const alone = run(plan).bookings;
    expect(alone[1]!.starts).toBe(alone[0]!.ends);
    plan.pinned.hours = { ...DEFAULT_HOURS, painters: 2 };
    const together = run(plan).bookings;
    expect(together[1]!.starts).toBe(together[0]!.starts);
  });

  it("leaves a day off free and works a Saturday that is given", () => {
    const plan = example([
      ["brush", "chalk-slate"],
      ["wax", "wax-clear"],
    ]);
    plan.start = "2026-12-03T16:30";
    plan.pinned.hours = {
      ...DEFAULT_HOURS,
      exceptions: [
        { on: "2026-12-04", stretches: [], why: "fair" },
        { on: "2026-12-05", stretches: [[600, 780]] },
      ],
    };
    expect(times(run(plan).bookings)).toEqual(["s1 12-03T16:30", "s2 12-05T10:00"]);
  });

  it("waits for a place to dry where places are few", () => {
    const plan = example([["brush", "oil-deep-green"]], twoZones);
    const free = run(plan).bookings;
    expect(free[1]!.starts).toBe(free[0]!.ends);
    plan.pinned.hours = { ...DEFAULT_HOURS, dryingPlaces: 1 };
    const few = run(plan);
    expect(few.clashes).toEqual([]);
    expect(few.bookings[1]!.starts).toBeGreaterThanOrEqual(few.bookings[0]!.ends + 5 * HOUR);
  });

  it("takes a piece apart before its first coat, and puts it together when all is touch dry", () => {
    const plan = example([["brush", "chalk-slate"]], (one) => {
      one.pieces[0]!.zones[0]!.hands = ["drawers out"];
    });
    const { bookings } = run(plan);
    expect(bookings.map(({ name }) => name)).toEqual([
      expect.stringMatching(/^Take .* apart$/),
      expect.stringMatching(/slate/),
      expect.stringMatching(/^Put .* together$/),
    ]);
    // half an hour on the tin, a little less on thirsty timber
    expect(bookings[2]!.starts - bookings[1]!.ends).toBeGreaterThanOrEqual(20);
  });

  it("counts a wait by the hours it runs through: the same coat takes longer over night", () => {
    const wait = (start: string) => {
      const plan = example([["brush", "chalk-slate", { coats: 2 }]], (one) => {
        one.start = start;
        one.pinned.room = DAY_AND_NIGHT;
        one.pinned.hours = { ...DEFAULT_HOURS, weekdays: Array(7).fill([[0, 1440]]) };
      });
      const [one, two] = run(plan).bookings;
      return two!.starts - one!.ends;
    };
    expect(wait("2026-11-30T21:00")).toBeGreaterThan(2 * wait("2026-11-30T11:00"));
  });

  it("counts hours that pass, not hours on the wall, over a night in which the clocks are changed", () => {
    const second = (start: string, timeZone?: string) => {
      const plan = example([
        ["brush", "chalk-slate"],
        ["wax", "wax-clear"],
      ]);
      plan.start = start;
      const day: [number, number][] = [[0, 1440]];
      plan.pinned.hours = {
        ...DEFAULT_HOURS,
        weekdays: Array.from({ length: 7 }, () => day),
        ...(timeZone ? { timeZone } : {}),
      };
      const made = run(plan);
      expect(made.clashes).toEqual([]);
      return made.bookings[1]!.starts - made.bookings[0]!.ends;
    };
    const plain = second("2026-10-24T15:00");
    expect(plain).toBeGreaterThan(12 * HOUR);
    // back in autumn: the wall shows an hour less than has passed; forward in spring an hour more
    expect(second("2026-10-24T15:00", "Europe/London")).toBe(plain - HOUR);
    expect(second("2027-03-27T15:00", "Europe/London")).toBe(plain + HOUR);
    expect(second("2026-11-24T15:00", "Europe/London")).toBe(plain);
  });

  it("lets several jobs share the hands, and none of them loses a wait", () => {
    const one = example([["brush", "chalk-slate", { coats: 2 }]]);
    const two = { ...example([["brush", "mineral-storm", { coats: 2 }]]), id: "second" };
    const works = [one, two].map((plan) => ({ plan, judgement: judge(plan) }));
    const { bookings, clashes } = schedule(works);
    expect(clashes).toEqual([]);
    for (const { plan, judgement } of works)
      expect(
        faultsIn(
          plan,
          judgement,
          bookings.filter(({ planId }) => planId === plan.id),
          new Set(),
        ),
      ).toEqual([]);
    const byTime = [...bookings].sort((a, b) => a.starts - b.starts);
    for (const [index, booking] of byTime.entries())
      expect(booking.starts).toBeGreaterThanOrEqual(byTime[index - 1]?.ends ?? 0);
  });

  it("with time to look is never later than the quick one, says how near the bound it is, and keeps all", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const judgement = judge(plan);
        const quick = schedule([{ plan, judgement }]);
        fc.pre(quick.clashes.length === 0 && quick.finish !== null);
        const best = schedule([{ plan, judgement }], { budget: 150, now });
        expect(best.clashes).toEqual([]);
        expect(best.finish!).toBeLessThanOrEqual(quick.finish!);
        expect(best.lowerBound!).toBeLessThanOrEqual(best.finish!);
        const owned = new Set(judgement.zones.flatMap((zone) => zone.findings.map((finding) => finding.stepId)));
        expect(faultsIn(plan, judgement, best.bookings, owned)).toEqual([]);
      }),
      { numRuns: 25 },
    );
  });

  it("names the chain that sets the finish, and the room of all that is not on it", () => {
    const plan = example([["brush", "mineral-storm", { coats: 2 }]], (one) => {
      twoZones(one);
      one.pieces[0]!.zones[1]!.crustId = "short";
      one.crusts.push({ id: "short", name: "Short", steps: [{ ...one.crusts[0]!.steps[0]!, coats: 1 }] });
    });
    const { bookings } = schedule([{ plan, judgement: judge(plan) }], { budget: 300, now });
    const short = bookings.find(({ zoneId }) => zoneId === "z2")!;
    const last = bookings.at(-1)!;
    expect(last.critical).toBe(true);
    expect(last.latest).toBe(last.starts);
    expect(short.critical).toBe(false);
    expect(short.latest).toBeGreaterThan(short.starts);
  });
});

describe("dates with a range", () => {
  it("typical are never later than safe, and follow in order", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const judgement = judge(plan);
        const dates = datesOf({ plan, judgement }, schedule([{ plan, judgement }]));
        fc.pre(dates !== null);
        const { finish, leaves, lightUse, fullUse, typically } = dates!;
        expect(leaves).toBeGreaterThanOrEqual(finish);
        expect(fullUse).toBeGreaterThanOrEqual(leaves);
        expect(typically.leaves).toBeLessThanOrEqual(leaves);
        expect(typically.lightUse).toBeLessThanOrEqual(lightUse);
        expect(typically.fullUse).toBeLessThanOrEqual(fullUse);
        expect(finish).toBeGreaterThanOrEqual(at(plan.start));
      }),
      { numRuns: 40 },
    );
  });
});

describe("more work than a season holds", () => {
  it("is dated: the calendar looks ahead as far as the work reaches", () => {
    const plan = largePlan(80, 40);
    const works = [{ plan, judgement: judge(plan) }];
    expect(horizonDays(works)).toBeGreaterThan(HORIZON_DAYS);
    const { bookings, clashes, finish, start } = schedule(works);
    expect(clashes).toEqual([]);
    expect(bookings).toHaveLength(3200);
    expect(finish! - start).toBeGreaterThan(HORIZON_DAYS * DAY);
  });

  it("and full of clashes still gets a date for every step, and says what is missed", () => {
    const plan = largePlan(40, 10);
    for (const crust of plan.crusts)
      for (const [at, step] of crust.steps.entries()) if (at % 3 === 0) step.wait = { kind: "exactly", minutes: 37 };
    const { bookings, clashes } = schedule([{ plan, judgement: judge(plan) }]);
    expect(bookings).toHaveLength(400);
    expect(clashes.length).toBeGreaterThan(10);
  });
});
