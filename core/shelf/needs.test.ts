import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as randomPlan } from "../../tests/random-crusts.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import { powderIn } from "../materials/measures.ts";
import { watered } from "../plan/mix.ts";
import { type Plan, type Step, zoneArea, zonesOf } from "../plan/plan.ts";
import { type ExampleStep, examplePlan, mixed } from "../rules/example.ts";
import { needsOf, TOUCH_UP } from "./needs.ts";
import { suppliesFor } from "./supplies.ts";

const planOf = (steps: readonly ExampleStep[], more: Partial<Parameters<typeof examplePlan>[0]> = {}): Plan =>
  examplePlan({ shows: "amounts", ground: "raw timber", species: "pine", steps, ...more });

const of = (plan: Plan, id: string) => needsOf([plan]).find(({ material }) => material.id === id);
const need = (plan: Plan, id: string) => of(plan, id)!;
const rate = (id: string) => CATALOGUE.find((material) => material.id === id)!.spreadingRate.typical;

/** The same plan with another zone like the first. */
const twice = (plan: Plan, overrides: Plan["pieces"][0]["zones"][0]["overrides"] = []): Plan => {
  const [piece] = plan.pieces;
  const [zone] = piece!.zones;
  return { ...plan, pieces: [{ ...piece!, zones: [zone!, { ...zone!, id: "z2", name: "Other", overrides }] }] };
};

