import { describe, expect, it } from "vitest";
import type { FinishFacts } from "#core/finishes/facts";
import { FINISHES, findFinish } from "#core/finishes/finishes";
import { readWallTime } from "#core/units/wall-time";
import { chipsFor, inGallery, keeps, readFilters } from "./filters";

const FACTS: FinishFacts = {
  steps: 6,
  coats: 5,
  handsOn: 300,
  leaves: readWallTime("2026-12-08T15:00"),
  buy: [],
  repairs: [],
  stops: [],
  cautions: 0,
};
const read = (text: string) => readFilters(new URLSearchParams(text));
const WORN = findFinish("worn-to-dark")!;

describe("the gallery is narrowed down by what stands in the address", () => {
  it("words that mean nothing narrow nothing down", () => {
    expect(read("look=purple&practice=wizard&by=soon&shelf=maybe")).toEqual(read(""));
    expect(FINISHES.filter((finish) => keeps(read(""), finish, undefined))).toHaveLength(FINISHES.length);
  });

  it.each<[string, string, Partial<FinishFacts>, boolean]>([
    ["a look it has", "look=worn", {}, true],
    ["a look it does not have", "look=gilded", {}, false],
    ["more practice than it needs", "practice=practised", {}, false],
    ["ready in time", "by=2026-12-08", {}, true],
    ["ready too late", "by=2026-12-07", {}, false],
    ["without a date", "by=2026-12-31", { leaves: null }, false],
    ["all on the shelf", "shelf=yes", {}, true],
    ["something to buy", "shelf=yes", { buy: [{ name: "Dark wax", unit: "ml", missing: 40 }] }, false],
    ["stopped on this piece", "", { stops: ["Lead"] }, false],
    ["stopped, but all are asked for", "all=yes", { stops: ["Lead"] }, true],
  ])("%s", (_what, address, change, stays) => {
    expect(keeps(read(address), WORN, { ...FACTS, ...change })).toBe(stays);
  });

  it("what is not worked out yet stays", () => {
    expect(keeps(read("shelf=yes&by=2026-01-01"), WORN, undefined)).toBe(true);
  });

  it("every press says how many it would leave", () => {
    const day = readWallTime("2026-12-08T23:59")!;
    const chips = chipsFor(read("look=worn"), FINISHES, () => FACTS, { day, says: "leaves by Tue 8 Dec" });
    for (const { param, value, left } of chips) {
      const address = new URLSearchParams({ look: "worn", [param]: value });
      expect(
        FINISHES.filter((finish) => keeps(readFilters(address), finish, FACTS)),
        `${param} ${value}`,
      ).toHaveLength(left);
    }
    expect(chips.filter(({ on }) => on).map(({ name }) => name)).toEqual(["worn"]);
  });

  it("those for a first time come first", () => {
    const order = inGallery(FINISHES).map(({ practice }) => practice);
    expect(order.indexOf("some practice")).toBeGreaterThan(order.lastIndexOf("first time"));
    expect(order.indexOf("practised")).toBeGreaterThan(order.lastIndexOf("some practice"));
  });
});
