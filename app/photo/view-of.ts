import type { PiecePhoto } from "#core/plan/photo-marks";
import { panes } from "~/parts/panes";

export const PANES = panes("minmax(0, 1fr) 392px");

export const photoSrc = (planId: string, photoId: string) => `/jobs/${planId}/photos/${photoId}`;

/** The finish is what one comes for; a photo on which nothing is measured has to be marked first. */
export function viewOf(params: URLSearchParams, marks: PiecePhoto | undefined): "mark" | "finish" {
  const view = params.get("view");
  if (view === "mark" || view === "finish") return view;
  return marks && marks.known.length > 0 && marks.faces.some(({ zoneId }) => zoneId) ? "finish" : "mark";
}
