import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cheapestBasket } from "../../tests/milp.ts";
import { cheapestPacks, type Pack } from "./packs.ts";

const pack = (holds: number, price: number | null): Pack => ({ id: `${holds}-${price}`, holds, price });
const said = (need: number, packs: readonly Pack[]) => {
  const basket = cheapestPacks(need, packs)!;
  return [basket.packs.map(({ pack: one, count }) => `${count} × ${one.holds}`).join(" + "), basket.price, basket.over];
};

describe("packs for what is missing", () => {
  it.each<[string, number, Pack[], [string, number | null, number]]>([
    ["one small tin does", 90, [pack(100, 6), pack(500, 18)], ["1 × 100", 6, 10]],
    [
      "three small tins cost as much as a large one: the large one leaves more, the small ones less",
      290,
      [pack(100, 6), pack(500, 18)],
      ["3 × 100", 18, 10],
    ],
    ["the large one is cheaper than four small ones", 310, [pack(100, 6), pack(500, 18)], ["1 × 500", 18, 190]],
    ["a large and a small one", 560, [pack(100, 6), pack(500, 18)], ["1 × 500 + 1 × 100", 24, 40]],
    ["exactly a tin", 500, [pack(500, 18)], ["1 × 500", 18, 0]],
    [
      "packs without a price leave as little as they can",
      640,
      [pack(250, null), pack(400, null)],
      ["1 × 400 + 1 × 250", null, 10],
    ],
    ["of two suppliers the cheaper", 80, [pack(100, 6), { id: "other", holds: 100, price: 5.5 }], ["1 × 100", 5.5, 20]],
  ])("%s", (_what, need, packs, expected) => {
    expect(said(need, packs)).toEqual(expected);
  });

  it("buys nothing for nothing, and says where there is no pack", () => {
    expect(said(0, [pack(100, 6)])).toEqual(["", 0, 0]);
    expect(cheapestPacks(10, [])).toBeNull();
  });

  it("is quick for a very large need", () => {
    const basket = cheapestPacks(5_000_000, [pack(100, 6), pack(750, 30), pack(2500, 80)])!;
    expect(basket.holds).toBeGreaterThanOrEqual(5_000_000);
    expect(basket.price).toBe((5_000_000 / 2500) * 80);
  });
});

const anyPacks = fc.uniqueArray(
  fc.record({ holds: fc.integer({ min: 1, max: 60 }), cents: fc.integer({ min: 1, max: 4000 }) }),
  { minLength: 1, maxLength: 4, selector: ({ holds }) => holds },
);

describe("any need and any packs", () => {
  it("costs what a general integer solver says is least", async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 400 }), anyPacks, async (need, made) => {
        const packs = made.map(({ holds, cents }) => pack(holds, cents / 100));
        expect(cheapestPacks(need, packs)!.price).toBeCloseTo((await cheapestBasket(need, packs))!, 6);
      }),
      { numRuns: 60 },
    );
  });

  it("covers the need, and never by a whole pack too many", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 30_000, noNaN: true }), anyPacks, (need, made) => {
        const { packs, holds, over } = cheapestPacks(
          need,
          made.map(({ holds: each, cents }) => pack(each, cents / 100)),
        )!;
        expect(holds).toBeGreaterThanOrEqual(need - 1e-6);
        expect(over).toBeCloseTo(holds - need, 6);
        for (const { pack: one } of packs) expect(holds - one.holds).toBeLessThan(need);
      }),
      { numRuns: 300 },
    );
  });
});
