import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lineAt, planOf } from "../../tests/ledger-lines";
import { judge } from "../judge/judge.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Plan } from "../plan/plan.ts";
import {
  density,
  factorsOf,
  labelOf,
  learnedFrom,
  type Observation,
  observationsOf,
  PRIOR,
  updated,
} from "./learned.ts";
import { replay } from "./replay.ts";
import { withLedger } from "./with-ledger.ts";

const seen = (ratio: number, index = 0): Observation => ({
  family: "chalk-type paint",
  material: "Chalk-type, slate",
  planId: "p",
  zoneId: "z1",
  phaseId: "s1",
  stage: "recoat",
  ratio,
  celsius: 18,
  at: index,
});

describe("the conjugate update of a normal mean", () => {
  it("worked by hand: prior 0 ± 0.3, one look at ln 2 ± 0.2", () => {
    // precisions 11.11 and 25: the mean is 25/36.11 of ln 2, the spread 1/√36.11
    const { mean, spread } = updated({ mean: 0, spread: 0.3 }, [Math.LN2], 0.2);
    expect(mean).toBeCloseTo((25 / (25 + 1 / 0.09)) * Math.LN2, 10);
    expect(spread).toBeCloseTo(1 / Math.sqrt(25 + 1 / 0.09), 10);
  });

  it("nothing seen leaves the tin right", () => {
    expect(updated(PRIOR, [])).toEqual(PRIOR);
  });

  it("looks in any order, one by one or all at once, come to the same", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { maxLength: 8 }), (logs) => {
        const all = updated(PRIOR, logs);
        const turned = updated(PRIOR, [...logs].reverse());
        const single = logs.reduce((belief, log) => updated(belief, [log]), PRIOR);
        for (const other of [turned, single]) {
          expect(other.mean).toBeCloseTo(all.mean, 9);
          expect(other.spread).toBeCloseTo(all.spread, 9);
        }
      }),
    );
  });

  it("more looks make it surer, and bring it to what they say", () => {
    const few = learnedFrom([seen(1.5)])[0]!;
    const many = learnedFrom(Array.from({ length: 30 }, (_, index) => seen(1.5, index)))[0]!;
    expect(few.factor).toBeGreaterThan(1.1);
    expect(few.factor).toBeLessThan(1.5);
    expect(many.factor).toBeGreaterThan(few.factor);
    expect(many.factor).toBeCloseTo(1.5, 1);
    expect(many.now.spread).toBeLessThan(few.now.spread);
    expect(factorsOf([few, { ...many, family: "clear wax" }], 3)).toEqual({ "clear wax": expect.any(Number) });
    expect(factorsOf([many])).toEqual({ "chalk-type paint": Math.round(many.factor * 100) / 100 });
  });

  it("the curve is a density: it adds up to one", () => {
    let sum = 0;
    for (let factor = 0.01; factor < 8; factor += 0.005) sum += density(PRIOR, factor) * 0.005;
    expect(sum).toBeCloseTo(1, 2);
  });
});

describe("what a sign teaches", () => {
  const plan = planOf([
    ["brush", "chalk-slate"],
    ["brush", "chalk-bone-white"],
  ]);
  const on = [{ zoneId: "z1", phaseId: "s1" }];
  const recoat = labelOf(CATALOGUE.find(({ id }) => id === "chalk-slate")!, "recoat")!;

  function taught(of: Plan, ...looks: [minutes: number, isReady: boolean][]) {
    const state = replay([
      lineAt(of, "start", -20, on, {}),
      lineAt(of, "end", 0, on, {}),
      ...looks.map(([minutes, isReady]) => lineAt(of, "sign", minutes, on, { stage: "recoat", seen: isReady })),
    ]);
    const done = withLedger(of, state);
    return observationsOf(done, judge(done).zones, state).map(({ ratio }) => ratio);
  }

  it("still tacky at one time and matt at another: it came between the two", () => {
    const [ratio] = taught(plan, [recoat * 1.2, false], [recoat * 1.5, true]);
    expect(ratio).toBeGreaterThan(1.15);
    expect(ratio).toBeLessThan(1.55);
  });

  it("ready before the tin says so counts; ready when it should have been shows nothing", () => {
    expect(taught(plan, [recoat * 0.6, true])[0]).toBeLessThan(0.75);
    expect(taught(plan, [recoat * 3, true])).toEqual([]);
  });

  it("not ready though the tin says so counts at once; not ready before that shows nothing", () => {
    expect(taught(plan, [recoat * 2, false])[0]).toBeGreaterThan(1.8);
    expect(taught(plan, [recoat * 0.5, false])).toEqual([]);
  });

  it("is not forgotten when the step gets another coat: the first is the one that was felt", () => {
    const more = planOf([
      ["brush", "chalk-slate", { coats: 2 }],
      ["brush", "chalk-bone-white"],
    ]);
    const looks = [recoat * 2, false] as [number, boolean];
    expect(taught(more, looks)).toEqual(taught(plan, looks));
  });

  it("cold air is not the shop's fault: the air counts before the factor does", () => {
    const cold = planOf(
      [
        ["brush", "chalk-slate"],
        ["brush", "chalk-bone-white"],
      ],
      {
        room: { celsius: 12, relativeHumidity: 70 },
      },
    );
    const looks: [number, boolean][] = [
      [recoat * 1.2, false],
      [recoat * 1.6, true],
    ];
    expect(taught(cold, ...looks)[0]!).toBeLessThan(taught(plan, ...looks)[0]! * 0.8);
  });

  it("a plan that takes what was learned waits as much longer, and goes back to the tin", () => {
    const slow = { ...plan, pinned: { ...plan.pinned, drying: { "chalk-type paint": 1.5 } } };
    const waits = (of: Plan) => {
      const [first, second] = judge(of).zones[0]!.phases;
      return second!.starts - first!.ends;
    };
    expect(waits(slow)).toBeCloseTo(waits(plan) * 1.5, -1);
    const { drying: _, ...tin } = slow.pinned;
    expect(waits({ ...slow, pinned: tin })).toBe(waits(plan));
  });
});
