import convert from "convert-units";
import { describe, expect, it } from "vitest";
import { GRAMS, MILLILITRES, MILLIMETRES, SQUARE_FEET_A_GALLON, SQUARE_FOOT } from "#core/quantity/measures";

// NIST Handbook 44, appendix C: the values of the US customary units; and a general library's.
describe("units shown for US customary measures", () => {
  it.each<[string, number, number]>([
    ["a US fluid ounce", MILLILITRES["fl oz"], 29.5735295625],
    ["a US liquid pint", MILLILITRES.pt, 473.176473],
    ["a US gallon", MILLILITRES.gal, 3785.411784],
    ["an ounce avoirdupois", GRAMS.oz, 28.349523125],
    ["a square foot", SQUARE_FOOT, 0.09290304],
  ])("%s is what the handbook says", (_name, value, published) => {
    expect(value).toBeCloseTo(published, 9);
  });

  it.each<[convert.Unit, convert.Unit, number]>([
    ["tsp", "ml", MILLILITRES.tsp],
    ["Tbs", "ml", MILLILITRES.tbsp],
    ["fl-oz", "ml", MILLILITRES["fl oz"]],
    ["cup", "ml", MILLILITRES.cup],
    ["qt", "ml", MILLILITRES.qt],
    ["gal", "ml", MILLILITRES.gal],
    ["oz", "g", GRAMS.oz],
    ["lb", "g", GRAMS.lb],
    ["in", "mm", MILLIMETRES.in],
    ["ft", "mm", MILLIMETRES.ft],
    ["ft2", "m2", SQUARE_FOOT],
  ])("one %s in %s agrees with a general library", (from, to, value) => {
    // the library rounds its own factors to six figures
    expect(convert(1).from(from).to(to) / value).toBeCloseTo(1, 4);
  });

  it("400 square feet a gallon is about 9.8 m² a litre, as tins of both worlds say", () => {
    expect(400 * SQUARE_FEET_A_GALLON).toBeCloseTo(9.817, 3);
  });
});
