import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import { DEFAULT_HOURS } from "../plan/hours.ts";
import type { Plan } from "../plan/plan.ts";
import { type ExampleStep, examplePlan } from "../rules/example.ts";
import { readWallTime, sayWallTime } from "../units/wall-time.ts";
import { datesOf } from "./dates.ts";
import { networkOfWork } from "./network.ts";
import { schedule } from "./schedule.ts";
import { canHold, clashOf, networkOf } from "./solve/clash.ts";

const now = () => performance.now();
const at = (text: string) => readWallTime(text)!;

const job = (id: string, due: string | undefined, steps: ExampleStep[], change: (plan: Plan) => void = () => {}) => {
  const plan: Plan = { ...examplePlan({ shows: id, ground: "raw timber", species: "pine", steps }), id, title: id };
  if (due !== undefined) plan.due = due;
  change(plan);
  return { plan, judgement: judge(plan) };
};
const TWO_COATS: ExampleStep[] = [
  ["brush", "chalk-slate", { coats: 2 }],
  ["wax", "wax-clear"],
];

describe("a due date", () => {
  it("that can be kept is kept, and nothing is said", () => {
    const work = job("chest", "2026-12-04T17:00", TWO_COATS);
    const made = schedule([work]);
    expect(made.clashes).toEqual([]);
    expect(datesOf(work, made)!.leaves).toBeLessThanOrEqual(at("2026-12-04T17:00"));
  });

  it("that no order of work can meet is reported once, with the waits that take too long and how late it is", () => {
    const work = job("chest", "2026-12-01T09:30", TWO_COATS);
    const made = schedule([work]);
    expect(made.clashes).toHaveLength(1);
    const [clash] = made.clashes;
    expect(clash!.says).toMatch(/"chest" is due Tue 1 Dec, 09:30, but cannot be ready by then.*late/);
    expect(clash!.claims.join()).toMatch(/waits .* after "Chalk-type, slate/);
    expect(clash!.claims.at(-1)).toMatch(/must begin by .* to be dry by the due date/);
    // the rest still has its dates
    expect(made.bookings).toHaveLength(3);
    expect(datesOf(work, made)!.leaves).toBeGreaterThan(at("2026-12-01T09:30"));
  });

  it("that has to be missed names claims that cannot hold together, and can without any one of them", () => {
    const { network } = networkOfWork([job("chest", "2026-12-01T09:30", TWO_COATS)]);
    const due = network.activities.at(-1)!;
    const claims = clashOf(network, { budget: 4000, now }, [due])!;
    const holds = (some: typeof claims) =>
      canHold(networkOf(network, some), { budget: 0, now, until: Number.POSITIVE_INFINITY });
    expect(claims.length).toBeGreaterThan(1);
    expect(holds(claims)).toBe(false);
    claims.forEach((_, index) => {
      expect(holds(claims.filter((__, place) => place !== index))).toBe(true);
    });
  });

  it("counts drying, not only hands: ten minutes of work before it are not enough", () => {
    const made = schedule([job("lid", "2026-11-30T09:20", [["brush", "chalk-slate"]])]);
    expect(made.clashes).toHaveLength(1);
    expect(made.clashes[0]!.claims.join()).toMatch(/to be dry by the due date/);
  });

  it("before the beginning is reported like any other clash", () => {
    const made = schedule([job("chest", "2026-11-01T09:00", TWO_COATS)]);
    expect(made.clashes).toHaveLength(1);
    expect(made.clashes[0]!.says).toMatch(/cannot be ready by then/);
  });

  it("decides whose work goes first where two jobs want the same hands", () => {
    // two hours of work a day: only one of the two can be first
    const narrow = (plan: Plan) => {
      plan.pinned.hours = { ...DEFAULT_HOURS, weekdays: Array.from({ length: 7 }, () => [[540, 660]]) };
      plan.pieces[0]!.zones[0]!.shape = { kind: "panel", width: 2400, height: 1500, count: 1 };
    };
    const steps: ExampleStep[] = [["brush", "chalk-slate"]];
    const finishOf = (made: ReturnType<typeof schedule>, id: string) =>
      made.bookings.filter(({ planId }) => planId === id).reduce((last, { ends }) => Math.max(last, ends), 0);
    const none = [job("one", undefined, steps, narrow), job("two", undefined, steps, narrow)];
    const free = schedule(none);
    const later = finishOf(free, "one") > finishOf(free, "two") ? "one" : "two";
    const first = Math.min(finishOf(free, "one"), finishOf(free, "two"));
    const due = sayWallTime(first + 12 * 60);
    const pressed = [
      job("one", later === "one" ? due : undefined, steps, narrow),
      job("two", later === "two" ? due : undefined, steps, narrow),
    ];
    const made = schedule(pressed);
    expect(made.clashes).toEqual([]);
    expect(finishOf(made, later)).toBe(first);
    // and both on the same day is impossible: that is said, also when there is time to look for it
    const both = [job("one", due, steps, narrow), job("two", due, steps, narrow)];
    for (const options of [{}, { budget: 150, now }]) {
      const { clashes } = schedule(both, options);
      expect(clashes).toHaveLength(1);
      expect(clashes[0]!.says).toMatch(/no order of work was found.*On these dates it is/);
    }
  });

  it("is the same every time, and the same in a shop of several as alone", () => {
    const works = [job("chest", "2026-12-01T09:30", TWO_COATS), job("box", "2026-12-20T09:30", TWO_COATS)];
    const once = schedule(works);
    expect(schedule(works)).toEqual(once);
    expect(once.clashes.map(({ planId }) => planId)).toEqual(["chest"]);
    expect(once.clashes[0]!.claims).toEqual(schedule([works[0]!]).clashes[0]!.claims);
  });
});

describe("work that has been done", () => {
  const work = job("chest", undefined, TWO_COATS);
  const [zone] = work.judgement.zones;
  const done = (phaseId: string, starts: string, ends: string) => ({
    zoneId: zone!.zone.id,
    phaseId,
    starts: at(starts),
    ends: at(ends),
  });

  it("stays where it was, out of hours too, and the rest follows it", () => {
    const made = schedule([
      { ...work, done: [done("s1/1", "2026-11-29T19:00", "2026-11-29T19:40")], from: at("2026-11-30T11:00") },
    ]);
    expect(made.clashes).toEqual([]);
    const [first, second] = made.bookings;
    expect(first).toMatchObject({ done: true, starts: at("2026-11-29T19:00"), ends: at("2026-11-29T19:40") });
    // dry long since: the next begins as soon as somebody is free
    expect(second).toMatchObject({ done: false, starts: at("2026-11-30T11:00") });
  });

  it("moves what waits for it: a coat laid late holds up the next", () => {
    const planned = schedule([work]).bookings[1]!;
    const late = schedule([
      { ...work, done: [done("s1/1", "2026-11-30T15:30", "2026-11-30T16:10")], from: at("2026-11-30T16:10") },
    ]);
    expect(late.bookings[1]!.starts - at("2026-11-30T16:10")).toBeGreaterThanOrEqual(60);
    expect(late.bookings[1]!.starts).toBeGreaterThan(planned.starts);
  });

  it("in another order than planned is no clash: it happened", () => {
    const made = schedule([
      {
        ...work,
        done: [
          done("s1/2", "2026-11-30T09:00", "2026-11-30T09:30"),
          done("s1/1", "2026-11-30T10:00", "2026-11-30T10:30"),
        ],
      },
    ]);
    expect(made.clashes).toEqual([]);
    expect(made.bookings.filter((booking) => booking.done)).toHaveLength(2);
  });

  it("whose window has shut is reported, with the time it was done", () => {
    const crackle = job("frame", undefined, [
      ["brush", "mineral-storm"],
      ["brush", "crackle-medium"],
      ["brush", "mineral-oyster"],
    ]);
    const phases = crackle.judgement.zones[0]!.phases.map(({ phase }) => phase.id);
    const made = schedule([
      {
        ...crackle,
        done: [
          done(phases[0]!, "2026-11-30T09:00", "2026-11-30T09:20"),
          done(phases[1]!, "2026-11-30T15:00", "2026-11-30T15:20"),
        ],
        from: at("2026-12-02T09:00"),
      },
    ]);
    expect(made.clashes).toHaveLength(1);
    expect(made.clashes[0]!.claims.join("; ")).toMatch(/"Crackle medium.*" was done on Mon 30 Nov, 15:00/);
    expect(made.bookings.at(-1)!.starts).toBeGreaterThanOrEqual(at("2026-12-02T09:00"));
  });
});
