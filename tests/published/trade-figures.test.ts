import { describe, expect, it } from "vitest";
import { CATALOGUE } from "#core/materials/catalogue";
import { FAMILY_DEFAULTS } from "#core/materials/families";
import { FAMILIES, type Family, Material } from "#core/materials/material";

const HOUR = 60;
const DAY = 1440;

/** The trade's own table, written down a second time: touch, recoat from (typical, safe), until, before clear (typical, safe), cure, spread, solids, absorbency. */
const TABLE: [
  Family,
  touch: number,
  recoat: [number, number],
  until: number | null,
  clear: [number, number],
  cure: [number, number],
  spread: number,
  solids: number,
  absorbs: number,
][] = [
  ["bonding primer", 30, [3 * HOUR, 3 * HOUR], 7 * DAY, [12 * HOUR, 12 * HOUR], [14 * DAY, 14 * DAY], 10, 38, 0.15],
  ["stain-block primer, shellac", 20, [HOUR, HOUR], null, [2 * HOUR, 2 * HOUR], [3 * DAY, 3 * DAY], 11, 25, 0.05],
  [
    "stain-block primer, water-borne",
    HOUR,
    [3 * HOUR, 3 * HOUR],
    7 * DAY,
    [DAY, DAY],
    [21 * DAY, 21 * DAY],
    10,
    40,
    0.15,
  ],
  ["chalk-type paint", 30, [HOUR, 2 * HOUR], null, [DAY, DAY], [21 * DAY, 30 * DAY], 12, 40, 0.75],
  ["clay-type paint", 30, [HOUR, 2 * HOUR], null, [DAY, DAY], [30 * DAY, 30 * DAY], 12, 45, 0.8],
  ["milk paint", 45, [12 * HOUR, 12 * HOUR], null, [72 * HOUR, 72 * HOUR], [30 * DAY, 30 * DAY], 11, 35, 0.7],
  ["acrylic mineral paint", HOUR, [3 * HOUR, 3 * HOUR], DAY, [3 * HOUR, 3 * HOUR], [21 * DAY, 21 * DAY], 14, 35, 0.1],
  ["flat emulsion", HOUR, [4 * HOUR, 4 * HOUR], null, [DAY, DAY], [30 * DAY, 30 * DAY], 12, 35, 0.35],
  ["sealing tint-base", HOUR, [3 * HOUR, 3 * HOUR], 7 * DAY, [12 * HOUR, 12 * HOUR], [21 * DAY, 21 * DAY], 12, 25, 0.1],
  ["clear glaze medium", 4 * HOUR, [4 * HOUR, 12 * HOUR], null, [DAY, 2 * DAY], [21 * DAY, 21 * DAY], 14, 20, 0.1],
  ["tinted glaze", 4 * HOUR, [12 * HOUR, 12 * HOUR], null, [DAY, 2 * DAY], [21 * DAY, 21 * DAY], 14, 20, 0.1],
  [
    "water-borne clear coat",
    30,
    [2 * HOUR, 4 * HOUR],
    7 * DAY,
    [4 * HOUR, 4 * HOUR],
    [21 * DAY, 30 * DAY],
    11,
    30,
    0.05,
  ],
  [
    "tough water-borne polyurethane",
    HOUR,
    [4 * HOUR, 4 * HOUR],
    3 * DAY,
    [4 * HOUR, 4 * HOUR],
    [21 * DAY, 21 * DAY],
    11,
    33,
    0.03,
  ],
  ["shellac sealer", 20, [HOUR, HOUR], null, [2 * HOUR, 2 * HOUR], [3 * DAY, 3 * DAY], 12, 20, 0.02],
];

describe("the catalogue against the trade's table", () => {
  it.each(TABLE)("%s", (family, touch, recoat, until, clear, cure, spread, solids, absorbs) => {
    const { drying, windows, spreadingRate, volumeSolids, absorbency } = FAMILY_DEFAULTS[family];
    expect(drying.touch.typical).toBe(touch);
    expect([drying.recoat.typical, drying.recoat.safe]).toEqual(recoat);
    expect(windows.recoatUntil?.typical ?? null).toBe(until);
    expect([drying.beforeClear.typical, drying.beforeClear.safe]).toEqual(clear);
    expect([drying.cure.typical, drying.cure.safe]).toEqual(cure);
    expect(spreadingRate.typical).toBe(spread);
    expect(volumeSolids.typical).toBe(solids);
    expect(absorbency.typical).toBe(absorbs);
  });

  it("has the windows of minutes: crackle tack, open glaze, buffing wax", () => {
    const tack = FAMILY_DEFAULTS["crackle medium"].windows.tack!;
    expect([tack.opens.typical, tack.opens.safe, tack.shuts.typical]).toEqual([10, 15, 60]);
    const open = FAMILY_DEFAULTS["clear glaze medium"].windows.open!;
    expect([open.typical, open.safe]).toEqual([40, 20]);
    expect(FAMILY_DEFAULTS["clear wax"].windows.buff!.opens.typical).toBe(10);
    expect(FAMILY_DEFAULTS["clear wax"].drying.cure.typical).toBe(30 * DAY);
  });

  it("knows every family, at least twenty materials, and no two of one id", () => {
    expect(Object.keys(FAMILY_DEFAULTS).sort()).toEqual([...FAMILIES].sort());
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(20);
    expect(new Set(CATALOGUE.map((material) => material.id)).size).toBe(CATALOGUE.length);
    expect(new Set(CATALOGUE.map((material) => material.family))).toEqual(new Set(FAMILIES));
  });

  it.each(CATALOGUE.map((material) => [material.name, material] as const))(
    "%s is a whole material, every figure with its origin and in a sensible order",
    (_name, material) => {
      expect(Material.safeParse(material).success).toBe(true);
      const { drying, windows } = material;
      for (const figure of [
        ...Object.values(drying),
        material.spreadingRate,
        material.volumeSolids,
        material.contrastRatio,
        material.tooth,
      ])
        expect(figure.origin).toMatch(/published|common practice|from memory|label/);
      for (const stage of Object.values(drying))
        expect(stage.safe, "safe opens later").toBeGreaterThanOrEqual(stage.typical);
      expect(drying.touch.typical).toBeLessThanOrEqual(drying.recoat.typical);
      expect(drying.recoat.typical).toBeLessThanOrEqual(drying.cure.typical);
      if (windows.recoatUntil) expect(windows.recoatUntil.safe).toBeGreaterThan(drying.recoat.safe);
      if (windows.open) expect(windows.open.safe, "safe shuts earlier").toBeLessThanOrEqual(windows.open.typical);
      if (windows.tack) expect(windows.tack.opens.safe).toBeLessThan(windows.tack.shuts.safe);
    },
  );
});
