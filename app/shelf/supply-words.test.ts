import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { SupplyLine } from "#core/shelf/supply";
import { METRIC, readAmount, type Voice } from "~/words/measures";
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

const US: Voice = { measures: "US customary", numbers: "1,234.50", currency: "$" };

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

  it.each([
    [100, "3.4 fl oz"],
    [236, "8 fl oz"],
    [300, "11 fl oz"],
    [947, "1.01 qt"],
    [3785, "1 gal"],
    [3800, "1.01 gal"],
  ])("%f ml is asked for as %s where ounces are poured", (value, says) => {
    expect(plain(needOf(line({}), value, US))).toBe(says);
  });

  it("in ounces and pounds too it is never less than is needed", () => {
    fc.assert(
      fc.property(
        fc.constantFrom<"ml" | "g">("ml", "g"),
        fc.double({ min: 0.1, max: 20_000, noNaN: true }),
        (unit, value) => {
          const said = readAmount(plain(needOf(line({ unit }), value, US)), unit)!;
          expect(said).toBeGreaterThanOrEqual(value * (1 - 1e-6) - 1e-4);
          expect(said - value).toBeLessThanOrEqual(Math.max(3, value * 0.13));
        },
      ),
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
