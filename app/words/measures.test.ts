import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MEASURES, NUMBER_FORMATS } from "#core/shelf/book";
import {
  METRIC,
  readAmount,
  readNumber,
  sayAmount,
  sayAreaIn,
  sayMoney,
  sayNumber,
  saySpread,
  type Voice,
} from "./measures";

const plain = (text: string) => text.replace(/\u00a0/g, " ");
const us: Voice = { measures: "US customary", numbers: "1,234.50", currency: "$" };

describe("amounts in the shop's own measures", () => {
  it.each<[string, string]>([
    [sayAmount("ml", 1250, METRIC), "1.25 L"],
    [sayAmount("ml", 123, METRIC), "125 ml"],
    [sayAmount("ml", 7.3, METRIC), "7.3 ml"],
    [sayAmount("g", 516, METRIC), "515 g"],
    [sayAmount("sheets", 1, METRIC), "1 sheet"],
    [sayAmount("pieces", 3, METRIC, { one: "rag", many: "rags" }), "3 rags"],
    [sayAmount("ml", 473.2, us), "16 fl oz"],
    [sayAmount("ml", 946.4, us), "1 qt"],
    [sayAmount("g", 227, us), "8 oz"],
    [sayAreaIn(0.5, METRIC), "0.50 m²"],
    [sayAreaIn(1, us), "10.8 sq ft"],
    [saySpread(9.817, us), "400 sq ft/gal"],
    [sayMoney(1234.5, { ...METRIC, numbers: "1.234,50", currency: "kr" }), "kr 1.234,50"],
    [sayMoney(12, METRIC), "12.00"],
    [sayNumber(-0.001, 2, METRIC), "0.00"],
  ])("%s", (said, expected) => {
    expect(plain(said)).toBe(expected);
  });
});

describe("a number somebody typed", () => {
  it.each<[string, number | null]>([
    ["12.50", 12.5],
    ["12,50", 12.5],
    ["1,234.50", 1234.5],
    ["1.234,50", 1234.5],
    ["1 234,50", 1234.5],
    ["1'234.50", 1234.5],
    ["0,75", 0.75],
    [",5", 0.5],
    ["1,250", 1250],
    ["−3", -3],
    ["", null],
    ["a few", null],
    ["1.2.3,4,5", null],
    ["=1+1", null],
  ])("%s", (text, value) => {
    expect(readNumber(text)).toBe(value);
  });

  it("with one mark and three digits is read as the shop writes", () => {
    expect(readNumber("1.250", { numbers: "1.234,50" })).toBe(1250);
    expect(readNumber("1.250", { numbers: "1,234.50" })).toBe(1.25);
    expect(readNumber("1,250", { numbers: "1.234,50" })).toBe(1.25);
  });

  it("reads back as it was said, in any writing", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -9_999_999, max: 9_999_999 }),
        fc.constantFrom(...NUMBER_FORMATS),
        fc.constantFrom(...MEASURES),
        (cents, numbers, measures) => {
          const voice = { numbers, measures, currency: "" };
          expect(readNumber(sayNumber(cents / 100, 2, voice), voice)).toBeCloseTo(cents / 100, 6);
        },
      ),
    );
  });

  it("takes an amount with its unit, and no other kind of unit", () => {
    expect(readAmount("0.75 L", "ml")).toBe(750);
    expect(readAmount("1 qt", "ml")).toBeCloseTo(946.35, 2);
    expect(readAmount("2 lb", "g")).toBeCloseTo(907.18, 2);
    expect(readAmount("25 sheets", "sheets")).toBe(25);
    expect(readAmount("500 g", "ml")).toBeNull();
    expect(readAmount("-5 ml", "ml")).toBe(-5);
  });
});
