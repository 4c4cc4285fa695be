import { describe, expect, it } from "vitest";
import { applyCommands } from "#core/edit/apply";
import { sampleSite } from "#core/finishes/sample";
import { searchNow } from "#core/look/search";
import { Plan } from "#core/plan/plan";
import { examplePlan } from "#core/rules/example";
import { layMove, layWhole } from "./lay";
import type { Shown } from "./messages";
import { isAsked, readLook } from "./read-look";

const { candidates } = searchNow(
  sampleSite("carved"),
  { wishes: { field: "#a0b09e", arris: "#442b1a", recess: "#6a522d" }, wear: "worn" },
  { most: 40 },
);
const [best] = candidates;
const SHOWN: Shown = {
  key: best!.key,
  crust: best!.crust,
  materials: best!.materials,
  moves: [],
  repairs: [],
  apart: best!.apart,
  seen: best!.seen,
  days: best!.days,
  handsOn: best!.handsOn,
  practice: best!.practice,
  buy: [],
};
const plan = examplePlan({ shows: "x", ground: "raw timber", steps: [["brush", "chalk-slate"]] });

describe("a planned look is laid by an edit", () => {
  it("as a crust of the zone's own, with what it needs pinned", () => {
    const done = applyCommands(plan, layWhole(plan, "z1", SHOWN, "Look for panel"));
    expect(done.ok && Plan.safeParse(done.plan).success).toBe(true);
    if (!done.ok) return;
    const zone = done.plan.pieces[0]!.zones[0]!;
    expect(done.plan.crusts.find(({ id }) => id === zone.crustId)!.steps).toEqual(SHOWN.crust.steps);
    expect(done.plan.crusts[0]).toEqual(plan.crusts[0]);
    expect(applyCommands(done.plan, done.inverse)).toMatchObject({ ok: true, plan });
    // twice is another crust, not a clash
    expect(applyCommands(done.plan, layWhole(done.plan, "z1", SHOWN, "Look for panel")).ok).toBe(true);
  });

  it("a move alone goes on top; what it was to show is forgotten where that is not there", () => {
    const rub = SHOWN.crust.steps.find(({ reveals }) => reveals !== undefined)!;
    const done = applyCommands(plan, layMove(plan, "z1", SHOWN, [rub.id]));
    expect(done.ok && Plan.safeParse(done.plan).success).toBe(true);
    if (!done.ok) return;
    expect(done.plan.crusts[0]!.steps.map(({ how }) => how)).toEqual(["brush", rub.how]);
    expect(done.plan.crusts[0]!.steps[1]!.reveals).toBeUndefined();
  });

  it("nothing is laid on a zone that is gone", () => {
    expect(
      layMove(
        plan,
        "gone",
        SHOWN,
        SHOWN.crust.steps.map(({ id }) => id),
      ),
    ).toEqual([]);
  });
});

describe("a look in the address", () => {
  it("is read, with what cannot be read left out", () => {
    const look = readLook(
      new URLSearchParams("field=%23a0b09e&arris=ground&high=gold&recess=muddy&wear=worn&days=6&hours="),
    );
    expect(look).toMatchObject({ wishes: { field: "#a0b09e", arris: "ground", high: "gold" }, wear: "worn", days: 6 });
    expect(look.wishes.recess).toBeUndefined();
    expect(isAsked(look)).toBe(true);
  });

  it("figures that make no sense drop the figures, never the wishes", () => {
    const look = readLook(new URLSearchParams("field=%23a0b09e&days=-3"));
    expect(look).toEqual({ wishes: { field: "#a0b09e" } });
    expect(isAsked(readLook(new URLSearchParams("")))).toBe(false);
  });
});
