import type { FrontPlace } from "#core/plan/front";
import type { Box } from "./place-outlines";

/** What of the front is drawn, in millimetres, and how that falls on a drawing, in its own pixels. */
export interface FrontLayout {
  left: number;
  right: number;
  bottom: number;
  top: number;
  /** pixels a millimetre */
  scale: number;
  /** where the left edge and the lower edge of the piece are drawn */
  from: number;
  floor: number;
  boxOf: (place: Pick<FrontPlace, "x" | "y" | "width" | "height">) => Box;
  /** what is at this point of the drawing, in millimetres from the lower left of the piece */
  millimetresAt: (x: number, y: number) => [x: number, y: number];
}

/** The room that an empty piece is drawn in, in millimetres. */
const EMPTY = { x: 0, y: 0, width: 1600, height: 800 } as const;

/** Fits the front of a piece into a drawing, to scale and in its middle. */
export function frontLayout(
  places: readonly Pick<FrontPlace, "x" | "y" | "width" | "height">[],
  { width, height }: { width: number; height: number },
  margin: number,
): FrontLayout {
  const shown = places.length > 0 ? places : [EMPTY];
  const left = Math.min(...shown.map(({ x }) => x));
  const right = Math.max(...shown.map((one) => one.x + one.width));
  const bottom = Math.min(...shown.map(({ y }) => y));
  const top = Math.max(...shown.map((one) => one.y + one.height));
  const scale = Math.min(
    (width - 2 * margin) / Math.max(1, right - left),
    (height - 2 * margin) / Math.max(1, top - bottom),
  );
  const from = (width - (right - left) * scale) / 2;
  const floor = height - (height - (top - bottom) * scale) / 2;
  return {
    left,
    right,
    bottom,
    top,
    scale,
    from,
    floor,
    boxOf: (place) => ({
      x: from + (place.x - left) * scale,
      y: floor - (place.y + place.height - bottom) * scale,
      width: place.width * scale,
      height: place.height * scale,
    }),
    millimetresAt: (x, y) => [left + (x - from) / scale, bottom + (floor - y) / scale],
  };
}
