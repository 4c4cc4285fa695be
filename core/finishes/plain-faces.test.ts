import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../materials/catalogue.ts";
import { groundOf } from "../plan/ground.ts";
import { MOULDED_RELIEF, PLAIN_RELIEF, type Zone } from "../plan/plan.ts";
import { examplePlan } from "../rules/example.ts";
import { regionOfStep, shareWhere, sizesOf } from "../surface/places.ts";
import { buildFinish } from "./build.ts";
import { FINISHES } from "./finishes.ts";

/** A board without mouldings, as the sides of a cabinet are. */
const BOARD = { arris: 0.06, field: 0.94, high: 0, recess: 0 };

const site = (relief: Zone["relief"]) => {
  const plan = examplePlan({ shows: "x", ground: "raw timber", species: "pine", steps: [["scuff"]] });
  const [zone] = plan.pieces[0]!.zones;
  return {
    zone: { ...zone!, ground: groundOf("raw timber", "pine"), relief },
    pinned: plan.pinned,
    start: plan.start,
    catalogue: CATALOGUE,
  };
};

describe("a finish on a face without grooves or beads", () => {
  it("does nothing there that needs them, and no check speaks of what is not there", () => {
    for (const finish of FINISHES) {
      const { crust, judged, stops } = buildFinish(site(BOARD), { finish });
      expect(stops, finish.name).toEqual([]);
      for (const step of crust.steps) {
        const there = shareWhere(regionOfStep(step), judged.zone.relief, sizesOf(judged.zone));
        expect(there, `${finish.name}: ${step.id}`).toBeGreaterThan(0);
      }
      expect(
        judged.findings.filter(({ rule }) => rule === "N4" || rule === "G2").map(({ title }) => title),
        finish.name,
      ).toEqual([]);
    }
  });

  it("keeps a coat on all of them", () => {
    for (const finish of FINISHES)
      expect(
        buildFinish(site(BOARD), { finish }).crust.steps.some(({ kind }) => kind === "coat"),
        finish.name,
      ).toBe(true);
  });

  it("is whole where there are grooves: the blend is left in them, and wiped along their edges", () => {
    const blend = FINISHES.find(({ id }) => id === "wax-blend")!;
    const ids = (relief: Zone["relief"]) =>
      buildFinish(site(relief), { finish: blend }).crust.steps.map(({ id }) => id);
    expect(ids(MOULDED_RELIEF)).toEqual(expect.arrayContaining(["base", "blend", "off"]));
    expect(ids(BOARD)).toContain("base");
    expect(ids(BOARD)).not.toContain("blend");
    expect(ids(BOARD)).not.toContain("off");
    // a plain face of the catalogue still has a little of everything
    expect(PLAIN_RELIEF.recess > 0).toBe(ids(PLAIN_RELIEF).includes("blend"));
  });
});
