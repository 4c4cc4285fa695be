import { readMixText } from "./mix.ts";

// Up to version 5 a step had a second material, "with", and a "ratio" in words. Files, and edits that are kept to be undone,
// still bring them.

type Raw = Record<string, unknown>;

const isRaw = (value: unknown): value is Raw => typeof value === "object" && value !== null && !Array.isArray(value);
const textOf = (value: unknown): string => (typeof value === "string" ? value : "");

const LONGEST_NOTE = 400;

/** A step, or what an edit changes of one, as it is written now. A ratio that cannot be read as parts is kept in the note. */
export function withMix(raw: unknown): unknown {
  if (!isRaw(raw) || (raw.ratio === undefined && raw.with === undefined)) return raw;
  const { ratio, with: second, ...step } = raw;
  const text = textOf(ratio);
  const other = typeof second === "string" ? second : undefined;
  if (text === "" && other === undefined) return { ...step, mix: null };
  const mix = readMixText(text === "" ? "1 : 1" : text, other);
  if (mix) return { ...step, mix };
  // the second material goes in by equal parts
  const equal = other === undefined ? null : readMixText("1 : 1", other);
  const note = `Mix: ${text}. ${textOf(step.note)}`.trim().slice(0, LONGEST_NOTE);
  return { ...step, ...(equal ? { mix: equal } : {}), note };
}
