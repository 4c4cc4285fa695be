import { describe, expect, it } from "vitest";
import { DAY, HOUR } from "../units/units.ts";
import { CATALOGUE } from "./catalogue.ts";
import { FAMILY_DEFAULTS } from "./families.ts";
import { FAMILIES, type Family, Material } from "./material.ts";
import { nonsenseIn } from "./sense.ts";

// The figures of the trade, written out once more by hand, family by family: what the code holds must be what the
// trade says.

const D = DAY;
const H = HOUR;

/** touch, recoat, before clear (all minutes, careful side where there is a range), m²/L, solids %, absorbency; null: not in the trade's table. */
const TRADE: [Family, number | null, number | null, number | null, number | null, number | null, number][] = [
  ["bonding primer", 30, 3 * H, 12 * H, 10, 38, 0.15],
  ["stain-block primer, shellac", 20, H, 2 * H, 11, 25, 0.05],
  ["stain-block primer, water-borne", H, 3 * H, 24 * H, 10, 40, 0.15],
  ["metal barrier primer", H, 4 * H, 24 * H, 10, 45, 0.1],
  ["chalk-type paint", 30, 2 * H, 24 * H, 12, 40, 0.75],
  ["clay-type paint", 30, 2 * H, 24 * H, 12, 45, 0.8],
  ["milk paint", 45, 12 * H, 72 * H, 11, 35, 0.7],
  ["acrylic mineral paint", H, 3 * H, null, 14, 35, 0.1],
  ["flat emulsion", H, 4 * H, 24 * H, 12, 35, 0.35],
  ["oil paint", 6 * H, 24 * H, 72 * H, 14, 50, 0.05],
  ["sealing tint-base", H, 3 * H, 12 * H, 12, 25, 0.1],
  ["crackle medium", null, null, null, 8, 30, 0.1],
  ["craft glue", null, null, null, 6, 50, 0.05],
  ["texture paste", 4 * H, 24 * H, 24 * H, null, 60, 0.6],
  ["clear glaze medium", null, 12 * H, 48 * H, 14, 20, 0.1],
  ["tinted glaze", null, null, 48 * H, 14, 20, 0.1],
  ["thin pale glaze", null, 12 * H, 48 * H, 14, 20, 0.2],
  ["metallic glaze", null, 12 * H, 24 * H, 14, 20, 0.1],
  ["leaf size", null, null, null, 12, 30, 0],
  ["reactive metal paint", null, 4 * H, 48 * H, 9, 45, 0.3],
  ["clear wax", null, 24 * H, null, 18, null, 0],
  ["tinted wax", null, 24 * H, null, 20, null, 0],
  ["gilding wax", 2 * H, null, null, null, null, 0],
  ["metallic wax, water-borne", 30, H, 24 * H, null, null, 0.2],
  ["wax and paint blend", 2 * H, 2 * H, 24 * H, 16, null, 0.1],
  ["drying oil", null, 24 * H, 72 * H, 20, 100, 0],
  ["water-borne clear coat", 60, 4 * H, null, 11, 30, 0.05],
  ["tough water-borne polyurethane", H, 4 * H, null, 11, 33, 0.03],
  ["solvent polyurethane", 6 * H, 24 * H, null, 13, 45, 0.03],
  ["aerosol clear", 15, null, null, 4, 12, 0.1],
  ["découpage varnish", 30, 2 * H, null, 11, 35, 0.05],
  ["penetrating clear sealer", H, 2 * H, null, 12, 20, 0.2],
  ["shellac sealer", 20, H, 2 * H, 12, 20, 0.02],
  ["heat-resisting varnish", 4 * H, 12 * H, null, 12, 45, 0.03],
];

/** Recoat windows that shut, and full cures. */
const UNTIL: [Family, number][] = [
  ["bonding primer", 7 * D],
  ["stain-block primer, water-borne", 7 * D],
  ["metal barrier primer", 7 * D],
  ["acrylic mineral paint", D],
  ["oil paint", 7 * D],
  ["sealing tint-base", 7 * D],
  ["water-borne clear coat", 7 * D],
  ["tough water-borne polyurethane", 3 * D],
  ["solvent polyurethane", 3 * D],
  ["heat-resisting varnish", 3 * D],
];
const CURES: [Family, number][] = [
  ["bonding primer", 14 * D],
  ["stain-block primer, shellac", 3 * D],
  ["chalk-type paint", 30 * D],
  ["milk paint", 30 * D],
  ["acrylic mineral paint", 21 * D],
  ["sealing tint-base", 21 * D],
  ["texture paste", 7 * D],
  ["tinted glaze", 21 * D],
  ["clear wax", 30 * D],
  ["drying oil", 30 * D],
  ["water-borne clear coat", 30 * D],
  ["aerosol clear", 7 * D],
  ["penetrating clear sealer", 14 * D],
];
const NEVER_SHUTS: Family[] = ["chalk-type paint", "clay-type paint", "milk paint", "flat emulsion", "shellac sealer"];

