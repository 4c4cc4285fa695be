import type { Counts, ZoneWork } from "#core/photo/on-photo";
import type { PiecePhoto } from "#core/plan/photo-marks";

/** A picture of the finish on the photo. A newer request cancels the older. */
export interface Asking {
  marks: PiecePhoto;
  zones: readonly ZoneWork[];
  counts: Counts;
}

export type Answer =
  | { is: "painted"; finished: boolean; pixels: ArrayBuffer; width: number; height: number }
  | { is: "working"; part: number };
