import { describe, expect, it } from "vitest";
import { betterUnder, coatsToHide, FULL_HIDING } from "#core/colour/coats-to-hide";
import { contrastRatioOf } from "#core/colour/film";
import { opticsOf } from "#core/colour/material-colour";
import { CATALOGUE } from "#core/materials/catalogue";
import { potOf } from "#core/mixing/pot";
import { dryFilm, spreadAt } from "#core/quantity/spread";
import { examplePlan } from "#core/rules/example";
import { needsOf } from "#core/shelf/needs";
import { recipeFor } from "#core/shelf/recipe";

const material = (id: string) => CATALOGUE.find((material) => material.id === id)!;
const NEAR_BLACK = "#2b221b";
const PALE = "#d9cfbb";

// ISO 6504-3 calls a contrast ratio of 0.98 full hiding. The numbers of coats are common practice.
describe("how many coats", () => {
  it("strong white on near-black timber takes two to three", () => {
    for (const id of ["chalk-bone-white", "mineral-oyster", "clay-linen"]) {
      const { overGround } = coatsToHide(material(id), NEAR_BLACK);
      expect(overGround, id).toBeGreaterThanOrEqual(2);
      expect(overGround, id).toBeLessThanOrEqual(3);
    }
  });

  it("an under-colour nearer to it saves a coat, and none needs more over a near colour than over a far one", () => {
    const white = material("chalk-bone-white");
    expect(coatsToHide(white, PALE).overGround!).toBeLessThan(coatsToHide(white, NEAR_BLACK).overGround!);
    for (const material of CATALOGUE.filter(({ role }) => role === "paint")) {
      const own = coatsToHide(material, material.colour).overGround;
      expect(own ?? 0, material.name).toBeLessThanOrEqual(coatsToHide(material, NEAR_BLACK).overGround ?? 99);
    }
  });

  it("a better under-colour is of the same kind, and truly saves a coat", () => {
    const better = betterUnder(material("chalk-bone-white"), material("chalk-lamp-black"), 3, CATALOGUE)!;
    expect(better.under.family).toBe("chalk-type paint");
    expect(better.coats).toBeLessThan(3);
    expect(coatsToHide(material("chalk-bone-white"), better.under.colour).overGround).toBe(better.coats);
    // over its like it is not asked for
    expect(betterUnder(material("chalk-bone-white"), material("clay-linen"), 1, CATALOGUE)).toBeNull();
  });

  it("the coats on the chart are the first with a contrast ratio of 0.98", () => {
    for (const id of ["chalk-bone-white", "chalk-mustard", "milk-ochre", "emulsion-putty"]) {
      const one = material(id);
      const { onChart } = coatsToHide(one, NEAR_BLACK);
      const ratio = (coats: number) => contrastRatioOf(opticsOf(one), coats * dryFilm(one));
      expect(ratio(onChart!)).toBeGreaterThanOrEqual(FULL_HIDING);
      if (onChart! > 1) expect(ratio(onChart! - 1)).toBeLessThan(FULL_HIDING);
    }
  });
});

describe("what the trade reckons with", () => {
  it("500 g of milk powder and 250 ml of water are two to one by weight, and fill 450 ml", () => {
    const mix = { by: "weight" as const, parts: 2, with: [], thinner: 1 };
    const pot = potOf(mix, material("milk-curd"), new Map())!;
    const [powder, water] = recipeFor(pot, 450).ingredients;
    expect(powder!.grams).toBeCloseTo(500, 0);
    expect(water!.millilitres).toBeCloseTo(250, 0);
  });

  it("two thin coats of bonding primer on two square metres take about 0.4 L, and a film of 38 µm each", () => {
    const primer = material("bonding-primer");
    expect(dryFilm(primer)).toBeCloseTo(38, 6);
    // 38 % solids at a film of 38 µm: 10 m² a litre, by the relation behind ISO 3233
    expect(spreadAt(38, 38)).toBeCloseTo(10, 9);
    const plan = examplePlan({
      shows: "primer",
      ground: "laminate",
      zone: { shape: { kind: "panel", width: 2000, height: 1000, count: 1 } },
      steps: [["brush", "bonding-primer", { coats: 2 }]],
    });
    expect(needsOf([plan])[0]!.onPiece).toBeCloseTo(400, 6);
  });
});
