import type { FormEdit } from "./edits/form-edit";

/** What an edit leaves selected. */
export type Selects = Pick<Extract<FormEdit, { ok: true }>, "step" | "zone" | "material" | "face" | "isDrawn">;

/** What says what is being drawn, and on which piece. */
const DRAWING = ["draw", "piece"] as const;
const SELECTED = ["step", "zone", "material", "face"] as const;

/** What of the address stands after an edit: what it made is selected, and nothing is being added any more. */
export function searchAfter(search: string, made: Selects): string {
  const params = new URLSearchParams(search);
  if (params.has("add")) for (const name of ["add", "piece"]) params.delete(name);
  if (made.isDrawn) for (const name of DRAWING) params.delete(name);
  for (const name of SELECTED) if (made[name]) params.set(name, made[name]);
  return `?${params}`;
}
