import { describe, expect, it } from "vitest";
import { judge } from "../judge/judge.ts";
import type { Plan, Zone } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { handlingOf, otherHandling, takesOf } from "./handling.ts";
import { schedule } from "./schedule.ts";

const planOf = (hands: Zone["hands"], size = { width: 1000, height: 500 }): Plan => {
  const plan = examplePlan({
    shows: "handled",
    ground: "raw timber",
    species: "pine",
    steps: [["brush", "chalk-slate"]],
  });
  const [zone] = plan.pieces[0]!.zones;
  plan.pieces[0]!.zones[0] = { ...zone!, hands, faces: 1, carving: 1, shape: { kind: "panel", ...size, count: 1 } };
  return plan;
};
const zoneOf = (plan: Plan) => plan.pieces[0]!.zones[0]!;
const handled = (plan: Plan) =>
  schedule([{ plan, judgement: judge(plan) }])
    .bookings.filter(({ kind }) => kind !== "zone")
    .map(({ name, starts, ends }) => `${name}: ${ends - starts}`);

describe("getting at a zone", () => {
  it("takes a top off in a quarter of an hour, and as long to put it back", () => {
    expect(takesOf(zoneOf(planOf([])), "top off")).toEqual({ before: 15, after: 15 });
    expect(handled(planOf(["top off"]))).toEqual([
      "Take Example piece apart: 15",
      "Put Example piece back together: 15",
    ]);
  });

  it("masks by the size of the zone, and pulls the tape off at the end", () => {
    expect(handled(planOf(["masked"]))).toEqual(["Mask Example piece: 15", "Pull the tape off Example piece: 5"]);
    const large = zoneOf(planOf(["masked"], { width: 2000, height: 1500 }));
    expect(takesOf(large, "masked").before).toBeGreaterThan(takesOf(zoneOf(planOf(["masked"])), "masked").before);
  });

  it("adds up what a zone needs", () => {
    const zone = zoneOf(planOf(["hardware off", "drawers out"]));
    expect(handlingOf(zone)).toEqual({ before: 20, after: 20 });
    expect(handlingOf(zoneOf(planOf([])))).toEqual({ before: 0, after: 0 });
  });

  it("knows both ways: a small top is masked more quickly, a large one taken off", () => {
    expect(otherHandling(zoneOf(planOf(["masked"])))).toEqual({ masked: 20, off: 30 });
    expect(otherHandling(zoneOf(planOf(["top off"], { width: 3000, height: 1500 })))).toMatchObject({ off: 30 });
    expect(otherHandling(zoneOf(planOf(["top off"], { width: 3000, height: 1500 })))!.masked).toBeGreaterThan(30);
    expect(otherHandling(zoneOf(planOf([])))).toBeNull();
    expect(otherHandling(zoneOf(planOf(["top off", "masked"])))).toBeNull();
  });
});

describe("hands-on time", () => {
  const minutes = (where: Plan["crusts"][number]["steps"][number]["where"]) => {
    const plan = planOf([], { width: 1500, height: 1500 });
    plan.crusts[0]!.steps[0] = { ...plan.crusts[0]!.steps[0]!, where };
    return judge(plan).zones[0]!.phases[0]!.phase.hands;
  };

  it("follows what is touched: a border less than a face, edges and grooves no less than going over it", () => {
    const face = minutes({ on: "everywhere", over: 1 });
    const border = minutes({ on: "border", over: 1 });
    expect(border).toBeLessThan(face / 2);
    expect(minutes({ on: "arris", over: 1 })).toBeGreaterThan(border / 2);
    expect(minutes({ on: "field", over: 0.5 })).toBeLessThan(minutes({ on: "field", over: 1 }));
  });
});
