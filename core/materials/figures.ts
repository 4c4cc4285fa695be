import { DAY, HOUR } from "../units/units.ts";
import type { Material, Origin } from "./material.ts";

// Short spellings for the tables: cp is common practice, mem is from memory of typical data sheets.
// One number is typical and safe alike; two are typical, then safe.

/** What every material of a family starts from: everything but its own id, name and colour. */
export type FamilyDefaults = Omit<Material, "id" | "name" | "family" | "colour" | "copyOf" | "recipe">;

const figure =
  (origin: Origin) =>
  (typical: number, safe: number = typical) => ({ typical, safe, origin });
export const cp = figure("common practice");
export const mem = figure("from memory");

const scaled =
  (unit: number) =>
  <Figure extends { typical: number; safe: number }>(value: Figure): Figure => ({
    ...value,
    typical: value.typical * unit,
    safe: value.safe * unit,
  });
export const hours = scaled(HOUR);
export const days = scaled(DAY);

/** What most films have in common; a family says where it differs. */
export const PLAIN = {
  carrier: "water",
  absorbency: mem(0.1),
  gloss: mem(0.1),
  brittle: false,
  yellows: false,
  tarnishes: false,
  reacts: false,
  underHeat: "stands",
  outdoors: false,
  soldAs: "litres",
  tannin: "passes",
  windows: {},
} as const;

/** Soluble in water only while wet: gone soon after it was laid. */
export const setsInAnHour: FamilyDefaults["solubility"] = {
  by: "water",
  curve: [
    [0, 1],
    [HOUR, 1],
    [HOUR + 30, 0],
  ],
  origin: "from memory",
};

/** Soluble until it is dry, less and less. */
export const untilDry = (minutes: number, by: "water" | "solvent" = "water"): FamilyDefaults["solubility"] => ({
  by,
  curve: [
    [0, 1],
    [minutes / 2, 0.8],
    [minutes, 0],
  ],
  origin: "from memory",
});

/** Its own solvent takes it up again at any age. */
export const always = (by: "water" | "alcohol" | "solvent"): FamilyDefaults["solubility"] => ({
  by,
  curve: [[0, 1]],
  origin: "from memory",
});
