import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../materials/catalogue.ts";
import { letDown, potOf } from "../mixing/pot.ts";
import { MIX_BY, type Mix, watered } from "../plan/mix.ts";
import { examplePlan, mixed } from "../rules/example.ts";
import { DAY } from "../units/units.ts";
import { batchesOf, potLifeOf, recipeFor } from "./recipe.ts";

const materials = new Map(CATALOGUE.map((material) => [material.id, material]));
const pot = (own: string, mix: Mix) => potOf(mix, materials.get(own)!, materials)!;
const amounts = (own: string, mix: Mix, made: number) =>
  Object.fromEntries(
    recipeFor(pot(own, mix), made).ingredients.map((ingredient) => [
      ingredient.material?.id ?? ingredient.name,
      ingredient,
    ]),
  );

describe("a recipe", () => {
  it("two to one by weight is 500 g of milk powder to 250 ml of water, and makes less than it is put in", () => {
    const mix: Mix = { by: "weight", parts: 2, with: [], thinner: 1 };
    // 500 g of grains fill 200 ml, and 250 ml of water with them
    const found = amounts("milk-ochre", mix, 450);
    expect(found["milk-ochre"]!.grams).toBeCloseTo(500, 0);
    expect(found.Water!.millilitres).toBeCloseTo(250, 0);
  });

  it("one to one by scoop is as many scoops of powder as of water", () => {
    const found = amounts("milk-curd", { by: "scoop", parts: 1, with: [], thinner: 1 }, 300);
    expect(found["milk-curd"]!.scoops).toBeCloseTo(found.Water!.scoops, 6);
    expect(found["milk-curd"]!.grams).toBeCloseTo(0.65 * found.Water!.millilitres, 6);
  });

  it("a wash of one to three in a jar of 400 ml is 100 ml of paint", () => {
    const found = amounts("chalk-slate", watered(1, 3), 400);
    expect(found["chalk-slate"]!.millilitres).toBeCloseTo(100, 6);
    expect(found.Water).toMatchObject({ millilitres: expect.closeTo(300, 6), spoons: expect.closeTo(60, 6) });
    expect(found.Water!.parts).toBe(3);
  });

  it("glaze, wax and paste are parts of each other without water", () => {
    const found = amounts("glaze-clear", mixed(70, "mineral-storm", 30), 100);
    expect(Object.keys(found)).toEqual(["glaze-clear", "mineral-storm"]);
    expect(found["mineral-storm"]!.millilitres).toBeCloseTo(30, 6);
  });

  it("says how it is stirred: powder into water, rest and sieve; pigment wetted first; wax on a plate", () => {
    const steps = (own: string, mix: Mix) => recipeFor(pot(own, mix), 100).steps.join(" ");
    expect(steps("milk-soot", watered(1, 1))).toMatch(/powder on it.*3–4 min.*rest for 5–10 min.*Sieve/);
    expect(steps("wax-clear", mixed(20, "pigment-umber", 1))).toMatch(/Wet the pigment powder, raw umber/);
    expect(steps("wax-clear", mixed(1, "chalk-slate", 3))).toMatch(/Soften the clear paste wax on a plate/);
  });

  it("home-made chalk-type is three parts of flat paint, one of filler and one of water, sieved; thinned, its water is said once", () => {
    const { ingredients, steps, made } = recipeFor(letDown(materials.get("home-chalk-putty")!, 0), 426);
    expect(made).toBe(426);
    expect(ingredients.map(({ name, millilitres }) => [name, Math.round(millilitres)])).toEqual([
      ["Flat paint, for home-made chalk-type, putty", 300],
      ["Fine mineral filler", 100],
      ["Water", 100],
    ]);
    expect(steps.join(" ")).toMatch(/cream without lumps.*Sieve it/);
    const thinned = recipeFor(letDown(materials.get("home-chalk-putty")!, 1), 400);
    expect(thinned.ingredients.filter(({ name }) => name === "Water")).toHaveLength(1);
    expect(thinned.grams).toBeCloseTo(
      thinned.ingredients.reduce((sum, { grams }) => sum + grams, 0),
      6,
    );
  });

  it("milk paint is used within the day, a wash keeps as long as its tin", () => {
    expect(potLifeOf(letDown(materials.get("milk-ochre")!, 1))).toBe(DAY);
    expect(potLifeOf(letDown(materials.get("chalk-slate")!, 2))).toBeNull();
  });

  it("fills the jar, whatever is in it: volumes that are not powder add up, and so do weights", () => {
    const ids = [...materials.values()]
      .filter(({ soldAs, family }) => soldAs === "litres" && family !== "home-made chalk-type paint")
      .map(({ id }) => id);
    fc.assert(
      fc.property(
        fc.constantFrom(...ids),
        fc.constantFrom(...ids),
        fc.constantFrom(...MIX_BY),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 8 }),
        fc.integer({ min: 20, max: 2000 }),
        (own, other, by, parts, thinner, made) => {
          if (own === other) return;
          const mix: Mix = { by, parts, with: [{ what: other, parts: 1 }], thinner };
          const { ingredients, grams } = recipeFor(pot(own, mix), made);
          expect(ingredients.reduce((sum, ingredient) => sum + ingredient.millilitres, 0)).toBeCloseTo(made, 6);
          expect(ingredients.reduce((sum, ingredient) => sum + ingredient.grams, 0)).toBeCloseTo(grams, 6);
          for (const ingredient of ingredients) expect(ingredient.millilitres).toBeGreaterThan(0);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe("the mixes of a job", () => {
  const plan = examplePlan({
    shows: "mixes",
    ground: "raw timber",
    species: "pine",
    steps: [
      ["brush", "milk-ochre", { coats: 2, mix: watered(1, 1) }],
      ["brush", "chalk-slate"],
      ["wash", "chalk-bone-white", { mix: watered(1, 3) }],
      ["wax", "wax-clear"],
    ],
  });

  it("are those that are stirred, each with what a session takes", () => {
    const batches = batchesOf(plan);
    expect(batches.map(({ material }) => material.id)).toEqual(["milk-ochre", "chalk-bone-white"]);
    const [milk] = batches;
    expect(milk!.sessions).toHaveLength(2);
    // half a square metre at 11 m² a litre, a twentieth lost, 12 ml in the brush
    expect(milk!.sessions[0]).toBeCloseTo((500 / 11) * 1.05 + 12, 6);
    expect(milk!.potLife).toBe(DAY);
  });
});
