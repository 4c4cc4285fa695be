import type { FormEdit } from "./edits/form-edit";

/** What an edit leaves selected. */
export type Selects = Pick<Extract<FormEdit, { ok: true }>, "step" | "zone" | "material" | "face" | "isDrawn">;

const SELECTED = ["step", "zone", "material", "face"] as const;

/** What of the address stands after an edit: what it made is selected, and nothing is being added any more. */
export function searchAfter(search: string, made: Selects): string {
  const params = new URLSearchParams(search);
  params.delete("add");
  if (made.isDrawn) params.delete("draw");
  for (const name of SELECTED) if (made[name]) params.set(name, made[name]);
  return `?${params}`;
}
