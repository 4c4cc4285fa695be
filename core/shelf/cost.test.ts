import { describe, expect, it } from "vitest";
import { examplePlan } from "../rules/example.ts";
import { judgementOf } from "../schedule/kept.ts";
import { schedule } from "../schedule/schedule.ts";
import { ShelfBook } from "./book.ts";
import { costOfJob, saidPrice } from "./cost.ts";
import { needsOf } from "./needs.ts";

const plan = examplePlan({
  shows: "priced",
  ground: "raw timber",
  species: "pine",
  steps: [["brush", "chalk-slate", { coats: 2 }], ["wax", "wax-clear"], ["buff"]],
});
const { bookings } = schedule([{ plan, judgement: judgementOf(plan) }]);
const minutes = bookings.reduce((sum, { starts, ends }) => sum + ends - starts, 0);
const book = (costing: object, wax: number | null = 12) =>
  ShelfBook.parse({
    suppliers: [{ id: "mill", name: "The Mill" }],
    goods: [
      { id: "chalk-slate", packs: [{ id: "a", supplierId: "mill", holds: 500, price: 20 }] },
      { id: "wax-clear", packs: [{ id: "b", supplierId: "mill", holds: 250, price: wax }] },
    ],
    costing,
  });
const slate = needsOf([plan]).find(({ material }) => material.id === "chalk-slate")!;

describe("what a job costs", () => {
  it("is materials by use, hands by their bookings, then overhead, margin and tax", () => {
    const { sums, minutes: hands } = costOfJob(plan, book({ hourly: 30, overhead: 10, margin: 20, tax: 25 }), bookings);
    expect(hands).toBe(minutes);
    expect(sums.work.likely).toBeCloseTo((minutes / 60) * 30, 6);
    const direct = sums.materials.likely + sums.consumables.likely + sums.work.likely;
    expect(sums.overhead.likely).toBeCloseTo(0.1 * direct, 6);
    expect(sums.margin.likely).toBeCloseTo(0.2 * 1.1 * direct, 6);
    expect(sums.price.likely).toBeCloseTo(1.25 * 1.2 * 1.1 * direct, 6);
    expect(sums.price.most).toBeGreaterThan(sums.price.likely);
  });

  it("charges a part of the tin, or the whole tin", () => {
    const byUse = costOfJob(plan, book({ materialsBy: "use" }), bookings).materials[0]!;
    expect(byUse.cost!.likely).toBeCloseTo((slate.amount * 20) / 500, 6);
    expect(costOfJob(plan, book({ materialsBy: "packs" }), bookings).materials[0]!.cost!.likely).toBe(20);
  });

  it("says what has no price yet, and leaves it out of the sum", () => {
    const { unpriced, sums } = costOfJob(plan, book({}, null), bookings);
    expect(unpriced).toContain("Clear paste wax");
    expect(sums.materials.likely).toBeCloseTo((slate.amount * 20) / 500, 6);
  });

  it("parts by zone into what the whole is", () => {
    const { byZone, materials } = costOfJob(plan, book({}), bookings);
    expect(byZone.reduce((sum, one) => sum + one.minutes, 0)).toBeCloseTo(minutes, 6);
    expect(byZone.reduce((sum, one) => sum + one.materials, 0)).toBeCloseTo(
      materials.reduce((sum, { cost }) => sum + (cost?.likely ?? 0), 0),
      6,
    );
  });

  it("is said in round numbers that hold it", () => {
    expect(saidPrice({ likely: 183.2, most: 214 })).toEqual({ from: 180, to: 215 });
    expect(saidPrice({ likely: 1012, most: 1190 })).toEqual({ from: 1000, to: 1200 });
  });
});
