import { describe, expect, it } from "vitest";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { dryFilm, LOSS_ON_TOOLS, volumeNeeded } from "#core/quantity/spread";

const like = (spread: number, solids: number): Material => ({
  ...CATALOGUE[0]!,
  spreadingRate: { typical: spread, safe: spread, origin: "label" },
  volumeSolids: { typical: solids, safe: solids, origin: "label" },
});

// The handbook relation behind ISO 3233 and ASTM D5201: spreading rate (m²/L) = 10 · volume solids (%) / dry film (µm).
describe("film and spread", () => {
  it.each([
    // m²/L, % solids, µm: worked values of the relation
    [10, 50, 50],
    [8, 40, 50],
    [12, 48, 40],
    [20, 100, 50],
    [5, 30, 60],
  ])("%d m²/L at %d %% solids leaves %d µm", (spread, solids, micrometres) => {
    expect(dryFilm(like(spread, solids))).toBeCloseTo(micrometres, 9);
  });

  it("keeps every catalogue coat within what a brush leaves, 10 to 60 µm", () => {
    const brushed = new Set(["primer", "paint", "tint-base", "glaze", "clear"]);
    for (const material of CATALOGUE.filter(({ role }) => brushed.has(role))) {
      expect(dryFilm(material), material.name).toBeGreaterThan(10);
      expect(dryFilm(material), material.name).toBeLessThan(60);
    }
  });

  it("takes a litre and what stays on the tools for ten square metres at 10 m²/L", () => {
    expect(volumeNeeded(like(10, 40), 10, 1)).toBeCloseTo(1000 * (1 + LOSS_ON_TOOLS), 6);
  });

  it("goes with coats, cover and load", () => {
    const one = volumeNeeded(like(12, 40), 2, 1);
    expect(volumeNeeded(like(12, 40), 2, 3)).toBeCloseTo(3 * one, 6);
    expect(volumeNeeded(like(12, 40), 2, 1, 0.5)).toBeCloseTo(one / 2, 6);
    expect(volumeNeeded(like(12, 40), 2, 1, 1, 0.35)).toBeCloseTo(0.35 * one, 6);
  });
});
