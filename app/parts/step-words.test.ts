import { describe, expect, it } from "vitest";
import { INTENTS, type Step } from "#core/plan/plan";
import { INTENT_SHORT, INTENT_WORDS, sayAmount, sayCovered, sayPercent, sayShare, sayWhere } from "./step-words";

const PLACES: [Omit<Step["where"], "over">, string][] = [
  [{ on: "everywhere" }, ""],
  [{ on: "arris" }, "on the arrises"],
  [{ on: "border", also: ["arris"] }, "on the border and on the arrises"],
  [{ on: "everywhere", but: ["motif"] }, "everywhere, but not on the motif"],
  [
    { on: "field", also: ["recess"], but: ["hands", "patch"] },
    "on the field and in the grooves, but not where hands touch and on one patch",
  ],
];

describe("where a step goes", () => {
  it.each(PLACES)("%j", (where, says) => {
    expect(sayWhere({ over: 1, ...where })).toBe(says);
  });
});

describe("how much", () => {
  it.each([
    [1, "100 %"],
    [0.125, "13 %"],
    [0.01, "1 %"],
    [0.004, "0.4 %"],
    [0, "0.0 %"],
  ])("%d is %s", (share, says) => {
    expect(sayPercent(share)).toBe(says);
    expect(sayCovered(share)).toBe(`about ${says} of the face`);
  });

  it("of a place is a share of that place", () => {
    expect(sayShare(0.5)).toBe("over 50 % of it");
  });

  it.each([
    [{ kind: "light" }, "a light coat"],
    [{ kind: "heavy" }, "a heavy coat"],
    [{ kind: "times", of: 1.5 }, "1.5 × the usual"],
    [{ kind: "micrometres", of: 90 }, "90 µm"],
    [{ kind: "millilitres", of: 110 }, "110 ml/m²"],
  ] as const)("%j", (amount, says) => {
    expect(sayAmount(amount)).toBe(says);
  });
});

it("every intent has its words, long and short", () => {
  expect(Object.keys(INTENT_WORDS).sort()).toEqual([...INTENTS].sort());
  expect(Object.keys(INTENT_SHORT).sort()).toEqual([...INTENTS].sort());
});
