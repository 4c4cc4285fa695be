import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CATALOGUE } from "../materials/catalogue.ts";
import { DAY, HOUR } from "../units/units.ts";
import { gateVerdict, nextOpening, openBetween, openFrom, openUntil } from "./gate.ts";
import { HOLDS_BELOW, holdsFrom, opens, solubility } from "./solubility.ts";

const find = (id: string) => CATALOGUE.find((material) => material.id === id)!;
const chalk = find("chalk-slate");
const clay = find("clay-moss");
const milk = find("milk-ochre");
const mineral = find("mineral-storm");
const tintBase = find("tint-base-walnut");
const shellac = find("stain-block-shellac");
const wax = find("wax-dark");

const RAG = 1;
const WASH = 0.5;
const BRUSH = 0.15;

describe("what dissolves", () => {
  it.each([
    ["chalk-type paint goes readily into a wet rag for half a day", chalk, 11 * HOUR, RAG, true],
    ["and just holds when a day old", chalk, 24 * HOUR, RAG, false],
    ["and surely at two days", chalk, 48 * HOUR, RAG, false],
    ["a flood lifts it while fresh", chalk, 2 * HOUR, WASH, true],
    ["an ordinary second coat does not", chalk, 2 * HOUR, BRUSH, false],
    ["clay stays open to a wet rag for a day", clay, 24 * HOUR, RAG, true],
    ["and when it has stood for two it holds", clay, 48 * HOUR, RAG, false],
    ["but a day old it stands a wash", clay, 26 * HOUR, WASH, false],
    ["dry milk paint hardly moves", milk, 12 * HOUR, RAG, false],
    ["mineral paint moves within the hour", mineral, 50, RAG, true],
    ["and not after", mineral, 2 * HOUR, RAG, false],
    ["tint-base is sealed when dry", tintBase, 3 * HOUR, RAG, false],
  ])("%s", (_fact, material, age, rubbing, moves) => {
    expect(opens(material, "water", age, rubbing)).toBe(moves);
  });

  it("never opens shellac or wax with water, and opens them with their own solvent", () => {
    expect(opens(shellac, "water", 5, RAG)).toBe(false);
    expect(opens(shellac, "alcohol", 365 * DAY, RAG)).toBe(true);
    expect(opens(wax, "water", 5, RAG)).toBe(false);
    expect(opens(wax, "solvent", DAY, RAG)).toBe(true);
  });

  const anyMaterial = fc.constantFrom(...CATALOGUE);
  const age = fc.integer({ min: 0, max: 60 * DAY });
  const rubbing = fc.double({ min: 0, max: 1, noNaN: true });

  it("lies between nothing and all, and never grows with age", () => {
    fc.assert(
      fc.property(anyMaterial, age, age, (material, value, other) => {
        for (const solvent of ["water", "alcohol", "solvent"] as const) {
          const young = solubility(material, solvent, Math.min(value, other));
          const old = solubility(material, solvent, Math.max(value, other));
          expect(young).toBeGreaterThanOrEqual(old);
          expect(old).toBeGreaterThanOrEqual(0);
          expect(young).toBeLessThanOrEqual(1);
        }
      }),
    );
  });

  it("opens more for harder rubbing, never less", () => {
    fc.assert(
      fc.property(anyMaterial, age, rubbing, rubbing, (material, old, soft, hard) => {
        if (opens(material, "water", old, Math.min(soft, hard)))
          expect(opens(material, "water", old, Math.max(soft, hard))).toBe(true);
      }),
    );
  });

  it("holds from the age it says: just before it opens, from then on it does not", () => {
    fc.assert(
      fc.property(anyMaterial, fc.double({ min: 0.36, max: 1, noNaN: true }), (material, hard) => {
        const holds = holdsFrom(material, "water", hard);
        if (!Number.isFinite(holds)) expect(opens(material, "water", 300 * DAY, hard)).toBe(true);
        else {
          expect(opens(material, "water", holds + 1, hard)).toBe(false);
          if (holds > 2) expect(opens(material, "water", holds - 2, hard)).toBe(true);
        }
      }),
    );
    expect(HOLDS_BELOW).toBe(0.35);
  });
});

describe("gates", () => {
  const tack = [openBetween("tack", { typical: 10, safe: 15 }, { typical: 60, safe: 50 })];
  const wetOrDry = [
    openUntil("open", { typical: 40, safe: 20 }),
    openFrom("recoat", { typical: 4 * HOUR, safe: 12 * HOUR }),
  ];

  it.each([
    [0, "early"],
    [14, "early"],
    [15, "open"],
    [50, "open"],
    [51, "late"],
  ] as const)("a window of 15 to 50 min at %d min is %s", (waited, verdict) => {
    expect(gateVerdict(tack, waited)).toBe(verdict);
  });

  it("knows two windows: into it while wet, or after it is dry, not between", () => {
    expect([0, 20, 21, 11 * HOUR, 12 * HOUR, 3 * DAY].map((waited) => gateVerdict(wetOrDry, waited))).toEqual([
      "open",
      "open",
      "early",
      "early",
      "open",
      "open",
    ]);
    expect(nextOpening(wetOrDry, 5)).toBe(5);
    expect(nextOpening(wetOrDry, 30)).toBe(12 * HOUR);
    expect(nextOpening(tack, 51)).toBeNull();
  });

  it("opens next where it stands open, and at no earlier wait than asked", () => {
    const minutes = fc.integer({ min: 0, max: 5000 });
    const gate = fc.tuple(minutes, fc.option(minutes, { nil: null })).map(([from, length]) => ({
      stage: "recoat" as const,
      opens: { typical: from, safe: from },
      shuts: length === null ? null : { typical: from + length, safe: from + length },
    }));
    fc.assert(
      fc.property(fc.array(gate, { minLength: 1, maxLength: 3 }), minutes, (gates, from) => {
        const next = nextOpening(gates, from);
        if (next === null) expect(gateVerdict(gates, from)).toBe("late");
        else {
          expect(next).toBeGreaterThanOrEqual(from);
          expect(gateVerdict(gates, next)).toBe("open");
          if (next > from) expect(gateVerdict(gates, next - 1)).not.toBe("open");
        }
      }),
    );
  });
});
