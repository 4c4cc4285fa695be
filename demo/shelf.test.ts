import { describe, expect, it } from "vitest";
import { isPlannedFor } from "#core/plan/plan";
import { planOfWorkNow } from "#core/schedule/plan-of-work";
import { potsOf } from "#core/shelf/stock";
import { startsIn, supplyOf } from "#core/shelf/supply";
import { readWallTime } from "#core/units/wall-time";
import { hobnailShop, hobnailYard } from "./hobnail-yard";
import { hobnailBook, hobnailMovements } from "./shelf";

describe("the shelf of the demo shop", () => {
  const plans = hobnailYard().filter(isPlannedFor);
  const lines = supplyOf({
    plans,
    book: hobnailBook(),
    pots: potsOf(hobnailMovements()),
    startOf: startsIn(planOfWorkNow(plans, hobnailShop(), 1).jobs),
    today: readWallTime("2026-11-28T09:00")!,
  });

  it("shows every way a need can stand", () => {
    expect(new Set(lines.map(({ standing }) => standing))).toEqual(new Set(["enough", "short", "missing", "old"]));
  });

  it("knows packs and prices of all that its jobs want", () => {
    const priced = new Set(
      hobnailBook()
        .goods.filter(({ packs }) => packs.length > 0)
        .map(({ id }) => id),
    );
    expect(lines.filter(({ goodId }) => !priced.has(goodId)).map(({ goodId }) => goodId)).toEqual([]);
  });

  it("holds only tins of what there is", () => {
    const known = new Set(hobnailBook().goods.map(({ id }) => id));
    expect(potsOf(hobnailMovements()).filter(({ goodId }) => !known.has(goodId))).toEqual([]);
  });
});
