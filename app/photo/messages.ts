import type { Counts, ZoneWork } from "#core/photo/on-photo";
import type { PiecePhoto } from "#core/plan/photo-marks";

/** The pixels of a photo, sent once; what is asked for afterwards is about this one. */
export interface Shown {
  is: "photo";
  pixels: ArrayBuffer;
  width: number;
  height: number;
}

/** A picture of the finish on the photo. A newer request cancels the older. */
export interface Asking {
  is: "paint";
  id: number;
  marks: PiecePhoto;
  zones: readonly ZoneWork[];
  counts: Counts;
}

export type Question = Shown | Asking;

export type Answer =
  | { is: "painted"; id: number; finished: boolean; pixels: ArrayBuffer; width: number; height: number }
  | { is: "working"; id: number; part: number }
  | { is: "failed"; id: number; says: string };
