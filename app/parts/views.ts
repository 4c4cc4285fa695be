import type { Judgement } from "#core/judge/judge";
import type { Severity } from "#core/rules/rule";

/** The views of a job, in the order of their tabs; the key that opens each is in keys.ts. */
export const VIEWS = [
  { path: "piece", name: "Piece" },
  { path: "crust", name: "Crust" },
  { path: "board", name: "Board" },
  { path: "days", name: "Days" },
  { path: "shelf", name: "Shelf" },
  { path: "mix", name: "Mix" },
  { path: "materials", name: "Materials" },
  { path: "house", name: "House rules" },
] as const;

export type ViewPath = (typeof VIEWS)[number]["path"];

/** What of the address goes along to another view: what is selected, and not what is being added or drawn. */
export function viewSearch(search: string): string {
  const params = new URLSearchParams(search);
  params.delete("add");
  params.delete("draw");
  params.delete("piece");
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
