import { DAY, HOUR } from "../units/units.ts";
import type { Origin } from "./material.ts";

// Short spellings for the tables: cp is common practice, mem is from memory of typical data sheets.
// One number is typical and safe alike; two are typical, then safe.

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
