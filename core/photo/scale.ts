import type { FaceMap } from "./face-map.ts";
import { outerCorners, placeOn } from "./face-map.ts";
import type { XY } from "./homography.ts";
import { across, reach } from "./lens.ts";
import { inPlane, isFlat, type Spread, sum } from "./spread.ts";

// How large a face is: by a length on it, by a corner it shares with a measured one, or by the plane of a measured one.

const square = (value: number) => value * value;

/** How much longer and how much wider a face is than as it was spread out. */
export interface Scale {
  across: number;
  down: number;
  by: "length" | "shared corner" | "same plane";
}

/** A length by tape, along and down a face that is spread out. */
export interface Taped {
  dx: number;
  dy: number;
  millimetres: number;
}

/** How unlike in direction two lengths must be to say each their own: as a sine. */
const UNLIKE = 0.35;

/** Two unknowns from lengths that run in two directions at least; null where they run the same way. */
export function bothWays(taped: readonly Taped[]): Scale | null {
  let [aa, ab, bb, al, bl] = [0, 0, 0, 0, 0];
  for (const { dx, dy, millimetres } of taped) {
    const length = square(dx) + square(dy);
    const [a, b, l] = [square(dx) / length, square(dy) / length, square(millimetres) / length];
    aa += a * a;
    ab += a * b;
    bb += b * b;
    al += a * l;
    bl += b * l;
  }
  const whole = aa * bb - ab * ab;
  if (whole < square(UNLIKE) * aa * bb || aa === 0 || bb === 0) return null;
  const [x, y] = [(al * bb - bl * ab) / whole, (bl * aa - al * ab) / whole];
  return x > 0 && y > 0 ? { across: Math.sqrt(x), down: Math.sqrt(y), by: "length" } : null;
}

/** The scale that fits all lengths on a face best. */
export function scaleBy(taped: readonly Taped[]): Scale {
  const two = bothWays(taped);
  if (two) return two;
  const drawn = taped.map(({ dx, dy }) => Math.hypot(dx, dy));
  const scale = sum(taped.map(({ millimetres }, index) => millimetres * drawn[index]!)) / sum(drawn.map(square));
  return { across: scale, down: scale, by: "length" };
}

/** How near to each other two corners are one, with the photo's longer side as 1. */
const TOUCH = 0.012;

/** How far in front of the lens a corner lies. */
function depthOf({ map, columns }: Spread, scale: Scale, q: number, at: number): number {
  const { cell, column, u, v } = outerCorners(map)[at]!;
  const size = (Math.sqrt(scale.across * scale.down) * columns[column]!) / reach(across(cell), q);
  return size * (cell.map[6] * u + cell.map[7] * v + 1);
}

/** The scale of a face by corners that it shares with one whose scale is known. */
export function byCorner(own: Spread, known: readonly KnownFace[], q: number): Scale | null {
  const found: number[] = [];
  outerCorners(own.map).forEach(({ place }, index) => {
    for (const other of known)
      outerCorners(other.face.map).forEach((corner, there) => {
        if (!isSame(corner.place, place)) return;
        const unit = depthOf(own, { across: 1, down: 1, by: "shared corner" }, q, index);
        found.push(depthOf(other.face, other.scale, q, there) / unit);
      });
  });
  if (found.length === 0) return null;
  const scale = sum(found) / found.length;
  return { across: scale, down: scale, by: "shared corner" };
}

/** The scale of a flat face by a measured one in the same plane: laid out on the larger of the two, for that shows the plane best. */
export function byPlane(own: Spread, { face, scale }: KnownFace): Scale | null {
  if (face.map.area >= own.map.area) {
    const size = inPlane(own, face);
    return (
      size && {
        across: (size.width * scale.across) / own.columns[0]!,
        down: (size.height * scale.down) / own.rows[0]!,
        by: "same plane",
      }
    );
  }
  const size = inPlane(face, own);
  if (!size) return null;
  const scaled = Math.sqrt((face.columns[0]! * scale.across * face.rows[0]! * scale.down) / (size.width * size.height));
  return { across: scaled, down: scaled, by: "same plane" };
}

/** A face whose scale is known. */
export type KnownFace = { face: Spread; scale: Scale };

/**
 * The measured face in whose plane a flat one lies: one that looks the same way and goes round it, lies on it, or shares a corner
 * with it. Of several the smallest that goes round it: a drawer belongs to its own chest, not to the cupboard behind.
 */
export function planeOf(own: Spread, known: readonly KnownFace[]): KnownFace | undefined {
  if (!isFlat(own.map)) return undefined;
  const alike = known.filter(({ face }) => isFlat(face.map) && face.map.face.looks === own.map.face.looks);
  const corners = outerCorners(own.map).map(({ place }) => place);
  const round = alike.findLast(({ face }) => placeOn(face.map, middleOf(own.map)));
  const upon = alike.find(({ face }) => placeOn(own.map, middleOf(face.map)));
  const beside = alike.find(({ face }) =>
    outerCorners(face.map).some(({ place }) => corners.some((corner) => isSame(place, corner))),
  );
  return round ?? upon ?? beside;
}

const middleOf = (map: FaceMap): XY => {
  const corners = outerCorners(map).map(({ place }) => place);
  return [sum(corners.map(([x]) => x)) / 4, sum(corners.map(([, y]) => y)) / 4];
};

const isSame = (a: XY, b: XY) => Math.hypot(a[0] - b[0], a[1] - b[1]) <= TOUCH;
