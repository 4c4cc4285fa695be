import type { Judgement } from "#core/judge/judge";
import type { Severity } from "#core/rules/rule";

/** The views of a job, in the order of their tabs, with the key that opens each. */
export const VIEWS = [
  { path: "piece", name: "Piece", key: "1" },
  { path: "crust", name: "Crust", key: "2" },
  { path: "board", name: "Board", key: "3" },
  { path: "days", name: "Days", key: "4" },
  { path: "shelf", name: "Shelf", key: "5" },
  { path: "mix", name: "Mix", key: "6" },
  { path: "materials", name: "Materials", key: "7" },
  { path: "house", name: "House rules", key: "8" },
] as const;

export type ViewPath = (typeof VIEWS)[number]["path"];

/** What of the address goes along to another view: what is selected, and not what is being added. */
export function viewSearch(search: string): string {
  const params = new URLSearchParams(search);
  params.delete("add");
  return params.size > 0 ? `?${params}` : "";
}

/** The worst that is said on each view. */
export function worstOfViews(
  { counts }: Pick<Judgement, "counts">,
  planned: { clashes: readonly unknown[] } | null,
): Partial<Record<ViewPath, Severity>> {
  return {
    ...(counts.stop > 0 ? { crust: "stop" } : counts.caution > 0 ? { crust: "caution" } : {}),
    ...(planned && planned.clashes.length > 0 ? { days: "stop" } : {}),
  };
}
