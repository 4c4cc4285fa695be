import { Mix, MOST_TINS } from "#core/plan/mix";
import { type Faults, type FormFields, sentence } from "./fields";

/** Rows of a mix's form besides the step's own material, by their number. */
export const OTHER_TINS: readonly number[] = Array.from({ length: MOST_TINS - 1 }, (_, index) => index + 1);

const numberIn = (text: string | undefined, usual: number): number =>
  text === undefined || text.trim() === "" ? usual : Number(text.trim().replace(",", "."));

/** Where in the form a fault of the schema belongs. */
function fieldOf(path: readonly PropertyKey[], rows: readonly number[]): string {
  if (path[0] === "with" && typeof path[1] === "number") return `mixParts${rows[path[1]] ?? 1}`;
  return path[0] === "thinner" ? "mixThinner" : "mixParts";
}

/**
 * What a step's form says is stirred together; null for nothing, and as it was where the form does not ask. A row without parts
 * counts as one.
 */
export function readMixFields(fields: FormFields, before: Mix | undefined): { mix: Mix | null } | { faults: Faults } {
  if (fields.mixParts === undefined) return { mix: before ?? null };
  const rows = OTHER_TINS.filter((row) => (fields[`mixWith${row}`] ?? "") !== "");
  const thinner = numberIn(fields.mixThinner, 0);
  if (rows.length === 0 && thinner === 0) return { mix: null };
  const read = Mix.safeParse({
    by: fields.mixBy ?? before?.by ?? "volume",
    parts: numberIn(fields.mixParts, 1),
    with: rows.map((row) => ({ what: fields[`mixWith${row}`], parts: numberIn(fields[`mixParts${row}`], 1) })),
    thinner,
  });
  if (read.success) return { mix: read.data };
  const faults: Faults = {};
  for (const { path, message } of read.error.issues) faults[fieldOf(path, rows)] ??= sentence(message);
  return { faults };
}
