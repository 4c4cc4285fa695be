import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan as anyPlan } from "../../tests/random-crusts.ts";
import { CATALOGUE } from "../materials/catalogue.ts";
import type { Zone } from "../plan/plan.ts";
import { type ExampleStep, examplePlan, mixed } from "../rules/example.ts";
import { type CoatOnZone, coatsIn, inUnit, sheetsFor, tinsOf, unitOf } from "./usage.ts";

const BY_ID = new Map(CATALOGUE.map((material) => [material.id, material]));
const material = (id: string) => BY_ID.get(id)!;

const coats = (steps: readonly ExampleStep[], zone: Partial<Zone> = {}): CoatOnZone[] =>
  coatsIn(examplePlan({ shows: "x", ground: "raw timber", species: "oak", steps, zone }), BY_ID);

const netOf = (steps: readonly ExampleStep[], zone: Partial<Zone> = {}) =>
  coats(steps, zone).reduce((sum, { net }) => sum + net, 0);

/** A flat board of one square metre, without mouldings. */
const METRE: Partial<Zone> = {
  shape: { kind: "panel", width: 1000, height: 1000, count: 1 },
  relief: { arris: 0, field: 1, high: 0, recess: 0 } as Zone["relief"],
};

describe("what a coat takes from the tin", () => {
  it("is the face over the label's spreading rate: a litre that covers 12 m² gives a square metre 83 ml", () => {
    for (const id of ["chalk-slate", "clear-coat-matt", "glaze-umber"]) {
      const { typical } = material(id).spreadingRate;
      const [coat] = coats([["brush", id]], METRE);
      expect(coat!.covered).toBeCloseTo(1, 6);
      // a technique that lays a thin or a heavy coat takes so much less or more
      expect(coat!.net).toBeCloseTo((1000 / typical) * coat!.phase.load, 6);
    }
  });

  it("is twice as much on both faces, on two boards, in two coats", () => {
    const once = netOf([["brush", "chalk-slate"]], METRE);
    expect(netOf([["brush", "chalk-slate"]], { ...METRE, faces: 2 })).toBeCloseTo(2 * once, 6);
    const two: Partial<Zone> = { ...METRE, shape: { kind: "panel", width: 1000, height: 1000, count: 2 } };
    expect(netOf([["brush", "chalk-slate"]], two)).toBeCloseTo(2 * once, 6);
    expect(netOf([["brush", "chalk-slate", { coats: 2 }]], METRE)).toBeCloseTo(2 * once, 6);
  });

  it("is less where it goes on part of the face only, by that part", () => {
    const whole = netOf([["brush", "chalk-slate"]], METRE);
    const part = netOf([["brush", "chalk-slate", { where: { on: "everywhere", over: 0.25 } }]], METRE);
    expect(part).toBeCloseTo(whole / 4, 6);
  });

  it("is nothing for what is only taken off", () => {
    expect(coats([["scuff"], ["wet-distress"], ["sand-220"]])).toEqual([]);
  });

  it("is marked as laid where the plan says that it was", () => {
    const plan = examplePlan({
      shows: "x",
      ground: "raw timber",
      steps: [["brush", "chalk-slate", { coats: 2 }]],
    });
    const [first] = coatsIn(plan, BY_ID);
    const done = [
      { zoneId: "z1", phaseId: first!.phase.id, starts: "2026-11-30T09:00", ends: "2026-11-30T09:30" },
    ] as NonNullable<typeof plan.done>;
    expect(coatsIn({ ...plan, done }, BY_ID).map((coat) => coat.done)).toEqual([true, false]);
  });

  it("by a careful hand is never less than usual, and nothing is below nothing, on any crust", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const coat of coatsIn(plan, BY_ID)) {
          expect(coat.net).toBeGreaterThanOrEqual(0);
          expect(coat.careful).toBeGreaterThanOrEqual(coat.net - 1e-9);
          expect(coat.covered).toBeGreaterThanOrEqual(0);
          expect(coat.film).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe("what materials are counted in", () => {
  it("paint and wax by volume, powder by weight, leaf and tissue by the sheet", () => {
    expect(unitOf(material("chalk-slate"))).toBe("ml");
    expect(unitOf(material("wax-clear"))).toBe("ml");
    expect(unitOf(material("leaf-imitation-gold"))).toBe("sheets");
    expect(unitOf(material("tissue-roses"))).toBe("sheets");
    expect(unitOf(material("texture-crumb"))).toBe("g");
  });

  it("a liquid is as much in the mix as in the tin; crumb lies loose, lighter than the stone it is of", () => {
    expect(inUnit(material("chalk-slate"), 250)).toBe(250);
    const grams = inUnit(material("texture-crumb"), 100);
    expect(grams).toBeGreaterThan(40);
    expect(grams).toBeLessThan(200);
  });
});

describe("the tins behind a pot", () => {
  const shares = (more: ExampleStep[2]) => {
    const [coat] = coats([["brush", "chalk-slate", more]]);
    return tinsOf(coat!.phase, BY_ID).map(({ material: { id }, perMillilitre }) => [id, perMillilitre] as const);
  };

  it("one alone is all of it", () => {
    expect(shares({})).toEqual([["chalk-slate", 1]]);
  });

  it("two parts to one are two thirds and one third", () => {
    const [own, other] = shares({ mix: mixed(2, "chalk-bone-white", 1) });
    expect(own).toEqual(["chalk-slate", expect.closeTo(2 / 3, 6)]);
    expect(other).toEqual(["chalk-bone-white", expect.closeTo(1 / 3, 6)]);
  });

  it("water comes from the tap: half water, half comes from the tin", () => {
    const tins = shares({ mix: mixed(1, "chalk-bone-white", 1, 2) });
    expect(tins.reduce((sum, [, of]) => sum + of, 0)).toBeCloseTo(0.5, 6);
  });

  it("never give more than is laid, on any crust", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const { phase } of coatsIn(plan, BY_ID)) {
          const tins = tinsOf(phase, BY_ID).filter(({ unit }) => unit === "ml");
          expect(tins.reduce((sum, { perMillilitre }) => sum + perMillilitre, 0)).toBeLessThanOrEqual(1 + 1e-9);
          for (const { perMillilitre } of tins) expect(perMillilitre).toBeGreaterThan(0);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe("sheets", () => {
  const GOLD = material("leaf-genuine-gold");
  const ROSES = material("tissue-roses");
  const on = (id: string, how: string, width: number, height: number, more: Partial<Zone> = {}) => {
    const steps: ExampleStep[] = id.startsWith("leaf")
      ? [
          ["brush", "leaf-size"],
          [how, id],
        ]
      : [[how, id]];
    return coats(steps, { ...METRE, shape: { kind: "panel", width, height, count: 1 }, ...more }).at(-1)!;
  };

  it("leaf laps 5 mm: an 80 mm leaf covers 75 mm square, so a square metre takes about 178", () => {
    const coat = on(GOLD.id, "lay-leaf", 1000, 1000);
    expect(sheetsFor(coat, GOLD)).toBeCloseTo(coat.covered / (0.075 * 0.075), 6);
    expect(sheetsFor({ ...coat, covered: 1 }, GOLD)).toBeCloseTo(177.8, 1);
    // imitation gold comes in leaves of 140 mm, and takes fewer
    expect(sheetsFor({ ...coat, covered: 1 }, material("leaf-imitation-gold"))).toBeCloseTo(54.9, 1);
  });

  it("a design is cut from the sheet as often as it fits, the better way round", () => {
    const sheet = ROSES.sheet ?? { width: 500, height: 700 };
    const half = on(ROSES.id, "lay-tissue", sheet.width, Math.floor(sheet.height / 2));
    expect(sheetsFor(half, ROSES)).toBeCloseTo(0.5, 6);
    const turned = on(ROSES.id, "lay-tissue", Math.floor(sheet.height / 2), sheet.width);
    expect(sheetsFor(turned, ROSES)).toBeCloseTo(0.5, 6);
  });

  it("what is larger than a sheet takes as many as lie side by side", () => {
    const sheet = ROSES.sheet ?? { width: 500, height: 700 };
    const large = on(ROSES.id, "lay-tissue", sheet.width * 2, sheet.height);
    expect(sheetsFor(large, ROSES)).toBe(2);
    const larger = on(ROSES.id, "lay-tissue", sheet.width * 2 + 10, sheet.height);
    expect(sheetsFor(larger, ROSES)).toBe(3);
  });

  it("none, for what is not sold so, or lies nowhere", () => {
    const coat = on(GOLD.id, "lay-leaf", 500, 500);
    expect(sheetsFor(coat, material("chalk-slate"))).toBe(0);
    expect(sheetsFor({ ...coat, covered: 0 }, GOLD)).toBe(0);
  });
});