describe("what a coat takes", () => {
  it("is area by spreading rate, and what is lost, left in the brush and put aside besides", () => {
    const { onPiece, lost, left, touchUp, amount } = need(
      planOf([["brush", "chalk-slate", { coats: 2 }]]),
      "chalk-slate",
    );
    // half a square metre, two coats, 12 m² a litre
    expect(onPiece).toBeCloseTo((0.5 * 2 * 1000) / 12, 6);
    expect(lost).toBeCloseTo(0.05 * onPiece, 6);
    expect(left).toBe(24);
    expect(touchUp).toBe(TOUCH_UP);
    expect(amount).toBeCloseTo(onPiece + lost + left + touchUp, 9);
  });

  it("is not what a zone skips, and as many coats as it overrides", () => {
    const plan = planOf([["brush", "chalk-slate", { coats: 2 }]]);
    const whole = need(plan, "chalk-slate").onPiece;
    expect(need(twice(plan, [{ stepId: "s1", skip: true }]), "chalk-slate").onPiece).toBeCloseTo(whole, 6);
    expect(need(twice(plan, [{ stepId: "s1", skip: false, coats: 1 }]), "chalk-slate").onPiece).toBeCloseTo(
      1.5 * whole,
      6,
    );
  });

  it("is not what an answer would take that is not expected", () => {
    const branched = planOf([
      ["brush", "chalk-slate"],
      [
        "look",
        null,
        {
          branches: [
            { id: "well", name: "Well" },
            { id: "thin", name: "Thin" },
          ],
          expected: "well",
        },
      ],
      ["brush", "chalk-oxide-red", { branch: "thin" }],
      ["brush", "chalk-mustard", { branch: "well" }],
    ]);
    expect(of(branched, "chalk-oxide-red")).toBeUndefined();
    expect(need(branched, "chalk-mustard").onPiece).toBeCloseTo(500 / 12, 6);
  });

  it("is every tin of a mix, and of a wash the paint without its water", () => {
    const waxed = planOf([["brush", "chalk-slate", { mix: mixed(3, "wax-clear", 1) }]]);
    expect(need(waxed, "chalk-slate").onPiece).toBeCloseTo(3 * need(waxed, "wax-clear").onPiece, 6);
    const wash = (water: number) =>
      need(planOf([["wash", "chalk-slate", { mix: watered(1, water) }]]), "chalk-slate").onPiece;
    expect(wash(1)).toBeCloseTo(2 * wash(3), 6);
    expect(wash(1)).toBeLessThan(0.6 * need(planOf([["brush", "chalk-slate"]]), "chalk-slate").onPiece);
  });

  it("is the tins that a saved mix is stirred from", () => {
    const plan = planOf([["brush", "chalk-slate"]]);
    const [own] = plan.pinned.materials;
    const mix = {
      ...own!,
      id: "mix-own",
      name: "Harbour grey",
      recipe: [
        { what: "chalk-slate", parts: 3 },
        { what: "chalk-bone-white", parts: 1 },
      ],
    };
    const white = CATALOGUE.find(({ id }) => id === "chalk-bone-white")!;
    const mixed: Plan = {
      ...plan,
      pinned: { ...plan.pinned, materials: [own!, white, mix] },
      crusts: plan.crusts.map((crust) => ({
        ...crust,
        steps: crust.steps.map((step) => ({ ...step, what: "mix-own" })),
      })),
    };
    expect(of(mixed, "mix-own")).toBeUndefined();
    expect(need(mixed, "chalk-slate").onPiece).toBeCloseTo(3 * need(mixed, "chalk-bone-white").onPiece, 6);
    expect(need(mixed, "chalk-slate").onPiece + need(mixed, "chalk-bone-white").onPiece).toBeCloseTo(
      need(plan, "chalk-slate").onPiece,
      6,
    );
  });

  it("is powder by weight: a litre made up one to one by scoop holds about half a kilogram", () => {
    const plan = planOf([["brush", "milk-ochre", { mix: { by: "scoop", parts: 1, with: [], thinner: 1 } }]]);
    const { unit, onPiece } = need(plan, "milk-ochre");
    expect(unit).toBe("g");
    expect(onPiece / ((0.5 / rate("milk-ochre")) * 1000)).toBeCloseTo(0.516, 3);
    expect(powderIn(CATALOGUE.find(({ id }) => id === "milk-ochre")!)).toBeCloseTo(0.516, 3);
  });

  it("is as thick as the house makes up its milk paint, and a step that says its water is not made thicker again", () => {
    const grams = (milkMix: "1 : 1 by scoop" | "2 : 1 by weight", mix?: Step["mix"]) =>
      need(planOf([["brush", "milk-ochre", mix ? { mix } : {}]], { houseRules: { milkMix } }), "milk-ochre").onPiece;
    const byWeight = { by: "weight" as const, parts: 2, with: [], thinner: 1 };
    expect(grams("2 : 1 by weight")).toBeGreaterThan(2 * grams("1 : 1 by scoop"));
    expect(grams("2 : 1 by weight", byWeight)).toBeCloseTo(grams("1 : 1 by scoop", byWeight), 6);
    expect(grams("2 : 1 by weight", byWeight)).toBeCloseTo(grams("2 : 1 by weight"), 6);
  });

  it("is leaf by the sheet, with its laps, its waste and nothing in the brush", () => {
    const plan = planOf([
      ["brush", "leaf-size"],
      ["lay-leaf", "leaf-imitation-gold"],
    ]);
    const leaf = need(plan, "leaf-imitation-gold");
    expect(leaf.unit).toBe("sheets");
    // half a square metre of 140 mm sheets, 5 mm of each under the next, 15 % torn or trimmed
    expect(leaf.amount).toBe(Math.ceil((0.5 / 0.135 ** 2) * 1.15));
    expect(leaf.left + leaf.touchUp).toBe(0);
  });

  it("is tissue by how often the motif fits on a sheet", () => {
    const laid = (size: number) =>
      need(
        planOf([["lay-tissue", "tissue-roses", { where: { on: "motif", over: 1 } }]], {
          zone: { sizes: { motif: size } },
        }),
        "tissue-roses",
      );
    // a sheet of 500 × 700 gives two squares of 300, and one of 400
    expect(laid(0.09 / 0.5).onPiece).toBeCloseTo(0.5, 6);
    expect(laid(0.16 / 0.5).onPiece).toBeCloseTo(1, 6);
    expect(laid(0.09 / 0.5).amount).toBe(1);
  });

  it("is more on the careful side, where a tin says two rates", () => {
    for (const need of needsOf([planOf([["brush", "chalk-slate"], ["wax", "wax-clear"], ["buff"]])]))
      expect(need.careful).toBeGreaterThanOrEqual(need.amount - 1e-9);
  });

  it("is only what is still to do, once some of it is done", () => {
    const plan = planOf([["brush", "chalk-slate", { coats: 2 }]]);
    const whole = need(plan, "chalk-slate");
    const half = need(
      { ...plan, done: [{ zoneId: "z1", phaseId: "s1/1", starts: "2026-11-30T09:00", ends: "2026-11-30T09:20" }] },
      "chalk-slate",
    );
    expect(half.amount).toBeCloseTo(whole.amount, 6);
    expect(half.open).toBeCloseTo(whole.amount - (0.5 / 12) * 1000 * 1.05 - 12, 6);
  });

  it("what stays in the brush stays there once a session, for all zones of the piece", () => {
    const plan = planOf([["brush", "chalk-slate"]]);
    expect(need(twice(plan), "chalk-slate").left).toBe(need(plan, "chalk-slate").left);
  });
});

