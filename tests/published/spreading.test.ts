import { describe, expect, it } from "vitest";
import { CATALOGUE } from "#core/materials/catalogue";
import type { Material } from "#core/materials/material";
import { dryFilm, spreadAt } from "#core/quantity/spread";

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

  it("reads the other way round as well", () => {
    expect(spreadAt(50, 50)).toBeCloseTo(10, 9);
    for (const material of CATALOGUE.slice(0, 20))
      expect(spreadAt(material.volumeSolids.typical, dryFilm(material))).toBeCloseTo(material.spreadingRate.typical, 9);
  });
});
