/** A place in a plane. */
export type XY = readonly [x: number, y: number];

/** A projective map of the plane, row by row: (x, y) goes to (ax + by + c, dx + ey + f) / (gx + hy + i). */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

/** The four corners of a face in turn: upper left, upper right, lower right, lower left. */
export type Corners = readonly [XY, XY, XY, XY];

/** Where a map takes a place. What it takes to infinity comes out as infinite numbers. */
export function mapped([a, b, c, d, e, f, g, h, i]: Homography, [x, y]: XY): XY {
  const depth = g * x + h * y + i;
  return [(a * x + b * y + c) / depth, (d * x + e * y + f) / depth];
}

/** One map after another: first `inner`, then `outer`. */
export function after(outer: Homography, inner: Homography): Homography {
  const row = (r: number) =>
    [0, 1, 2].map(
      (c) => outer[3 * r]! * inner[c]! + outer[3 * r + 1]! * inner[3 + c]! + outer[3 * r + 2]! * inner[6 + c]!,
    );
  return [...row(0), ...row(1), ...row(2)] as unknown as Homography;
}

/** The map back, up to a factor, by the adjugate. A map that flattens the plane has none: its determinant is nought. */
export const back = ([a, b, c, d, e, f, g, h, i]: Homography): Homography => [
  e * i - f * h,
  c * h - b * i,
  b * f - c * e,
  f * g - d * i,
  a * i - c * g,
  c * d - a * f,
  d * h - e * g,
  b * g - a * h,
  a * e - b * d,
];

/**
 * The map that takes the unit square, (0, 0) to (1, 1), to four corners in turn. Its last number is 1. In closed form (P.
 * Heckbert, "Fundamentals of Texture Mapping and Image Warping", 1989, section 2.2.3: square to quadrilateral). Corners of
 * which three lie in a line give numbers that are not finite, or a map without a way back: ask `isFace` first.
 */
export function toCorners([[x0, y0], [x1, y1], [x2, y2], [x3, y3]]: Corners): Homography {
  const sx = x0 - x1 + x2 - x3;
  const sy = y0 - y1 + y2 - y3;
  const dx1 = x1 - x2;
  const dx2 = x3 - x2;
  const dy1 = y1 - y2;
  const dy2 = y3 - y2;
  const whole = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / whole;
  const h = (dx1 * sy - sx * dy1) / whole;
  return [x1 - x0 + g * x1, x3 - x0 + h * x3, x0, y1 - y0 + g * y1, y3 - y0 + h * y3, y0, g, h, 1];
}

/** The map that takes four corners to four others. */
export const between = (from: Corners, to: Corners): Homography => after(toCorners(to), back(toCorners(from)));

/** Twice the area of a triangle, more than 0 where it turns as a clock does, with y downwards. */
export const turn = ([ax, ay]: XY, [bx, by]: XY, [cx, cy]: XY): number => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

/** Area that corners in turn go round (the surveyor's formula); less than 0 where they go against the clock. */
export function areaRound(corners: readonly XY[]): number {
  let twice = 0;
  corners.forEach(([x, y], index) => {
    const [nx, ny] = corners[(index + 1) % corners.length]!;
    twice += x * ny - nx * y;
  });
  return twice / 2;
}

/** How near a corner may come to the line of its neighbours, as a part of the face. */
const FLAT = 1e-3;

/** What is wrong with four corners in turn as the picture of a face, if anything. */
export function cornerFault(corners: Corners): "crossed" | "dented" | "mirrored" | "flat" | null {
  const turns = corners.map((corner, index) => turn(corner, corners[(index + 1) % 4]!, corners[(index + 2) % 4]!));
  const size = Math.max(...turns.map(Math.abs));
  if (size === 0 || turns.some((turn) => Math.abs(turn) < FLAT * size)) return "flat";
  const left = turns.filter((turn) => turn < 0).length;
  if (left === 0) return null;
  if (left === 4) return "mirrored";
  return left === 2 ? "crossed" : "dented";
}

/** Four places in the order of the corners of a face, whichever way round they were pointed at. */
export function inTurn(places: readonly [XY, XY, XY, XY]): Corners {
  const middle: XY = [places.reduce((sum, [x]) => sum + x, 0) / 4, places.reduce((sum, [, y]) => sum + y, 0) / 4];
  const round = [...places].sort(
    (a, b) => Math.atan2(a[1] - middle[1], a[0] - middle[0]) - Math.atan2(b[1] - middle[1], b[0] - middle[0]),
  );
  // the upper left is the one from which the way to the next is most nearly to the right
  const first = round
    .map((from, index) => {
      const to = round[(index + 1) % 4]!;
      return { at: index, right: (to[0] - from[0]) / Math.hypot(to[0] - from[0], to[1] - from[1]) };
    })
    .sort((a, b) => b.right - a.right)[0]!.at;
  return [0, 1, 2, 3].map((step) => round[(first + step) % 4]!) as unknown as Corners;
}