describe("any plan", () => {
  it("takes of every tin what its uses take, covers no more than its zones, and says so in whole sheets", () => {
    fc.assert(
      fc.property(randomPlan, (plan) => {
        const areas = new Map(zonesOf(plan).map((zone) => [zone.id, zoneArea(zone)]));
        for (const need of needsOf([plan])) {
          expect(need.uses.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(need.onPiece, 6);
          expect(need.amount).toBeGreaterThanOrEqual(need.onPiece - 1e-9);
          expect(need.open).toBeLessThanOrEqual(need.amount + 1e-6);
          if (need.unit === "sheets") expect(Number.isInteger(need.amount)).toBe(true);
          for (const use of need.uses) expect(use.area).toBeLessThanOrEqual(areas.get(use.zoneId)! + 1e-9);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("two jobs together take what each takes by itself", () => {
    fc.assert(
      fc.property(randomPlan, randomPlan, (a, b) => {
        const other = { ...b, id: `${b.id}-2` };
        const both = new Map(needsOf([a, other]).map((need) => [need.material.id, need]));
        const each = [...needsOf([a]), ...needsOf([other])];
        for (const [id, together] of both) {
          const apart = each
            .filter(({ material }) => material.id === id)
            .reduce((sum, { onPiece }) => sum + onPiece, 0);
          expect(together.onPiece).toBeCloseTo(apart, 6);
        }
      }),
      { numRuns: 25 },
    );
  });
});

describe("what is used up besides", () => {
  const supply = (plan: Plan, id: string) => suppliesFor([plan]).find((supply) => supply.id === id);
  const small = (steps: readonly ExampleStep[]) =>
    planOf(steps, { zone: { shape: { kind: "panel", width: 300, height: 300, count: 1 } } });

  it("rags are counted for the job and not by zone", () => {
    const plan = small([["brush", "glaze-umber"], ["wipe-back"]]);
    expect(supply(plan, "damp-rag")!.count).toBe(1);
    expect(supply(twice(plan), "damp-rag")!.count).toBe(1);
  });

  it("there is a brush for every colour, and one that only dark wax ever meets", () => {
    const plan = small([
      ["brush", "chalk-slate", { coats: 2 }],
      ["brush", "chalk-bone-white"],
      ["wax", "wax-clear"],
      ["wax", "wax-dark"],
      ["buff"],
    ]);
    expect(supply(plan, "paint-brush")!.count).toBe(2);
    expect(supply(plan, "wax-brush")!.count).toBe(1);
    expect(supply(plan, "dark-wax-brush")!.count).toBe(1);
    expect(supply(plan, "dark-wax-brush")!.worn).toBeLessThan(0.05);
  });

  it("a brush is washed out and serves the next job, a rag does not", () => {
    const plan = small([["brush", "chalk-slate"], ["wax", "wax-clear"], ["buff"]]);
    const both = suppliesFor([plan, { ...plan, id: "next" }]);
    const count = (id: string) => both.find((supplyNeed) => supplyNeed.id === id)!.count;
    expect(count("paint-brush")).toBe(1);
    expect(count("dry-rag")).toBe(2 * supply(plan, "dry-rag")!.count);
  });

  it("paper is bought by its grit", () => {
    const plan = planOf([["scuff"], ["brush", "chalk-slate"], ["sand-320"], ["sand-150"]]);
    expect(supply(plan, "paper-220")!.count).toBe(1);
    expect(supply(plan, "paper-320")!.count).toBe(1);
    expect(supply(plan, "paper-150")!.count).toBe(1);
    expect(supply(plan, "paper-600")).toBeUndefined();
  });

  it("tape goes round what is masked", () => {
    // a panel of 1000 × 500: 3 m round
    expect(supply(planOf([["mask"], ["brush", "chalk-slate"]]), "tape")!.count).toBe(3);
  });
});
