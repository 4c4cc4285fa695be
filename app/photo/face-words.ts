import type { FaceSize } from "#core/photo/measure";
import type { PhotoFace } from "#core/plan/photo-marks";

export const LOOKS_WORDS: Record<PhotoFace["looks"], string> = { front: "forwards", side: "to a side", top: "up" };

/** A size with how far off it may be, where that is more than a shaving. */
const sayMillimetres = (value: number, doubt: number) =>
  doubt >= 1.5 ? `${Math.round(value)} ± ${Math.round(doubt)}` : `${Math.round(value)}`;

export const saySize = ({ width, height, doubt }: FaceSize) =>
  `${sayMillimetres(width, doubt.width)} × ${sayMillimetres(height, doubt.height)} mm`;

/** What a size goes by, in words. */
export const BY_WORDS: Record<FaceSize["by"], string> = {
  length: "by the length on it",
  "shared corner": "by a corner it shares",
  "same plane": "by the face it lies in",
};