describe("the catalogue", () => {
  it.each(TRADE)("%s has the trade's figures", (family, touch, recoat, beforeClear, rate, solids, absorbency) => {
    const made = FAMILY_DEFAULTS[family];
    if (touch !== null) expect(made.drying.touch.safe).toBe(touch);
    if (recoat !== null) expect(made.drying.recoat.safe).toBe(recoat);
    if (beforeClear !== null) expect(made.drying.beforeClear.safe).toBe(beforeClear);
    if (rate !== null) expect(made.spreadingRate.typical).toBe(rate);
    if (solids !== null) expect(made.volumeSolids.typical).toBe(solids);
    expect(made.absorbency.typical).toBe(absorbency);
  });

  it.each(UNTIL)("%s must be scuffed after its recoat window", (family, minutes) => {
    expect(FAMILY_DEFAULTS[family].windows.recoatUntil?.safe).toBe(minutes);
  });
  it.each(NEVER_SHUTS)("%s keys to itself at any age", (family) => {
    expect(FAMILY_DEFAULTS[family].windows.recoatUntil).toBeUndefined();
  });
  it.each(CURES)("%s cures in its time", (family, minutes) => {
    expect(FAMILY_DEFAULTS[family].drying.cure.safe).toBe(minutes);
  });

  it("knows the windows: tack, buff, open time, and the can that must not be used again too soon", () => {
    const { windows: crackle } = FAMILY_DEFAULTS["crackle medium"];
    expect([crackle.tack?.opens.safe, crackle.tack?.shuts.safe]).toEqual([15, 60]);
    expect(FAMILY_DEFAULTS["craft glue"].windows.tack).toMatchObject({ opens: { safe: 0 }, shuts: { safe: 10 } });
    expect(FAMILY_DEFAULTS["leaf size"].windows.tack).toMatchObject({ opens: { safe: 30 }, shuts: { safe: 24 * H } });
    expect(FAMILY_DEFAULTS["tinted glaze"].windows.open).toMatchObject({ typical: 40, safe: 20 });
    expect(FAMILY_DEFAULTS["gilding wax"].windows.buff?.opens.safe).toBe(12 * H);
    expect(FAMILY_DEFAULTS["aerosol clear"].windows.closed).toMatchObject({
      from: { safe: H },
      until: { safe: 24 * H },
    });
  });

  it("holds at least one material of every family, each with sense and a known origin for every figure", () => {
    const families = new Set(CATALOGUE.map((material) => material.family));
    expect(FAMILIES.filter((family) => !families.has(family))).toEqual([]);
    for (const material of CATALOGUE) {
      expect(Material.safeParse(material).success, material.id).toBe(true);
      expect(nonsenseIn(material), material.id).toEqual([]);
      const origins = JSON.stringify(material).match(/"origin":"[^"]+"/g) ?? [];
      expect(origins.length, material.id).toBeGreaterThan(8);
    }
    expect(new Set(CATALOGUE.map(({ id }) => id)).size).toBe(CATALOGUE.length);
  });
});

describe("sense", () => {
  const chalk = CATALOGUE.find(({ id }) => id === "chalk-slate")!;
  const label = (minutes: number) => ({ typical: minutes, safe: minutes, origin: "label" as const });
  it.each([
    ["recoat before touch dry", { ...chalk, drying: { ...chalk.drying, recoat: label(10) } }, "drying.recoat"],
    ["cured before it can be recoated", { ...chalk, drying: { ...chalk.drying, cure: label(45) } }, "drying.cure"],
    [
      "a careful figure shorter than the usual",
      { ...chalk, drying: { ...chalk.drying, touch: { typical: 30, safe: 20, origin: "label" as const } } },
      "drying.touch",
    ],
    [
      "a recoat window that shuts before it opens",
      { ...chalk, windows: { recoatUntil: label(60) } },
      "windows.recoatUntil",
    ],
    [
      "tack that ends before it begins",
      { ...chalk, windows: { tack: { opens: label(60), shuts: label(10) } } },
      "windows.tack",
    ],
    ["paint with nothing in it", { ...chalk, volumeSolids: label(0) }, "volumeSolids"],
    ["a coat thicker than a board", { ...chalk, spreadingRate: label(0.1) }, "spreadingRate"],
    [
      "paint that dissolves more readily with age",
      {
        ...chalk,
        solubility: {
          by: "water" as const,
          curve: [
            [0, 0.2],
            [60, 0.9],
          ] as [number, number][],
          origin: "label" as const,
        },
      },
      "solubility",
    ],
  ])("doubts %s", (_what, material, where) => {
    expect(nonsenseIn(material).map((nonsense) => nonsense.where)).toContain(where);
    for (const { says } of nonsenseIn(material)) expect(says).toMatch(/\.$/);
  });

  it("refuses a negative spread before sense is asked", () => {
    const read = Material.safeParse({ ...chalk, spreadingRate: { ...chalk.spreadingRate, typical: -3 } });
    expect(read.success).toBe(false);
  });
});
