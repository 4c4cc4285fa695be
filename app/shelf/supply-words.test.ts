import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { SupplyLine } from "#core/shelf/supply";
import { METRIC } from "~/words/measures";
import { amountOf, byUrgency, needOf, STANDING_WORDS, sayStanding } from "./supply-words";

const line = (more: Partial<SupplyLine>): SupplyLine =>
  ({
    unit: "ml",
    consumable: null,
    need: 100,
    missing: 0,
    standing: "enough",
    wanted: null,
    ...more,
  }) as SupplyLine;

/** Figures and their units never break apart; here they are read with plain spaces. */
const plain = (text: string) => text.replaceAll(/\s/gu, " ");
const need = (value: number) => plain(needOf(line({}), value, METRIC));

describe("how much is needed, in words", () => {
  it.each([
    [3.2, "4 ml"],
    [20, "20 ml"],
    [20.1, "25 ml"],
    [123, "125 ml"],
    [1000, "1 L"],
    [1001, "1.01 L"],
  ])("%f ml is asked for as %s", (value, says) => {
    expect(need(value)).toBe(says);
  });

  it("is never less than is needed, and never much more", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 9000, noNaN: true }), (value) => {
        const [figure, unit] = need(value).split(" ");
        const said = Number(figure) * (unit === "L" ? 1000 : 1);
        expect(said).toBeGreaterThanOrEqual(value - 1e-4);
        expect(said - value).toBeLessThanOrEqual(value > 1000 ? 10.001 : value > 20 ? 5.001 : 1.001);
      }),
    );
  });

  it("leaf is asked for by the whole leaf, rags by the piece and by their name", () => {
    expect(plain(needOf(line({ unit: "sheets" }), 12.2, METRIC))).toMatch(/^13 /);
    expect(plain(needOf(line({ unit: "sheets" }), 12, METRIC))).toMatch(/^12 /);
    const rags = { unit: "pieces", consumable: "dry-rag" } as const;
    expect(plain(amountOf(rags, 3, METRIC))).toMatch(/^3 .*rags$/);
    expect(plain(amountOf(rags, 1, METRIC))).toMatch(/^1 .*rag$/);
  });
});

describe("how a need stands", () => {
  it("says by how much it is short", () => {
    expect(plain(sayStanding(line({ standing: "short", missing: 61 }), METRIC))).toBe("short by 65 ml");
  });

  it("says that it is enough, or that all of it has been laid", () => {
    expect(sayStanding(line({}), METRIC)).toBe("enough");
    expect(sayStanding(line({ need: 0 }), METRIC)).toBe("all done");
  });

  it("says that there is none, or only what is past its time", () => {
    expect(sayStanding(line({ standing: "missing", missing: 100 }), METRIC)).toBe("none there");
    expect(sayStanding(line({ standing: "old", missing: 100 }), METRIC)).toBe("old: test it first");
  });

  it("every standing has a word and a mark of its own, so that it is not told by colour alone", () => {
    const words = Object.values(STANDING_WORDS);
    expect(new Set(words.map(({ word }) => word)).size).toBe(words.length);
    expect(new Set(words.map(({ mark }) => mark)).size).toBe(words.length);
  });
});

describe("what comes first on the list", () => {
  const order = (lines: readonly SupplyLine[]) =>
    [...lines].sort(byUrgency).map(({ standing, wanted }) => [standing, wanted]);

  it("what has to be bought, what has to be tried, what is there; within that what is wanted first", () => {
    expect(
      order([
        line({ standing: "enough", wanted: 1 }),
        line({ standing: "old", wanted: 2 }),
        line({ standing: "short", wanted: 9 }),
        line({ standing: "missing", wanted: 4 }),
      ]),
    ).toEqual([
      ["missing", 4],
      ["short", 9],
      ["old", 2],
      ["enough", 1],
    ]);
  });

  it("what no work is scheduled for comes after what is", () => {
    expect(order([line({ standing: "short", wanted: null }), line({ standing: "short", wanted: 5 })])).toEqual([
      ["short", 5],
      ["short", null],
    ]);
  });
});
